/** The programs of the demo designs decide as they were rehearsed: pass by pass, on random courses of what pins read. */
import { readdirSync } from 'node:fs';
import fc from 'fast-check';
import { demo } from '../testing/demo.js';
import { eightBitBoard, lacksOf, radioBoard, type Board } from './index.js';
import { arbitraryCourse } from './testing/arbitrary-course.js';
import { playOnHost, type Job } from './testing/host.js';
import { playInPython } from './testing/python-host.js';
import { differences } from './testing/random-jobs.js';

const demos = readdirSync('demo').map((file) => demo(file.replace('.yurei.json', '')));

/** Those of a board, with courses that they play. */
const jobs = (board: Board, each: number, length: number): Job[] =>
  demos
    .filter((design) => lacksOf(design, board).length === 0)
    .map((design, i) => ({
      design,
      courses: fc.sample(arbitraryCourse(design, length), { seed: i + 1, numRuns: each }),
    }));

it('the compiled programs of the demo designs decide as they were rehearsed', () => {
  const all = jobs(eightBitBoard, 20, 20_000);
  expect(all.length).toBeGreaterThan(12);
  expect(differences(all, playOnHost(all))).toEqual([]);
});

it('those in Python do too', () => {
  const all = jobs(radioBoard, 10, 6000);
  expect(all.length).toBe(11);
  expect(differences(all, playInPython(radioBoard, all))).toEqual([]);
});
