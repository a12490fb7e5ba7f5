/** Random programs of the radio board in C++, deep sleep with them, decide as they were rehearsed. */
import type { Design } from '../design/index.js';
import { radioBoardCpp, writeFirmware } from './index.js';
import { onRadioBoard } from './testing/boards-on.js';
import { playOnHost, type Job } from './testing/host.js';
import { differences, randomJobs } from './testing/random-jobs.js';

const jobs = randomJobs({ ...onRadioBoard, watched: false }, radioBoardCpp, {
  ...{ programs: 60, each: 8, length: 3000 },
});
const textOf = ({ design }: Job): string => writeFirmware(design, radioBoardCpp).written.text;

it('random programs decide as they were rehearsed, compiled', () => {
  expect(
    jobs.filter((job) => textOf(job).includes('esp_light_sleep_start')).length,
  ).toBeGreaterThan(4);
  expect(differences(jobs, playOnHost(jobs, radioBoardCpp))).toEqual([]);
});

/** The same with outputs that only switch: what is dimmed keeps a board from deep sleep. */
const switching = (design: Design): Design =>
  JSON.parse(
    JSON.stringify({
      ...design,
      channels: design.channels.map(({ edge: _, remembers: __, ...c }) => c),
    }),
    (key, value: unknown) =>
      key === 'fade'
        ? undefined
        : key === 'drive' && (value as { as: string }).as === 'level'
          ? { as: 'on' }
          : value,
  ) as Design;

it('those that sleep deeply begin anew each time, and go on as if they had not', () => {
  const sleep = { every: 0.4, awake: 0.05 };
  const deep = jobs.map(({ design, courses }): Job => {
    const made = switching(design);
    return { courses, design: { ...made, controller: { ...made.controller, sleep } } };
  });
  for (const job of deep)
    expect(textOf(job)).toMatch(/if \(digitalRead.*\) \{\n {4}esp_deep_sleep_start/);
  expect(differences(deep, playOnHost(deep, radioBoardCpp))).toEqual([]);
});
