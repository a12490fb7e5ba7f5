import { kindOf, nameNet, sayReading, surroundings, type NamedNet } from '@yurei/core/catalog';
import { deriveNets, splitRef, type Design, type Part } from '@yurei/core/design';
import { levelsAtRest, sayRule } from '@yurei/core/logic';
import { formatQuantity } from '@yurei/core/quantity';
import {
  countUpTo,
  counterTrace,
  energyTrace,
  idleBands,
  modeBands,
  ruleBands,
  sequenceBands,
  type Band,
  type Rehearsal,
  type Trace,
} from '@yurei/core/rehearsal';
import { rangeOf } from '../common/trace-path';

interface Named {
  key: string;
  name: string;
}

/** Something that is drawn as a line over time. */
export interface TraceRow extends Named {
  as: 'trace';
  trace: Trace;
  range: readonly [low: number, high: number];
  /** Drawn straight from value to value; else each is held until the next. */
  straight: boolean;
  /** It acts: drawn in the colour of firing. */
  acts: boolean;
  /** Where it trips and where it clears. */
  levels: readonly { value: number; side: 'trip' | 'clear' }[];
  say: (value: number) => string;
}

/** Something that is or is not, or is one of several. */
export interface BandRow extends Named {
  as: 'bands';
  bands: readonly (Band & { text: string })[];
  acts: boolean;
  /** One band follows the other without a gap: drawn light and dark in turn. */
  inTurn: boolean;
  /** What it is where there is no band. */
  none: string;
}

export type TimeRow = TraceRow | BandRow;

/** Rows that are folded together. */
export interface RowGroup {
  id: 'felt' | 'read' | 'program' | 'acts' | 'supply';
  name: string;
  rows: readonly TimeRow[];
}

/** A rehearsal as rows over one time axis, in the order in which a signal passes; groups without rows are left out. */
export function rowGroups(design: Design, rehearsal: Rehearsal): RowGroup[] {
  const groups: RowGroup[] = [
    { id: 'felt', name: 'what is felt', rows: feltRows(design, rehearsal) },
    { id: 'read', name: 'what is read', rows: readRows(design, rehearsal) },
    { id: 'program', name: 'what the program does', rows: programRows(design, rehearsal) },
    { id: 'acts', name: 'what acts', rows: actingRows(design, rehearsal) },
    { id: 'supply', name: 'supply', rows: supplyRows(design, rehearsal) },
  ];
  return groups.filter((group) => group.rows.length > 0);
}

const traceRow = (row: Pick<TraceRow, 'key' | 'name' | 'trace' | 'say'> & Partial<TraceRow>) => ({
  as: 'trace' as const,
  range: rangeOf(row.trace),
  straight: false,
  acts: false,
  levels: [],
  ...row,
});

/** What each sensor is there for, and whatever else of what it answers to changes. */
const feltRows = (design: Design, { felt }: Rehearsal): TimeRow[] =>
  design.parts.flatMap((part) =>
    (kindOf(part).senses?.quantities ?? []).flatMap((quantity, i): TimeRow[] => {
      const trace = felt[`${part.id} ${quantity}`];
      const isMain = i === 0 && kindOf(part).stage === 'feels';
      if (!trace || (!isMain && trace.times.length < 2)) return [];
      const { label, unit } = surroundings[quantity];
      const [main] = label.toLowerCase().split(',');
      const say = (value: number): string => formatQuantity(value, unit);
      return [
        traceRow({ key: `felt ${part.id} ${quantity}`, name: `${part.id} · ${main}`, trace, say }),
      ];
    }),
  );

/** Readings with their levels, drawn to a scale on which both are seen. */
const readRows = (design: Design, { readings }: Rehearsal): TimeRow[] =>
  design.channels.flatMap((channel) => {
    const trace = readings[channel.id];
    const first = trace?.values[0];
    if (!trace || first === undefined) return [];
    const levels = levelsAtRest(channel, first).flatMap(({ trip, clear }) => [
      { value: trip, side: 'trip' as const },
      { value: clear, side: 'clear' as const },
    ]);
    const [low, high] = rangeOf(trace);
    const values = levels.map((l) => l.value);
    const range = [Math.min(low, ...values), Math.max(high, ...values)] as const;
    const say = (value: number): string => sayReading(design, channel.pin, value);
    const name = `${splitRef(channel.pin).terminal} · ${channel.name}`;
    return [traceRow({ key: `read ${channel.id}`, name, trace, range, levels, say })];
  });

