import type { Design, Scene } from '../design/index.js';
import { day, Days, levelsOf, type Levels, type Pace } from './pace.js';

/** How long the batteries of a design carry it. */
export interface RunDown {
  /** Until then, s; Infinity where they are charged as much as they are emptied. */
  lasts: number;
  /** The battery that is emptiest then, and the share of its charge that is left. */
  part: string;
  left: number;
  /** What it no longer does then. */
  because: string;
  /** Share of its charge that each battery loses in a day at first: on the average, and were nothing to happen. */
  aDay: Record<string, { all: number; atRest: number }>;
  /** The course of their levels. */
  course: { t: number; levels: Record<string, number> }[];
}

/** The level of a battery changes by so much in one stretch over which its pace is taken for one. */
const stretch = 0.2;
/** The end is found to this part of a stretch: 2^−5. */
const halvings = 5;
/** Less of its charge is none. */
const empty = 1e-3;
/** Longer than this nothing is reckoned: batteries leak and age, s. */
const longest = 20 * 365.25 * day;

/**
 * Follows batteries down through days that are alike, by the midpoint rule over their levels; each pace is that of a scene
 * and of rest, followed in time with batteries as they stand then.
 *
 * @param times how often the scene comes in a day
 * @returns undefined without batteries, and where the scene cannot be followed to its end
 */
export function runDown(design: Design, scene: Scene, times: number): RunDown | undefined {
  let levels = levelsOf(design);
  if (levels.size === 0) return undefined;
  const days = new Days(design, scene, times);
  if (days.halted) return undefined;
  const course = [{ t: 0, levels: Object.fromEntries(levels) }];
  const ends = (t: number, at: Levels, because: string): RunDown => {
    const [part = '', left = 0] = [...at].sort(([, a], [, b]) => a - b)[0] ?? [];
    if (t > 0 && t < Infinity) course.push({ t, levels: Object.fromEntries(at) });
    return { lasts: t, part, left, because, aDay: aDayOf(days.first), course };
  };
  const endsWithin = (t: number, at: Levels, by: Pace, within: Ending): RunDown => {
    const { to: after, because } = findEnd(days, at, by, within);
    return ends(t + after, moved(at, by, after), because);
  };
  let pace = days.first;
  if (pace.fails !== undefined) return ends(0, levels, pace.fails);
  for (let t = 0; ;) {
    const span = spanOf(levels, pace);
    if (span === Infinity) return ends(Infinity, levels, 'it is charged as much as it is emptied');
    if (t + span > longest)
      return ends(longest, moved(levels, pace, longest - t), 'it is followed no further');
    const middle = days.at(moved(levels, pace, span / 2));
    if (middle.fails !== undefined)
      return endsWithin(t, levels, pace, { from: 0, to: span / 2, because: middle.fails });
    const next = days.at(moved(levels, middle, span));
    if (next.fails !== undefined)
      return endsWithin(t, levels, middle, { from: span / 2, to: span, because: next.fails });
    levels = moved(levels, middle, span);
    t += span;
    course.push({ t, levels: Object.fromEntries(levels) });
    pace = next;
  }
}

/** Until the first battery has changed by a stretch, or is empty, s. */
function spanOf(levels: Levels, { falls }: Pace): number {
  const spans = [...falls].flatMap(([part, fall]) =>
    fall > 0 ? [Math.min(stretch, levels.get(part) ?? 0) / fall] : [],
  );
  return Math.min(Infinity, ...spans);
}

const moved = (levels: Levels, { falls }: Pace, seconds: number): Levels =>
  new Map(
    [...levels].map(([part, level]) => {
      const now = level - (falls.get(part) ?? 0) * seconds;
      return [part, now < empty ? 0 : Math.min(1, now)];
    }),
  );

/** Two moments of a stretch, s: at the first all is fine, at the second it fails. */
interface Ending {
  from: number;
  to: number;
  because: string;
}

/** The same closer to each other, by halving. */
function findEnd(days: Days, levels: Levels, pace: Pace, within: Ending): Ending {
  let { from, to, because } = within;
  for (let i = 0; i < halvings; i++) {
    const middle = (from + to) / 2;
    const { fails } = days.at(moved(levels, pace, middle));
    if (fails === undefined) from = middle;
    else [to, because] = [middle, fails];
  }
  return { from, to, because };
}

const aDayOf = ({ falls, atRest }: Pace): RunDown['aDay'] =>
  Object.fromEntries(
    [...falls].map(([part, fall]) => [
      part,
      { all: day * fall, atRest: day * (atRest.get(part) ?? 0) },
    ]),
  );
