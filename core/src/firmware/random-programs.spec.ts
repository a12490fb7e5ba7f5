/** Random programs decide as they were rehearsed: pass by pass, on random courses of what pins read. */
import fc from 'fast-check';
import type { Board, Stand } from './index.js';
import {
  eightBitBoard,
  firstDifference,
  lacksOf,
  playCourse,
  radioBoard,
  smallComputer,
} from './index.js';
import { arbitraryCourse } from './testing/arbitrary-course.js';
import {
  arbitraryProgram,
  onEightBitBoard,
  onRadioBoard,
  onSmallComputer,
  type On,
} from './testing/arbitrary-program.js';
import { playOnHost, type Job } from './testing/host.js';
import { playInPython } from './testing/python-host.js';

const jobs = (on: On, board: Board, programs: number, each: number, length: number): Job[] =>
  fc
    .sample(
      arbitraryProgram(on).filter((design) => lacksOf(design, board).length === 0),
      { seed: 21, numRuns: programs },
    )
    .map((design, i) => ({
      design,
      courses: fc.sample(arbitraryCourse(design, length), { seed: i + 1, numRuns: each }),
    }));

const differences = (of: readonly Job[], written: readonly Stand[][][]): string[] =>
  of.flatMap(({ design, courses }, i) =>
    courses.flatMap((course, k) => {
      const told = firstDifference(playCourse(design, course), written[i]?.[k] ?? []);
      return told ? [`program ${i}, course ${k}: ${told}`] : [];
    }),
  );

it('random programs decide as they were rehearsed', () => {
  const all = jobs(onEightBitBoard, eightBitBoard, 100, 10, 6000);
  expect(differences(all, playOnHost(all))).toEqual([]);
});

it.each<[string, On, Board]>([
  ['a radio board', onRadioBoard, radioBoard],
  ['a small computer', onSmallComputer, smallComputer],
])('random programs in Python do too, on %s', (_, on, board) => {
  const all = jobs(on, board, 40, 5, 3000);
  expect(differences(all, playInPython(board, all))).toEqual([]);
});
