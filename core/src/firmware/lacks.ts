import { askedAt, channelReader, kindOf } from '../catalog/index.js';
import { milliseconds } from '../code/index.js';
import type { Channel, Design, Output, Part } from '../design/index.js';
import { drivesOf } from '../wiring/index.js';
import { pinEdge, type Board } from './board.js';
import { chopLacks, isDimmed } from './chop-lacks.js';
import { pinOf } from './pin-of.js';
import { partLacks, type Told } from './part-lacks.js';

/** Something that a program for a board would have to do and cannot, with what helps. */
export interface Lack {
  place: string;
  reason: string;
  cure: string;
}

/**
 * The board of a design that a program is for.
 *
 * @throws RangeError where there is none
 */
export function boardIn(design: Design, board: Board): Part {
  const found = design.parts.find((p) => kindOf(p).program === board.id);
  if (!found) throw new RangeError(`The design has no ${board.label}.`);
  return found;
}

/** What of a design its program on a board could not do, as far as it is seen before it is put together. */
export function plainLacks(design: Design, board: Board): Lack[] {
  const boards = design.parts.filter((p) => kindOf(p).program === board.id);
  const [only, ...others] = boards;
  if (!only || others.length > 0)
    return [
      {
        place: 'parts',
        reason: `The design has ${boards.length} boards of this kind`,
        cure: `Write it for the board it has: this is the program of one ${board.label}.`,
      },
    ];
  return [
    ...design.channels.flatMap((c) => channelLacks(design, board, only, c)),
    ...design.outputs.flatMap((o) => outputLacks(design, board, only, o)),
    ...twiceLacks(design),
    ...countLacks(design),
    ...hangLacks(design, board),
  ];
}

function channelLacks(
  design: Design,
  board: Board,
  part: Part,
  channel: Design['channels'][number],
): Lack[] {
  const place = `channel ${channel.name}`;
  const asked = askedAt(design, channel.pin);
  const elsewhere = !channel.pin.startsWith(`${part.id}.`);
  const terminal = pinOf(channel.pin);
  const { edge } = channel;
  const able = kindOf(part).terminals.filter((t) => t.can?.includes('interrupt'));
  const notes =
    edge === undefined ||
    (able.some((t) => t.id === terminal) && (board.notes?.(terminal, pinEdge(edge)) ?? true));
  const reader = channelReader(design, channel.pin);
  const shares = design.channels.filter((c) => c.edge && c.pin === channel.pin).length > 1;
  const told: Told[] = [
    ...(asked ? partLacks(board, part, asked) : []),
    [
      reader?.by === 'readout' && !asked,
      'Its part is asked in a way of its own, which no program here knows',
      'Read a level, a voltage, or a chip with registers on a two-wire bus in its place.',
    ],
    [
      !reader || (elsewhere && reader.by !== 'readout'),
      'It is not read at a pin of the board',
      'Put it on one of its pins.',
    ],
    [
      !notes,
      `It reads as the pin turns (${edge}), which ${terminal} does not note`,
      `Put it on a pin that does: ${able.map((t) => t.id).join(', ')}.`,
    ],
    [
      channel.edge !== undefined && shares,
      'Two channels read on an edge of one pin',
      'Let one of them read on an edge.',
    ],
    [
      reader?.by === 'readout' && reader.names && isSmoothed(channel),
      'It smooths numbers that name something, or learns a baseline of them',
      'Read each as it is: there is nothing between two names.',
    ],
    [
      !isWholeMs(channel.every),
      'Its period is no whole number of milliseconds',
      'The clock of the board counts milliseconds: read it at whole ones.',
    ],
  ];
  return told.flatMap(([is, reason, cure]) => (is ? [{ place, reason, cure }] : []));
}

const isSmoothed = ({ filter, baseline }: Channel): boolean =>
  (filter?.n ?? 1) > 1 || baseline !== undefined;

const isWholeMs = (seconds: number): boolean =>
  seconds >= 0.001 && Math.abs(seconds * 1000 - Math.round(seconds * 1000)) < 1e-6;

function outputLacks(design: Design, board: Board, part: Part, output: Output): Lack[] {
  const place = `output ${output.name}`;
  if (!output.pin.startsWith(`${part.id}.`))
    return [{ place, reason: 'It is not a pin of the board', cure: 'Put it on one of its pins.' }];
  const pin = kindOf(part).terminals.find((t) => t.id === pinOf(output.pin));
  const dims = isDimmed(design, output);
  if (dims && !board.writeShare)
    return [
      {
        place,
        reason: 'It is dimmed, and programs for this board only switch',
        cure: 'Switch it, or dim it by a small controller.',
      },
    ];
  const short = drivesOf(design, output.id)
    .flatMap((d) => (d.as === 'pattern' ? d.beats : []))
    .find((beat) => Math.abs(milliseconds(beat) / 1000 - beat) > 0.05 * beat);
  if (short !== undefined)
    return [
      {
        place,
        reason: `It is to beat for ${short * 1000} ms, and the clock of the program counts whole milliseconds`,
        cure: 'Let it beat for whole ones; a tone is a share of the time (50 %) on a pin that can be dimmed.',
      },
    ];
  const able = pin?.can?.includes('pwm') && (board.dims?.(pin.id) ?? true);
  if (dims && !able)
    return [
      {
        place,
        reason: `It is dimmed, and ${pinOf(output.pin)} only switches`,
        cure: 'Put it on a pin that can be dimmed.',
      },
    ];
  return chopLacks(design, part, output, dims);
}

/** Pins that are driven by two, or driven and read. */
const twiceLacks = ({ outputs, channels }: Design): Lack[] =>
  outputs.flatMap(({ pin, name }, i) => {
    const rival =
      outputs.slice(0, i).find((o) => o.pin === pin) ?? channels.find((c) => c.pin === pin);
    return rival
      ? [
          {
            place: `pin ${pinOf(pin)}`,
            reason: `It is used twice, by ${rival.name} and by ${name}`,
            cure: 'Put one of them on another pin.',
          },
        ]
      : [];
  });

/** What ends a program that hangs. */
function hangLacks({ controller: { watchdog } }: Design, { watches = 0, label }: Board): Lack[] {
  if (watchdog === undefined || watchdog <= watches) return [];
  const place = 'controller';
  if (watches === 0)
    return [
      {
        place,
        reason: `A watchdog looks after the program, and programs for a ${label} have none yet`,
        cure: 'Leave it out, or take another language or board: MicroPython and the 8-bit boards have one.',
      },
    ];
  return [
    {
      place,
      reason: `Its watchdog waits ${watchdog} s; the board's waits ${watches} s at most`,
      cure: `Let it wait ${watches} s or less.`,
    },
  ];
}

/** Counts are of 32 bits. */
const countLacks = ({ counters }: Design): Lack[] =>
  counters
    .filter(({ least, most }) => most - least >= largest || -least > largest || most > largest)
    .map(({ name }) => ({
      place: `counter ${name}`,
      reason: 'It counts further than 32 bits hold',
      cure: 'Bring its limits nearer to each other.',
    }));
const largest = 2 ** 31 - 1;
