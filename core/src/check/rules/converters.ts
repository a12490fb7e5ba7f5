import { channelReader, kindOf, paramsOf, type ChannelReader } from '../../catalog/index.js';
import { splitRef, type Channel, type Part, type TerminalRef } from '../../design/index.js';
import { Draft } from '../../wiring/index.js';
import { allStates, solvedIn, voltsIn, type Evidence } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { across, bridge, refOf, withFix } from '../lookup.js';
import { ohms, percent, volts } from '../words.js';

type Converting = Extract<ChannelReader, { by: 'converter' }>;

/** Channels that a converter reads. */
const converted = ({ design }: Evidence): { channel: Channel; reader: Converting }[] =>
  design.channels.flatMap((channel) => {
    const reader = channelReader(design, channel.pin);
    return reader?.by === 'converter' ? [{ channel, reader }] : [];
  });

export const sourceResistance: Rule = {
  code: 'source-resistance-high',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A source too weak for the converter to sample',
  bench:
    'The reading leans towards the pin that was read before: two sensors seem to follow each other.',
  source:
    'Charging of the sampling capacitor, 1 − e^(−t/RC) (closed form); data sheets ask for 10 kΩ or less.',
  find: (evidence) =>
    converted(evidence).flatMap(({ channel, reader }): Found[] => {
      const seen = evidence.seen(channel.pin);
      const solved = solvedIn(evidence.quiet, reader.part);
      const { wiring } = evidence;
      if (
        seen === undefined ||
        !solved ||
        !wiring.wired(channel.pin) ||
        heldByCapacitor(evidence, channel.pin)
      )
        return [];
      // The farthest that the pin read before can have been.
      const full = reader.reference(solved);
      const off = reader.share(full, solved) - reader.share(reader.sampled(full, 0, seen), solved);
      if (off < 1) return [];
      const ground = wiring.ground();
      return [
        {
          subject: channel.id,
          severity: off > reader.full / 20 ? 'error' : 'caution',
          title: `${channel.name} is read from a weak source`,
          reason: `${ohms(seen)} are seen at ${channel.pin}: a reading can be off by up to ${Math.round(off)} counts after another pin was read.`,
          about: [channel.id, splitRef(channel.pin).part],
          ...withFix(
            ground &&
              bridge(
                evidence,
                'capacitor',
                'Reading capacitor',
                { farads: 100e-9 },
                [channel.pin, ground],
                'Add 100 nF at the pin',
              ),
          ),
        },
      ];
    }),
};

/** So much at the pin gives what the source cannot: a thousand times a usual sampling capacitor, F. */
const holding = 10e-9;

function heldByCapacitor({ wiring }: Evidence, pin: TerminalRef): boolean {
  const farads = wiring
    .ends(pin)
    .map(({ part, kind }) => (kind.capacitance?.farads ?? kind.ownFarads)?.(paramsOf(part)) ?? 0);
  return farads.reduce((sum, f) => sum + f, 0) >= holding;
}

/** The supplies that a pin's divider hangs on, through two-terminal parts without a supply of their own. */
function dividerTops({ wiring }: Evidence, pin: TerminalRef): TerminalRef[] {
  const seen = new Set<string>([wiring.net(pin)]);
  const open = [pin];
  const tops: TerminalRef[] = [];
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    for (const end of wiring.ends(here)) {
      const far = wiring.beyond(end);
      if (end.kind.feed || far === undefined || seen.has(wiring.net(far))) continue;
      const nature = wiring.nature(far);
      if (nature === 'supply') tops.push(far);
      if (nature !== 'signal') continue;
      seen.add(wiring.net(far));
      open.push(far);
    }
  }
  return tops;
}

export const referenceMismatch: Rule = {
  code: 'reference-mismatch',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A divider fed from another voltage than the converter compares with',
  bench: 'The threshold wanders with the battery: right in the evening, wrong in the morning.',
  source:
    'Ratiometric reading: counts = ratio·(2^N−1) only where both voltages are one (closed form).',
  find: (evidence) =>
    converted(evidence).flatMap(({ channel, reader }): Found[] => {
      const { quiet, wiring } = evidence;
      const solved = solvedIn(quiet, reader.part);
      const board = wiring.part(reader.part);
      if (!solved || !board) return [];
      const reference = reader.reference(solved);
      const own = ownSupply(board);
      return dividerTops(evidence, channel.pin).flatMap((top): Found[] => {
        const fed = voltsIn(quiet, top);
        const isOwn =
          own !== undefined &&
          wiring.same(top, own) &&
          Math.abs((fed ?? 0) - reference) < 0.02 * reference;
        if (fed === undefined || isOwn) return [];
        const at = voltsIn(quiet, channel.pin) ?? 0;
        const tenth = reader.share(at, solved) - reader.share(0.9 * at, solved);
        const ends = at > reference;
        if (tenth < 2 && !ends) return [];
        const follows = ends
          ? `${volts(at)} stand at its pin at rest, which it cannot tell from more`
          : `if the one moves by 10 % and the other does not, the reading moves by ${Math.round(tenth)} counts`;
        const isFedByOwn = own !== undefined && wiring.same(top, own);
        const fix = isFedByOwn
          ? ownReference(board)
          : own && fed >= reference * 0.5
            ? feedFrom(evidence, top, own)
            : undefined;
        return [
          {
            subject: `${channel.id}:${wiring.net(top)}`,
            title: `${channel.name} hangs on another voltage than its converter`,
            reason: `Its divider is fed ${volts(fed)} at ${top}, the converter compares with ${volts(reference)}: ${follows}.`,
            about: [channel.id, splitRef(top).part, ...(isFedByOwn ? [board.id] : [])],
            ...withFix(fix),
          },
        ];
      });
    }),
};

