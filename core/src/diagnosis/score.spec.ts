/** A hundred slips made by program, drawn from those of the smaller demo designs. All of them: npm run findings-score. */
import { readdirSync } from 'node:fs';
import { seededRandom } from '../rehearsal/index.js';
import { slipKinds } from '../slip/index.js';
import { demo } from '../testing/demo.js';
import { scoreSlip, soundDesign, type Scored } from './index.js';

/** Larger designs take longer than a test should. */
const mostParts = 12;
const sample = 100;

const corpus = readdirSync('demo')
  .map((file) => demo(file.replace('.yurei.json', '')))
  .filter((design) => design.parts.length <= mostParts)
  .flatMap((design) =>
    slipKinds.flatMap((kind) => kind.all(design).map((slip) => ({ design, kind: kind.id, slip }))),
  );

/** Draws without putting back. */
function drawn(): typeof corpus {
  const random = seededRandom(18);
  const left = [...corpus];
  return Array.from(
    { length: sample },
    () => left.splice(Math.floor(random.uniform() * left.length), 1)[0],
  );
}

const sound = new Map<object, ReturnType<typeof soundDesign>>();
const scored = drawn().map(({ design, kind, slip }) => {
  const known = sound.get(design) ?? soundDesign(design);
  sound.set(design, known);
  return { kind, made: `${design.title}: ${slip.says}`, ...scoreSlip(known, slip) };
});
const faults = scored.filter((s) => s.changes === 'doing');
const share = (of: (s: Scored) => boolean, among: readonly Scored[]): number =>
  among.filter(of).length / among.length;

it('most of a hundred slips are faults, and next to all of those are found', () => {
  expect(faults.length).toBeGreaterThan(50);
  expect(share((s) => s.found, faults)).toBeGreaterThan(0.98);
});

it('the root is told at the place where the slip was made', () => {
  expect(share((s) => s.placed, faults)).toBeGreaterThan(0.95);
});

it('the first cure cures, but where a part is missing that only the maker knows', () => {
  const curable = faults.filter((s) => s.kind !== 'part');
  expect(share((s) => s.cured, curable)).toBeGreaterThan(0.9);
});

it('no cure takes a design farther from what it did', () => {
  expect(scored.filter((s) => s.harmful > 0).map((s) => s.made)).toEqual([]);
});
