/** Random programs in Python decide as they were rehearsed: pass by pass, on random courses of what pins read. */
import { radioBoard, smallComputer, type Board } from './index.js';
import { onRadioBoard, onSmallComputer, type On } from './testing/boards-on.js';
import { playInPython } from './testing/python-host.js';
import { differences, randomJobs } from './testing/random-jobs.js';

it.each<[string, On, Board]>([
  ['a radio board', onRadioBoard, radioBoard],
  ['a small computer', onSmallComputer, smallComputer],
])('random programs decide as they were rehearsed, on %s', (_, on, board) => {
  const jobs = randomJobs(on, board, { programs: 40, each: 5, length: 3000 });
  expect(differences(jobs, playInPython(board, jobs))).toEqual([]);
});
