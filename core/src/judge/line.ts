import { consecutive, type ReadingSet } from '../design/index.js';
import { spreadOf } from '../quantity/index.js';
import { exactBounds, scoreBounds, type Share } from './binomial.js';
import { upperTail } from './normal.js';

/** What was the case while readings were taken: to be noticed, nothing, or something else that happens. */
export const intents = ['wanted', 'quiet', 'nuisance'] as const;
export type Intent = ReadingSet['intent'];

/** Readings taken in one situation, in their order. */
export type Readings = Readonly<Pick<ReadingSet, 'name' | 'intent'>> & {
  counts: readonly number[];
};

/** On which side of a line a reading speaks for the wanted. */
export type Side = 'above' | 'below';

/** What one mistake costs against the other. */
export interface Costs {
  miss: number;
  false: number;
}

/** Both errors of a line, with what they cost. */
export interface LineErrors {
  line: number;
  /** Of the wanted readings those that do not pass. */
  misses: Share;
  /** Of all others those that do. */
  falses: Share;
  /** Shares times their costs, added up; equally many wanted and other readings. */
  cost: number;
}

const ascending = (counts: readonly number[]): Float64Array => Float64Array.from(counts).sort();

/** All readings of each kind, sorted: worked out once for the same sets. */
interface Pool {
  wanted: Float64Array;
  other: Float64Array;
}
const pools = new WeakMap<readonly Readings[], Pool>();

function poolOf(sets: readonly Readings[]): Pool {
  const known = pools.get(sets);
  if (known) return known;
  const all = (wanted: boolean): Float64Array =>
    ascending(sets.filter((s) => (s.intent === 'wanted') === wanted).flatMap((s) => s.counts));
  const pool = { wanted: all(true), other: all(false) };
  pools.set(sets, pool);
  return pool;
}

/** How many of sorted readings lie beyond a line. */
function beyondLine(sorted: Float64Array, line: number, trips: Side): number {
  return trips === 'above'
    ? sorted.length - countBelow(sorted, line, true)
    : countBelow(sorted, line);
}

const rate = ({ events, tries }: Share): number => (tries === 0 ? 0 : events / tries);

/** The errors that a line makes on readings, with exact bounds. */
export function errorsAt(
  sets: readonly Readings[],
  trips: Side,
  line: number,
  costs: Costs = { miss: 1, false: 1 },
): LineErrors {
  const { wanted, other } = poolOf(sets);
  const missed = wanted.length - beyondLine(wanted, line, trips);
  const wrong = beyondLine(other, line, trips);
  const misses = exactBounds(missed, wanted.length);
  const falses = exactBounds(wrong, other.length);
  return { line, misses, falses, cost: costs.miss * rate(misses) + costs.false * rate(falses) };
}

/**
 * The line that costs least, in the middle of the widest gap between readings among equals.
 *
 * @throws RangeError without wanted or without other readings: then no line is better than another
 */
export function bestLine(
  sets: readonly Readings[],
  trips: Side,
  costs: Costs = { miss: 1, false: 1 },
): LineErrors & { gap: number } {
  const { wanted, other } = poolOf(sets);
  if (wanted.length === 0 || other.length === 0)
    throw new RangeError('Give readings that are to be noticed and readings that are not.');
  const errors = costsBetween(wanted, other, trips, costs);
  const [best] = consecutive(new Set(merged(wanted, other)))
    .map(([a, b]) => ({ line: (a + b) / 2, gap: b - a, cost: errors((a + b) / 2) }))
    .sort((a, b) => a.cost - b.cost || b.gap - a.gap);
  if (!best) throw new RangeError('All readings are the same: no line parts them.');
  return { ...errorsAt(sets, trips, best.line, costs), gap: best.gap };
}

/** One line of many: shares of both errors, as read and as normal distributions of the same mean and spread tell. */
export interface CurvePoint {
  line: number;
  misses: number;
  falses: number;
  missesFitted: number;
  falsesFitted: number;
  /** Within which the true shares lie, about 95 % sure (score bounds). */
  missesWithin: readonly [number, number];
  falsesWithin: readonly [number, number];
}

