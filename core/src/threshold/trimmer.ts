import { preferredValues, type ESeries } from '../quantity/index.js';

/** Travel of a trimmer from end to end, degrees: three quarters of a turn, or fifteen turns (common practice). */
export const travel = { single: 270, multi: 15 * 360 } as const;
/** How finely a hand can set a shaft, degrees (common practice). */
export const handDegrees = 2;

/** A trimmer across a supply, perhaps with a resistor at each end. */
export interface TrimmerSpan {
  /** Ω; 0 for none. */
  top: number;
  track: number;
  bottom: number;
}

/** What a trimmer does at a wiper voltage. */
export interface TrimmerSetting {
  /** Lowest and highest wiper voltage. */
  from: number;
  to: number;
  /** Share of the travel from the lower end; outside 0 … 1 it cannot be reached. */
  share: number;
  /** V per degree. */
  perDegree: { single: number; multi: number };
  /** How far off a hand leaves it, V. */
  byHand: { single: number; multi: number };
}

/**
 * The wiper of a trimmer set to a voltage, nothing loading it (divider).
 *
 * @param supply V
 * @param target V at the wiper
 * @example trimmerSetting(5, { top: 0, track: 10e3, bottom: 0 }, 2).share // 0.4
 */
export function trimmerSetting(
  supply: number,
  { top, track, bottom }: TrimmerSpan,
  target: number,
): TrimmerSetting {
  const all = top + track + bottom;
  const from = (supply * bottom) / all;
  const to = (supply * (bottom + track)) / all;
  const per = (degrees: number): number => (to - from) / degrees;
  const perDegree = { single: per(travel.single), multi: per(travel.multi) };
  return {
    from,
    to,
    share: (target - from) / (to - from),
    perDegree,
    byHand: { single: handDegrees * perDegree.single, multi: handDegrees * perDegree.multi },
  };
}

/** End resistors that spread a span over the whole travel, with how sure the span is. */
export interface SpreadTrimmer extends TrimmerSpan {
  /** Wiper voltages that are reached whatever the tolerances are. */
  surelyFrom: number;
  surelyTo: number;
  /** How many times finer than the track alone across the supply. */
  finer: number;
}

/** Tolerances of the resistors and of the track. */
const ohmsTolerance = 0.05;
const trackTolerance = 0.2;

/**
 * End resistors of an E-series that leave a trimmer the least span in which still every voltage from `low` to
 * `high` can be set, tolerances at their worst. An end at 0 V or at the supply needs no resistor.
 *
 * @returns undefined when no pair does it, as when the span is most of the supply
 */
export function spreadTrimmer(
  supply: number,
  track: number,
  low: number,
  high: number,
  series: ESeries = 'E12',
): SpreadTrimmer | undefined {
  if (!(low >= 0 && high <= supply && low < high && track > 0)) return undefined;
  const bottoms = endValues(track, low / (high - low), series);
  const tops = endValues(track, (supply - high) / (high - low), series);
  let best: SpreadTrimmer | undefined;
  for (const bottom of bottoms)
    for (const top of tops) {
      const [from, to] = reach(supply, { top, track, bottom });
      if (from > low || to < high) continue;
      const finer = (top + track + bottom) / track;
      if (!best || finer > best.finer)
        best = { top, track, bottom, surelyFrom: from, surelyTo: to, finer };
    }
  return best && best.finer > 1 ? best : undefined;
}

/** The ends of the span that are reached at the worst of all tolerances. */
function reach(supply: number, { top, track, bottom }: TrimmerSpan): [number, number] {
  const [up, down] = [1 + ohmsTolerance, 1 - ohmsTolerance];
  const least = track * (1 - trackTolerance);
  const at = (t: number, b: number, x: number): number => (supply * x) / (t + least + b);
  return [
    at(top * down, bottom * up, bottom * up),
    at(top * up, bottom * down, bottom * down + least),
  ];
}

/** 0, and the preferred values up to a little above what the ideal end resistor is. */
function endValues(track: number, share: number, series: ESeries): number[] {
  const ideal = track * share;
  const values = [0];
  let value = ideal / 20;
  while (value > 0 && value <= ideal * 1.2 && values.length < 120) {
    const { above } = preferredValues(value, series);
    values.push(above);
    value = above * 1.0001;
  }
  return values;
}
