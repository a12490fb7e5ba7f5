/** Random programs of the radio board in C++, deep sleep with them, decide as they were rehearsed. */
import { radioBoardCpp, writeFirmware } from './index.js';
import { onRadioBoard } from './testing/boards-on.js';
import { playOnHost } from './testing/host.js';
import { differences, randomJobs } from './testing/random-jobs.js';

it('random programs decide as they were rehearsed, compiled, deep sleep and light', () => {
  const on = { ...onRadioBoard, watched: false };
  const jobs = randomJobs(on, radioBoardCpp, { programs: 60, each: 8, length: 3000 });
  const texts = jobs.map(({ design }) => writeFirmware(design, radioBoardCpp).written.text);
  expect(texts.filter((text) => text.includes('esp_deep_sleep_start')).length).toBeGreaterThan(4);
  expect(differences(jobs, playOnHost(jobs, radioBoardCpp))).toEqual([]);
});