/**
 * Both errors against the line, over all readings in equal steps; 0 where there are none of a kind.
 */
export function errorCurve(sets: readonly Readings[], trips: Side, points = 200): CurvePoint[] {
  const { wanted, other } = poolOf(sets);
  if (wanted.length + other.length === 0) return [];
  const all = merged(wanted, other);
  const [low, high] = [all.at(0) ?? 0, all.at(-1) ?? 0];
  const room = Math.max(1, 0.05 * (high - low));
  const share = (sorted: Float64Array, line: number): number =>
    sorted.length === 0 ? 0 : beyondLine(sorted, line, trips) / sorted.length;
  const within = (events: number, tries: number): readonly [number, number] => {
    if (tries === 0) return [0, 0];
    const { low, high } = scoreBounds(events, tries);
    return [low, high];
  };
  const [missFit, falseFit] = [fitted(sets, trips, true), fitted(sets, trips, false)];
  return Array.from({ length: points + 1 }, (_, i) => {
    const line = low - room + ((high - low + 2 * room) * i) / points;
    return {
      line,
      misses: wanted.length > 0 ? 1 - share(wanted, line) : 0,
      falses: share(other, line),
      missesFitted: wanted.length > 0 ? 1 - missFit(line) : 0,
      falsesFitted: falseFit(line),
      missesWithin: within(wanted.length - beyondLine(wanted, line, trips), wanted.length),
      falsesWithin: within(beyondLine(other, line, trips), other.length),
    };
  });
}

/** Share of readings beyond a line, each set taken as normal, weighted by how many it has. */
function fitted(sets: readonly Readings[], trips: Side, wanted: boolean): (line: number) => number {
  const chosen = sets.filter((s) => (s.intent === 'wanted') === wanted && s.counts.length > 0);
  const moments = chosen.map(({ counts }) => spreadOf(counts));
  const all = moments.reduce((sum, m) => sum + m.n, 0);
  const sign = trips === 'above' ? 1 : -1;
  return (line) =>
    moments.reduce((sum, { n, mean, sd }) => {
      const away = sign * (line - mean);
      const share = sd > 0 ? upperTail(away / sd) : away < 0 ? 1 : 0;
      return sum + (n / all) * share;
    }, 0);
}

/** The cost of a line, by counting in sorted readings. */
function costsBetween(
  wanted: Float64Array,
  other: Float64Array,
  trips: Side,
  costs: Costs,
): (line: number) => number {
  return (line) =>
    costs.miss * (1 - beyondLine(wanted, line, trips) / wanted.length) +
    (costs.false * beyondLine(other, line, trips)) / other.length;
}

/** Two sorted lists as one. */
function merged(a: Float64Array, b: Float64Array): Float64Array {
  const all = new Float64Array(a.length + b.length);
  let [i, j] = [0, 0];
  for (let k = 0; k < all.length; k++) {
    const [left = Infinity, right = Infinity] = [a[i], b[j]];
    all[k] = Math.min(left, right);
    if (left <= right) i += 1;
    else j += 1;
  }
  return all;
}

/** How many of sorted numbers are below a value, or below and equal to it. */
function countBelow(sorted: Float64Array, value: number, orEqual = false): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const there = sorted[middle] ?? Infinity;
    if (there < value || (orEqual && there === value)) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * How well readings can be told apart at all: the probability that a wanted one lies beyond another one, ties
 * counted half. The area under the ROC curve (Hanley and McNeil, Radiology 143, 1982); 0.5 is guessing, undefined
 * where there is no such pair.
 */
export function rocArea(sets: readonly Readings[], trips: Side): number | undefined {
  const { wanted, other } = poolOf(sets);
  if (wanted.length === 0 || other.length === 0) return undefined;
  let [below, upTo, pairs] = [0, 0, 0];
  for (const w of wanted) {
    while ((other[below] ?? Infinity) < w) below += 1;
    while ((other[upTo] ?? Infinity) <= w) upTo += 1;
    const ties = upTo - below;
    pairs += (trips === 'above' ? below : other.length - upTo) + ties / 2;
  }
  return pairs / (wanted.length * other.length);
}
