import fc from 'fast-check';
import { firstDifference, lacksOf, playCourse, type Board, type Stand } from '../index.js';
import { arbitraryCourse } from './arbitrary-course.js';
import { arbitraryProgram } from './arbitrary-program.js';
import type { On } from './boards-on.js';
import type { Job } from './host.js';

/** Random programs that a board can do, each with courses of so many ms. */
export const randomJobs = (
  on: On,
  board: Board,
  { programs, each, length }: { programs: number; each: number; length: number },
): Job[] =>
  fc
    .sample(
      arbitraryProgram(on).filter((design) => lacksOf(design, board).length === 0),
      { seed: 21, numRuns: programs },
    )
    .map((design, i) => ({
      design,
      courses: fc.sample(arbitraryCourse(design, length), { seed: i + 1, numRuns: each }),
    }));

/** Where programs first stand otherwise than they were rehearsed. */
export const differences = (jobs: readonly Job[], played: readonly Stand[][][]): string[] =>
  jobs.flatMap(({ design, courses }, i) =>
    courses.flatMap((course, k) => {
      const told = firstDifference(playCourse(design, course), played[i]?.[k] ?? []);
      return told ? [`program ${i}, ${design.title}, course ${k}: ${told}`] : [];
    }),
  );
