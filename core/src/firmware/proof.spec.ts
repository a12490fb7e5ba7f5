/** What is shown when a maker has a program proven: against the design's own scene, run by MicroPython. */
import { readdirSync } from 'node:fs';
import { rehearse } from '../rehearsal/index.js';
import { clockAt } from '../scene/index.js';
import { demo } from '../testing/demo.js';
import {
  askProof,
  boardOf,
  firstDifference,
  judgeProof,
  playCourse,
  radioBoard,
  standInJob,
  standOf,
  type ProofAsked,
} from './index.js';
import { onRadioBoard } from './testing/boards-on.js';
import { playInMicroPython } from './testing/micropython-host.js';
import { randomJobs } from './testing/random-jobs.js';

/** Of each design that a program is written for, its first scene with what is to be compared. */
const asked = readdirSync('demo').flatMap((file): (readonly [string, ProofAsked])[] => {
  const design = demo(file.replace('.yurei.json', ''));
  const target = boardOf(design);
  const [scene] = design.scenes;
  if (!('board' in target) || !scene) return [];
  const proof = askProof(design, target.board, rehearse(design, scene), clockAt(scene));
  return [[design.title, proof]];
});

it('the programs of the demo designs, in MicroPython, decide in their scenes as they were rehearsed', () => {
  expect(asked.length).toBe(30);
  const told = playInMicroPython(asked.map(([, { job }]) => job));
  const proofs = asked.map(([title, one], i) => [title, judgeProof(one, told[i] ?? '')] as const);
  expect(proofs.filter(([, { difference }]) => difference !== undefined)).toEqual([]);
  for (const [, { passes }] of proofs) expect(passes).toBeGreaterThan(50);
});

it('a program with another threshold, or that turns its output about, is told by its first difference', () => {
  const [, one] = asked.find(([title]) => title === demo('slipway-beam').title) ?? [];
  if (!one) throw new Error('It is not among them.');
  const other = (from: RegExp, to: string): ProofAsked => {
    const source = one.job.source.replace(from, to);
    expect(source).not.toBe(one.job.source);
    return { ...one, job: { ...one.job, source } };
  };
  const wrong = [
    other(/BEAM_THRESHOLD = \d+/, 'BEAM_THRESHOLD = 1'),
    other(/value\(1 if high else 0\)/, 'value(0 if high else 1)'),
    other(/BEAM_EVERY = \d+/, 'BEAM_EVERY = 2000'),
  ];
  const told = playInMicroPython(wrong.map(({ job }) => job));
  for (const [i, text] of told.entries())
    expect(judgeProof(wrong[i] ?? one, text).difference).toMatch(
      /^at \d+ ms rehearsed .*, the program /,
    );
});

it('random programs of the radio board decide as they were rehearsed, in MicroPython too', () => {
  const jobs = randomJobs(onRadioBoard, radioBoard, { programs: 40, each: 2, length: 2000 });
  const courses = jobs.flatMap(({ design, courses: all }) =>
    all.map((course) => ({ design, course })),
  );
  const told = playInMicroPython(
    courses.map(({ design, course }) => standInJob(design, radioBoard, course)),
  );
  const stands = told.map((text) => (JSON.parse(text) as { lines: string[] }).lines.map(standOf));
  const wrong = courses.flatMap(({ design, course }, i) => {
    const found = firstDifference(playCourse(design, course), stands[i] ?? []);
    return found ? [`${design.title}: ${found}`] : [];
  });
  expect(wrong).toEqual([]);
});
