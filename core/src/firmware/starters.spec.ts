/** The programs of the demo designs, compiled, decide as they were rehearsed: pass by pass, on random courses of what pins read. */
import { readdirSync } from 'node:fs';
import fc from 'fast-check';
import { channelReader } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { eightBitBoard, lacksOf } from './index.js';
import { arbitraryCourse } from './testing/arbitrary-course.js';
import { playCourse } from './testing/course.js';
import { firstDifference, playOnHost } from './testing/host.js';

const each = 20;
const length = 20_000;

/** Those whose programs are written so far. */
const designs = readdirSync('demo')
  .map((file) => demo(file.replace('.yurei.json', '')))
  .filter((design) => lacksOf(design, eightBitBoard).length === 0);

it('the compiled programs of the demo designs decide as they were rehearsed', () => {
  const jobs = designs.map((design, i) => {
    const digital = (c: Design['channels'][number]): boolean =>
      channelReader(design, c.pin)?.by === 'level';
    const courses = fc.sample(arbitraryCourse(design.channels, digital, length), {
      seed: i + 1,
      numRuns: each,
    });
    return { design, courses };
  });
  expect(jobs.length).toBeGreaterThan(12);
  const compiled = playOnHost(jobs);
  const differences = jobs.flatMap(({ design, courses }, i) =>
    courses.flatMap((course, k) => {
      const told = firstDifference(playCourse(design, course), compiled[i][k]);
      return told ? [`${design.title}, course ${k}: ${told}`] : [];
    }),
  );
  expect(differences).toEqual([]);
});
