import { addComparator, CannotBuild } from '../blocks/index.js';
import { channelReader, highReading, kindOf, numbersOf, terminalOf } from '../catalog/index.js';
import { terminalRef, type Channel, type Design, type Part } from '../design/index.js';
import { conditionsOf } from '../logic/index.js';
import { Draft, freePin, pinFits, wiringOf } from '../wiring/index.js';
import { controllerAt, freed, lineInVolts, railOf, referenceVolts } from './decides-by-volts.js';
import type { EitherOr } from './either-or.js';

const inProgram = 'has its line in the program';
const atTrimmer = 'has its line at a trimmer, and the program only reads high or low';

const other = { above: 'below', below: 'above' } as const;

/** A share of the range that a line in the program clears by, where a trimmer had no hysteresis. */
const clears = 0.02;

/**
 * Where a channel has its line: in the program, or at the trimmer of a comparator, be it the module's own. Where something goes by how
 * much is read, or another channel reads the same, there is no choice.
 */
export function lineOrTrimmer(design: Design, channel: Channel): EitherOr[] {
  const wiring = wiringOf(design);
  const besides = design.channels.filter((c) => wiring.same(c.pin, channel.pin));
  if (besides.length > 1 || conditionsOf(design).numbers.has(channel.id)) return [];
  const by = channelReader(design, channel.pin)?.by;
  const module = ownLineAt(design, channel, by === 'converter' ? 'reads' : 'gives');
  try {
    if (by === 'converter') {
      const edit = module ? ownTrimmer(design, channel, module) : trimmerOf(design, channel);
      return edit ? [told(channel, inProgram, atTrimmer, edit)] : [];
    }
    return by === 'level' && module
      ? [told(channel, atTrimmer, inProgram, program(design, channel, module))]
      : [];
  } catch (error) {
    if (!(error instanceof CannotBuild)) throw error;
    return [];
  }
}

const told = (
  { id, name }: Channel,
  now: string,
  other: string,
  edit: EitherOr['edit'],
): EitherOr => ({
  ...{ id: `line ${id}`, of: name, now, other, edit },
});

/** What a pin says once a comparator has decided. */
const decided = (trips: Channel['trips']): Partial<Channel> => ({
  ...{ trips, threshold: highReading / 2, hysteresis: highReading / 5 },
  ...{ invert: undefined, filter: undefined, missCost: undefined },
});

/** A module that a pin reads, before its own comparator or behind it. */
function ownLineAt(design: Design, { pin }: Channel, at: 'reads' | 'gives'): Part | undefined {
  const found = wiringOf(design)
    .ends(pin)
    .find(({ kind, terminal }) => kind.ownLine?.[at] === terminal.id);
  return found?.part;
}

/** The line of the program at a comparator in front of the pin. */
function trimmerOf(design: Design, channel: Channel): EitherOr['edit'] | undefined {
  const board = controllerAt(design, channel.pin);
  const rail = board && kindOf(board).terminals.find((t) => t.role === 'supply-out');
  if (!board || !rail) return undefined;
  const line = lineInVolts(design, channel);
  const draft = new Draft(design);
  const signal = freed(draft, channel.pin);
  const supply = { ref: terminalRef(board.id, rail.id), volts: railOf(board) };
  const { out } = addComparator(draft, { signal, supply, ...line });
  return onLevel(draft.join(out, channel.pin), channel, 'above');
}

function onLevel(draft: Draft, channel: Channel, trips: Channel['trips']): EitherOr['edit'] {
  const pin = terminalOf(draft.design, channel.pin);
  if (!pin || !pinFits(pin, { mode: 'input' }))
    throw new CannotBuild(`${channel.pin} only measures.`);
  draft.make({ type: 'set-pin', pin: channel.pin, mode: 'input' });
  draft.make({ type: 'put-channel', channel: { ...channel, ...decided(trips) } });
  return draft.edit(`set ${channel.name} at a trimmer`);
}

/** The line of the program at the module's own trimmer; undefined where its comparator trips on the other side. */
function ownTrimmer(design: Design, channel: Channel, part: Part): EitherOr['edit'] | undefined {
  const { ownLine } = kindOf(part);
  const { trip, high } = lineInVolts(design, channel);
  const board = controllerAt(design, channel.pin);
  if (!ownLine || !board || ownLine.trips !== high) return undefined;
  const draft = new Draft(design).rewire(
    terminalRef(part.id, ownLine.reads),
    terminalRef(part.id, ownLine.gives),
  );
  draft.set(part.id, ownLine.at, Number(Math.min(1, trip / railOf(board)).toFixed(3)));
  return onLevel(draft, channel, 'below');
}

/** What the module's trimmer says as a line of the program, at a pin that measures. */
function program(design: Design, channel: Channel, part: Part): EitherOr['edit'] {
  const { ownLine } = kindOf(part);
  const board = controllerAt(design, channel.pin);
  const pin = board && freePin(design, board, { mode: 'analogue' });
  if (!ownLine || !board || !pin) throw new CannotBuild('No pin is free that could measure it.');
  const draft = new Draft(design).rewire(
    terminalRef(part.id, ownLine.gives),
    terminalRef(part.id, ownLine.reads),
  );
  draft.movePins(new Map([[channel.pin, pin]])).make({ type: 'set-pin', pin, mode: 'analogue' });
  const reader = channelReader(draft.design, pin);
  if (reader?.by !== 'converter') throw new CannotBuild(`${pin} measures nothing.`);
  const turn = numbersOf(kindOf(part).params, part.params)[ownLine.at] ?? 0;
  const share = (turn * railOf(board)) / referenceVolts(draft.design, board, reader.reference);
  const { edge: _, remembers: __, invert, ...plain } = channel;
  // The module is low where what it reads is beyond its line.
  const isYesLow = (channel.trips === 'below') !== (invert === true);
  const line = {
    trips: isYesLow ? ownLine.trips : other[ownLine.trips],
    threshold: Math.round(reader.full * Math.min(1, share)),
    hysteresis: Math.max(1, Math.round(clears * reader.full)),
  };
  draft.make({ type: 'put-channel', channel: { ...plain, pin, ...line } });
  return draft.edit(`set ${channel.name} in the program`);
}