function programRows(design: Design, rehearsal: Rehearsal): TimeRow[] {
  const says = (bands: readonly Band[], text: (band: Band) => string) =>
    bands.map((band) => ({ ...band, text: text(band) }));
  return [
    ...design.machines.map(({ id, name, modes }): TimeRow => ({
      as: 'bands',
      key: `mode ${id}`,
      name,
      bands: says(
        modeBands(design, rehearsal, id),
        ({ label }) => modes.find((m) => m.id === label)?.name ?? label,
      ),
      acts: false,
      inTurn: true,
      none: '',
    })),
    ...design.rules.map((rule): TimeRow => ({
      as: 'bands',
      key: `rule ${rule.id}`,
      name: sayRule(design, rule),
      bands: says(ruleBands(rehearsal, rule.id), () => 'active'),
      acts: false,
      inTurn: false,
      none: '',
    })),
    ...design.sequences.map(({ id, name }): TimeRow => ({
      as: 'bands',
      key: `sequence ${id}`,
      name,
      bands: says(sequenceBands(rehearsal, id), () => 'plays'),
      acts: false,
      inTurn: false,
      none: '',
    })),
    ...design.counters.map(({ id, name }): TimeRow =>
      traceRow({ key: `counter ${id}`, name, trace: counterTrace(rehearsal, id), say: String }),
    ),
    ...design.outputs.flatMap(({ id, name, pin }): TimeRow[] => {
      const trace = rehearsal.outputs[id];
      if (!trace) return [];
      const title = `${splitRef(pin).terminal} · ${name}`;
      return [traceRow({ key: `output ${id}`, name: title, trace, range: [0, 1], say: sayShare })];
    }),
    ...idleRow(rehearsal),
  ];
}

const sayShare = (share: number): string =>
  share <= 0 ? 'off' : share >= 1 ? 'on' : `${Math.round(100 * share)} %`;

function idleRow(rehearsal: Rehearsal): TimeRow[] {
  const bands = idleBands(rehearsal).map((band) => ({ ...band, text: band.label }));
  if (bands.length === 0) return [];
  return [
    {
      as: 'bands',
      key: 'idle',
      name: 'Controller',
      bands,
      acts: false,
      inTurn: false,
      none: 'runs its program',
    },
  ];
}

const actingRows = (design: Design, rehearsal: Rehearsal): TimeRow[] =>
  design.parts.flatMap((part): TimeRow[] => {
    const { acts } = kindOf(part);
    if (!acts) return [];
    const { acting, duration } = rehearsal;
    const relays = relayRows(part, acts.word, rehearsal);
    // Of a board with one relay its own row says the same.
    if (relays.length > 1) return relays;
    const changes = acting.filter((a) => a.part === part.id);
    const bands = changes.flatMap(({ t, active }, i) =>
      active
        ? [{ from: t, to: changes[i + 1]?.t ?? duration, label: acts.word, text: acts.word }]
        : [],
    );
    const none = `not ${acts.word}`;
    return [
      {
        as: 'bands',
        key: `acts ${part.id}`,
        name: part.name,
        bands,
        acts: true,
        inTurn: false,
        none,
      },
    ];
  });

/** Each relay of a board for itself. */
const relayRows = (part: Part, word: string, { relays, duration }: Rehearsal): TimeRow[] =>
  Object.entries(relays)
    .filter(([key]) => key.startsWith(`${part.id} `))
    .map(([key, { times, values }]) => ({
      as: 'bands',
      key: `acts ${key}`,
      name: `${part.id} · ${key.slice(part.id.length + 1)}`,
      bands: times.flatMap((from, i) =>
        (values[i] ?? 0) > 0
          ? [{ from, to: times[i + 1] ?? duration, label: word, text: word }]
          : [],
      ),
      acts: true,
      inTurn: false,
      none: `not ${word}`,
    }));

function supplyRows(design: Design, rehearsal: Rehearsal): TimeRow[] {
  const isSupply = (net: NamedNet): boolean => net.nature === 'supply';
  const volts = deriveNets(design)
    .map((net) => nameNet(design, net))
    .filter(isSupply)
    .flatMap(({ id, name }): TimeRow[] => {
      const trace = rehearsal.nets[id];
      if (!trace) return [];
      const [low, high] = rangeOf(trace);
      // A ripple of a few millivolts is not to look like a breakdown.
      const range = [Math.min(low, 0.95 * high), Math.max(high, 1.02 * high)] as const;
      const say = (value: number): string => formatQuantity(value, 'V');
      return [traceRow({ key: `net ${id}`, name, trace, range, say })];
    });
  const { watts } = rehearsal;
  if (watts.times.length === 0) return volts;
  const energy = energyTrace(rehearsal);
  return [
    ...volts,
    traceRow({
      key: 'power',
      name: 'Power',
      trace: watts,
      range: [0, rangeOf(watts)[1]],
      say: (value) => formatQuantity(value, 'W'),
    }),
    traceRow({
      key: 'energy',
      name: 'Energy',
      trace: energy,
      straight: true,
      say: (value) => formatQuantity(value, 'J'),
    }),
  ];
}

/** The value of a straight line between two times, else what was held last. */
export function rowValue({ trace, straight }: TraceRow, t: number): number | undefined {
  const { times, values } = trace;
  const i = countUpTo(times, t, (time) => time) - 1;
  if (i < 0) return undefined;
  const [from, to, before = NaN, after = before] = [
    times[i],
    times[i + 1],
    values[i],
    values[i + 1],
  ];
  if (!straight || from === undefined || to === undefined) return before;
  return before + ((t - from) / (to - from)) * (after - before);
}