/** A converter cannot compare with less, V (data sheets of 8-bit controllers ask for 1 V at least). */
const leastReference = 0.5;

export const referenceMissing: Rule = {
  code: 'reference-missing',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A converter whose reference pin is open',
  bench: 'Every reading is at full scale, or follows the hum that the open pin picks up.',
  source: 'counts = V/V_ref·(2^N−1); solved reference voltage.',
  find: (evidence) => {
    const boards = new Set(converted(evidence).map(({ reader }) => reader.part));
    return [...boards].flatMap((id): Found[] => {
      const part = evidence.wiring.part(id);
      const solved = solvedIn(evidence.quiet, id);
      const { converter, feed } = part ? kindOf(part) : {};
      if (!part || !solved || !converter || !feed) return [];
      const reference = converter.reference(solved, paramsOf(part));
      const fed = across(part, feed.plus, feed.minus)(evidence.quiet.solution) ?? 0;
      if (reference >= leastReference || fed < leastReference) return [];
      return [
        {
          subject: id,
          title: `${part.name} compares with nothing`,
          reason: `It is set to compare with a voltage of ${volts(reference)}, and is fed ${volts(fed)}.`,
          about: [id],
          ...withFix(ownReference(part)),
        },
      ];
    });
  },
};

/** A converter that can compare with its supply does so. */
function ownReference(board: Part): Fix | undefined {
  const { chosen } = kindOf(board).converter ?? {};
  return (
    chosen && {
      label: 'Compare with its supply',
      edit: { type: 'set-param', id: board.id, param: chosen.param, value: chosen.supply },
    }
  );
}

/** Where a board's own voltage can be taken: what it gives out, else what it is fed with. */
function ownSupply(board: Part): TerminalRef | undefined {
  const { terminals, feed } = kindOf(board);
  const id = terminals.find((t) => t.role === 'supply-out')?.id ?? feed?.plus;
  return id === undefined ? undefined : refOf(board, id);
}

/** Takes a divider off the supply it hangs on and puts it on the board's own. */
function feedFrom({ design }: Evidence, top: TerminalRef, own: TerminalRef) {
  const draft = new Draft(design);
  const [only, ...more] = design.wires.filter((w) => w.from === top || w.to === top);
  // Only a terminal at the end of a branch can be moved without taking others along.
  if (!only || more.length > 0) return undefined;
  draft.make({ type: 'remove-wire', id: only.id }).join(own, top, { colour: 'red' });
  return { label: `Feed ${top} from ${own}`, edit: draft.edit('feed divider') };
}

/** Less of the range than this in use is called wasted (common practice). */
const wasted = 0.1;

export const rangeWasted: Rule = {
  code: 'range-wasted',
  severity: 'note',
  consequence: 'unnoticed',
  concern: 'threshold',
  title: 'A reading that uses little of the converter’s range',
  bench: 'Wanted and unwanted lie a few counts apart: noise decides.',
  source:
    'Span of the readings at rest and in every happening; a tenth of full scale (common practice).',
  find: (evidence) =>
    converted(evidence).flatMap(({ channel, reader }): Found[] => {
      const read = allStates(evidence).flatMap((s) => s.counts.get(channel.id) ?? []);
      const span = Math.max(...read) - Math.min(...read);
      if (
        evidence.happening.length === 0 ||
        read.length < 2 ||
        span < 5 ||
        span >= wasted * reader.full
      )
        return [];
      return [
        {
          subject: channel.id,
          title: `${channel.name} uses little of its range`,
          reason: `Between rest and every happening it moves by ${span} of ${reader.full} counts, ${percent(span / reader.full)}.`,
          about: [channel.id, splitRef(channel.pin).part],
        },
      ];
    }),
};
