/** Random programs in C++ decide as they were rehearsed: pass by pass, on random courses of what pins read. */
import { eightBitBoard } from './index.js';
import { onEightBitBoard } from './testing/boards-on.js';
import { playOnHost } from './testing/host.js';
import { differences, randomJobs } from './testing/random-jobs.js';

it('random programs decide as they were rehearsed', () => {
  const asked = { programs: 300, each: 31, length: 2000 };
  const jobs = randomJobs(onEightBitBoard, eightBitBoard, asked);
  expect(differences(jobs, playOnHost(jobs))).toEqual([]);
});
