/** Random programs, compiled, decide as they were rehearsed: pass by pass, on random courses of what pins read. */
import fc from 'fast-check';
import { arbitraryCourse } from './testing/arbitrary-course.js';
import { arbitraryProgram } from './testing/arbitrary-program.js';
import { playCourse } from './testing/course.js';
import { firstDifference, playOnHost } from './testing/host.js';

const programs = 100;
const each = 10;
const length = 6000;

it('random programs decide as they were rehearsed', () => {
  const jobs = fc.sample(arbitraryProgram, { seed: 21, numRuns: programs }).map((design, i) => {
    const courses = arbitraryCourse(design.channels, (c) => c.pin.includes('.D'), length);
    return { design, courses: fc.sample(courses, { seed: i + 1, numRuns: each }) };
  });
  const compiled = playOnHost(jobs);
  const differences = jobs.flatMap(({ design, courses }, i) =>
    courses.flatMap((course, k) => {
      const told = firstDifference(playCourse(design, course), compiled[i][k]);
      return told ? [`program ${i}, course ${k}: ${told}`] : [];
    }),
  );
  expect(differences).toEqual([]);
});
