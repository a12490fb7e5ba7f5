import {
  everyCondition,
  type Channel,
  type Condition,
  type Design,
  type Edit,
} from '../design/index.js';
import { formatNominal, preferredValues, type Unit } from '../quantity/index.js';
import type { Nearest, Stretch } from './log-query.js';

/** A number in a design that can be changed by so much: from what it is to where it must surely be enough. */
export interface Adjustment {
  label: string;
  unit: Unit;
  from: number;
  to: number;
  whole: boolean;
  /** It can be bought in the values of the E12 series only. */
  bought?: boolean;
  /** Whether it helps can depend on where between two readings something falls: seconds between readings, to try others. */
  phase?: number;
  /** It turns all of these together. */
  joins?: readonly Adjustment[];
  edit: (design: Design, value: number) => Edit;
}

/** A turn of a knob in words: "Hits in a row of North 2, not 5". */
export function sayAdjustment(adjustment: Adjustment, value: number): string {
  if (adjustment.joins)
    return adjustment.joins.map((one) => sayAdjustment(one, turnOf(one, value))).join('; ');
  const say = (v: number): string =>
    adjustment.unit === 'counts' ? `${v} counts` : formatNominal(v, adjustment.unit);
  return `${adjustment.label} ${say(value)}, not ${say(adjustment.from)}`;
}

/** Whole where counts are, a value that can be bought where it has to be, else to two digits. */
export const rounded = (
  { whole, bought }: Pick<Adjustment, 'whole' | 'bought'>,
  value: number,
): number => {
  if (bought) return preferredValues(value, 'E12').nearest;
  return whole ? Math.round(value) : Number(value.toPrecision(2));
};

const turnOf = (adjustment: Adjustment, share: number): number =>
  rounded(adjustment, adjustment.from + share * (adjustment.to - adjustment.from));

/** Several knobs turned together, each by the same share of its way. */
export const joined = (adjustments: readonly Adjustment[]): Adjustment => ({
  label: adjustments.map((k) => k.label).join('; '),
  unit: '',
  from: 0,
  to: 1,
  whole: false,
  phase: adjustments.find((k) => k.phase !== undefined)?.phase,
  joins: adjustments,
  edit: (design, share) => ({
    type: 'batch',
    label: 'change several',
    edits: adjustments.map((adjustment) => adjustment.edit(design, turnOf(adjustment, share))),
  }),
});

/** One field of a channel, as the design has it when the edit is made. */
const ofChannel =
  (id: string, change: (channel: Channel, value: number) => Partial<Channel>) =>
  (design: Design, value: number): Edit => {
    const channel = design.channels.find((c) => c.id === id) as Channel;
    return { type: 'put-channel', channel: { ...channel, ...change(channel, value) } };
  };

/** What could let a channel trip: its line, hits in a row, period, lock-out. */
export function channelAdjustments(
  channel: Channel,
  near: Nearest | undefined,
  { from, to }: Stretch,
): Adjustment[] {
  const { id, name, every, hits, lockOut = 0, threshold } = channel;
  const often: Adjustment = {
    label: `Read ${name} every`,
    unit: 's',
    from: every,
    to: Math.max(1e-3, Math.min(every / 8, (to - from) / (4 * hits))),
    whole: false,
    phase: every,
    edit: ofChannel(id, (_, value) => ({ every: value })),
  };
  if (!near) return [often];
  const adjustments: Adjustment[] = [];
  if (near.row === 0) {
    const sign = near.level.side === 'above' && !channel.baseline ? -1 : channel.baseline ? -1 : 1;
    adjustments.push({
      label: `Threshold of ${name}`,
      unit: 'counts',
      from: threshold,
      to: Math.max(0, Math.round(threshold + sign * 1.3 * (1 - near.by))),
      whole: true,
      edit: ofChannel(id, (_, value) => ({ threshold: value })),
    });
  }
  if (near.row > 0 && near.row < hits)
    adjustments.push({
      label: `Hits in a row of ${name}`,
      unit: '',
      from: hits,
      to: Math.max(1, Math.floor(near.row / 2)),
      whole: true,
      phase: every,
      edit: ofChannel(id, (_, value) => ({ hits: value })),
    });
  if (lockOut > 0 && near.locked)
    adjustments.push({
      label: `Lock-out of ${name}`,
      unit: 's',
      from: lockOut,
      to: 0,
      whole: false,
      edit: ofChannel(id, (_, value) => ({ lockOut: value })),
    });
  return [...adjustments, often];
}

/** Reading two channels oftener tells apart what came in one pass. */
export function orderAdjustments(channels: readonly Channel[]): Adjustment[] {
  const every = Math.max(...channels.map((c) => c.every));
  return [
    {
      label: `Read ${channels.map((c) => c.name).join(' and ')} every`,
      unit: 's',
      from: every,
      to: Math.max(1e-3, every / 16),
      whole: false,
      phase: every,
      edit: (design, value) => ({
        type: 'batch',
        label: 'read oftener',
        edits: channels.map((c) => ofChannel(c.id, () => ({ every: value }))(design, value)),
      }),
    },
  ];
}

/**
 * The time in a condition, which is replaced wherever it stands in the design.
 *
 * @param time as it is, and up to where another is tried, s
 * @param by the condition with another time
 */
export const timeAdjustment = (
  label: string,
  time: { from: number; to: number },
  by: (seconds: number) => Condition,
): Adjustment => ({
  label,
  unit: 's',
  ...time,
  whole: false,
  edit: (design, value) => replaceCondition(design, by(time.from), by(value)),
});

/** Puts another condition in the place of one, wherever in rules and modes it stands. */
function replaceCondition(design: Design, old: Condition, by: Condition): Edit {
  const key = JSON.stringify(old);
  const swap = <T>(value: T): T =>
    JSON.parse(JSON.stringify(value).replaceAll(key, JSON.stringify(by))) as T;
  const named = new Set(
    everyCondition(design).flatMap(([place, c]) => (JSON.stringify(c) === key ? [place] : [])),
  );
  const rules = design.rules.filter((r) => [...named].some((p) => p.includes(`(${r.id}).`)));
  const machines = design.machines.filter((m) => [...named].some((p) => p.includes(`(${m.id}).`)));
  return {
    type: 'batch',
    label: 'change a time',
    edits: [
      ...rules.map((rule): Edit => ({ type: 'put-rule', rule: swap(rule) })),
      ...machines.map((machine): Edit => ({ type: 'put-machine', machine: swap(machine) })),
    ],
  };
}

/** What could keep a channel from tripping: more hits in a row, a line farther out. */
export function quietAdjustments(channel: Channel, near: Nearest): Adjustment[] {
  const { id, name, hits, threshold } = channel;
  const out = channel.baseline || near.level.side === 'above' ? 1 : -1;
  return [
    {
      label: `Hits in a row of ${name}`,
      unit: '',
      from: hits,
      to: Math.max(hits + 1, near.row + 2),
      whole: true,
      edit: ofChannel(id, (_, value) => ({ hits: value })),
    },
    {
      label: `Threshold of ${name}`,
      unit: 'counts',
      from: threshold,
      to: Math.max(0, Math.round(threshold + out * 1.2 * (near.by + 1))),
      whole: true,
      edit: ofChannel(id, (_, value) => ({ threshold: value })),
    },
  ];
}
