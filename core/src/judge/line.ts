import type { Channel } from '../design/index.js';
import { exactBounds, type Share } from './binomial.js';

/** What was the case while readings were taken: to be noticed, nothing, or something else that happens. */
export const intents = ['wanted', 'quiet', 'nuisance'] as const;
export type Intent = (typeof intents)[number];

/** Readings taken in one situation, in their order. */
export interface ReadingSet {
  name: string;
  intent: Intent;
  counts: readonly number[];
}

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

type Trips = Channel['trips'];

const passes = (count: number, line: number, trips: Trips): boolean =>
  trips === 'above' ? count > line : count < line;

const countsOf = (sets: readonly ReadingSet[], wanted: boolean): number[] =>
  sets.filter((s) => (s.intent === 'wanted') === wanted).flatMap((s) => s.counts);

const rate = ({ events, tries }: Share): number => (tries === 0 ? 0 : events / tries);

/** The errors that a line makes on readings, with exact bounds. */
export function errorsAt(
  sets: readonly ReadingSet[],
  trips: Trips,
  line: number,
  costs: Costs = { miss: 1, false: 1 },
): LineErrors {
  const [wanted, other] = [countsOf(sets, true), countsOf(sets, false)];
  const missed = wanted.filter((c) => !passes(c, line, trips)).length;
  const wrong = other.filter((c) => passes(c, line, trips)).length;
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
  sets: readonly ReadingSet[],
  trips: Trips,
  costs: Costs = { miss: 1, false: 1 },
): LineErrors & { gap: number } {
  const [wanted, other] = [countsOf(sets, true), countsOf(sets, false)];
  if (wanted.length === 0 || other.length === 0)
    throw new RangeError('Give readings that are to be noticed and readings that are not.');
  const sorted = [...new Set([...wanted, ...other])].sort((a, b) => a - b);
  if (sorted.length === 1) throw new RangeError('All readings are the same: no line parts them.');
  const gaps = sorted.slice(1).map((c, i) => ({ line: (c + sorted[i]) / 2, gap: c - sorted[i] }));
  const errors = costsBetween(wanted, other, trips, costs);
  const best = gaps
    .map((g) => ({ ...g, cost: errors(g.line) }))
    .sort((a, b) => a.cost - b.cost || b.gap - a.gap)[0];
  return { ...errorsAt(sets, trips, best.line, costs), gap: best.gap };
}

/** The cost of a line, by counting in sorted readings. */
function costsBetween(
  wanted: number[],
  other: number[],
  trips: Trips,
  costs: Costs,
): (line: number) => number {
  const below = (counts: number[]): ((line: number) => number) => {
    const sorted = [...counts].sort((a, b) => a - b);
    return (line) => countBelow(sorted, line) / sorted.length;
  };
  const [wantedBelow, otherBelow] = [below(wanted), below(other)];
  return (line) => {
    const [w, o] = [wantedBelow(line), otherBelow(line)];
    return trips === 'above'
      ? costs.miss * w + costs.false * (1 - o)
      : costs.miss * (1 - w) + costs.false * o;
  };
}

/** How many of sorted numbers are below a value, or below and equal to it. */
function countBelow(sorted: readonly number[], value: number, orEqual = false): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] < value || (orEqual && sorted[middle] === value)) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * How well readings can be told apart at all: the probability that a wanted one lies beyond another one, ties
 * counted half. The area under the ROC curve (Hanley and McNeil, Radiology 143, 1982); 0.5 is guessing, undefined
 * where there is no such pair.
 */
export function rocArea(sets: readonly ReadingSet[], trips: Trips): number | undefined {
  const [wanted, other] = [countsOf(sets, true), countsOf(sets, false).sort((a, b) => a - b)];
  if (wanted.length === 0 || other.length === 0) return undefined;
  const beyond = wanted.reduce((sum, w) => {
    const below = countBelow(other, w);
    const ties = countBelow(other, w, true) - below;
    const better = trips === 'above' ? below : other.length - below - ties;
    return sum + better + ties / 2;
  }, 0);
  return beyond / (wanted.length * other.length);
}
