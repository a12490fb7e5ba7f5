import type { Channel, ReadingSet } from '../design/index.js';
import { beyond, levelsOf } from '../logic/index.js';
import { exactBounds, type Share } from './binomial.js';
import type { Measured } from './measure.js';
import { noiseOf } from './noise.js';

/** What one set says. Counts are raw; values are in what the threshold is in. */
export interface SetJudgement {
  id: string;
  name: string;
  intent: ReadingSet['intent'];
  readings: number;
  /** Lowest, mean and highest count, and the spread, counts. */
  low: number;
  mean: number;
  high: number;
  sd: number;
  correlation: number | undefined;
  /** Of its readings those that lie beyond the line. */
  beyond: Share;
  /** From the line to its reading that lies nearest the wrong side; below 0 on the wrong side. */
  margin: number;
  /** The same for the mean, in standard deviations; undefined without spread. */
  deviations: number | undefined;
  /** Share of readings at either end of what can be read. */
  saturated: number;
}

/** The readings of a set that count. */
export function kept({ counts, excluded }: Pick<ReadingSet, 'counts' | 'excluded'>): number[] {
  if (excluded.length === 0) return counts;
  const out = new Set(excluded.map((x) => x.at));
  return counts.filter((_, i) => !out.has(i));
}

/** Judges each set by itself. */
export function judgeSets(
  raw: readonly ReadingSet[],
  { sets, side, from }: Measured,
  channel: Channel,
  full: number,
): SetJudgement[] {
  const levels = levelsOf(channel, from);
  return raw.map((set, i): SetJudgement => {
    const { counts, id, name, intent } = set;
    const values = sets[i]?.counts ?? [];
    const n = counts.length;
    const { mean, sd, correlation } =
      n > 1 ? noiseOf(counts) : { mean: counts[0] ?? NaN, sd: 0, correlation: undefined };
    const passed = counts.filter((c) => levels.some((l) => beyond(l, c))).length;
    const [low, high] = extremes(counts);
    const [least, most] = extremes(values);
    // Wanted readings should lie beyond the line, all others before it.
    const right = (side === 'above') === (intent === 'wanted') ? 1 : -1;
    const worst = right > 0 ? least : most;
    const spread = n > 1 ? noiseOf(values) : undefined;
    return {
      id,
      name,
      intent,
      readings: n,
      low,
      mean,
      high,
      sd,
      correlation,
      beyond: exactBounds(passed, n),
      margin: right * (worst - channel.threshold),
      deviations:
        spread && spread.sd > 0
          ? (right * (spread.mean - channel.threshold)) / spread.sd
          : undefined,
      saturated: counts.filter((c) => c <= 0 || c >= full).length / n,
    };
  });
}

/** Lowest and highest, also of very many. */
function extremes(values: readonly number[]): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const v of values) {
    if (v < low) low = v;
    if (v > high) high = v;
  }
  return [low, high];
}
