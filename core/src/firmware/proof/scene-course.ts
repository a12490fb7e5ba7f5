import type { Design } from '../../design/index.js';
import { milliseconds } from '../../code/index.js';
import type { Course, Stand } from './course.js';

/** What a proof takes from a rehearsal: what each channel read when, and when the controller was without power. */
export interface Played {
  /** s. */
  duration: number;
  readings: Readonly<Record<string, { times: readonly number[]; values: readonly number[] }>>;
  outages: readonly { to: number }[];
}

/**
 * What the pins read in a rehearsal, as a course for a program.
 *
 * @param clock time of day at its beginning, s after midnight
 */
export function courseOf(
  design: Design,
  { duration, readings, outages }: Played,
  clock: number,
): Course {
  const length = milliseconds(duration);
  const changes = design.channels.flatMap(({ id }) => {
    const { times = [], values = [] } = readings[id] ?? {};
    return times.flatMap((at, i) => {
      const counts = Math.round(values[i] ?? 0);
      const same = i > 0 && counts === Math.round(values[i - 1] ?? 0);
      return same ? [] : [{ at: milliseconds(at), channel: id, counts }];
    });
  });
  const cuts = [...new Set(outages.map(({ to }) => milliseconds(to)))];
  return {
    ...{ length, clock: milliseconds(clock) },
    changes: changes.sort((a, b) => a.at - b.at),
    cuts: cuts.filter((at) => at > 0 && at < length).sort((a, b) => a - b),
  };
}

/** When a program makes a pass: whenever the rehearsed logic did, and as pins turn or power is back. */
export const momentsOf = (course: Course, rehearsed: readonly Stand[]): number[] =>
  [
    ...new Set([
      ...rehearsed.map(({ at }) => at),
      ...course.changes.map(({ at }) => at),
      ...course.cuts,
    ]),
  ].sort((a, b) => a - b);
