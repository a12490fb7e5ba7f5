/** What is felt taken as it was until it has changed by a two-hundredth: the verdicts are those of the exact path, sound or with a slip. */
import { readdirSync } from 'node:fs';
import { applyEdit, type Design } from '../design/index.js';
import { slipKinds } from '../slip/index.js';
import { demo } from '../testing/demo.js';
import { judgeScene, rehearse } from './index.js';

const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));
const decided = names.filter((name) => demo(name).channels.length > 0);

/** Each so many-th slip is tried: a prime, so that every kind has its turn. */
const every = 193;

const outcomesOf = (design: Design, path: 'fast' | 'coarse'): unknown =>
  design.scenes.map((scene) => {
    const { verdicts, spurious } = judgeScene(design, scene, path);
    return [verdicts.map((v) => [v.happening, v.outcome]), spurious.length];
  });

it.each(decided)('%s', (name) => {
  const design = demo(name);
  expect(outcomesOf(design, 'coarse')).toEqual(outcomesOf(design, 'fast'));
});

it('after slips', () => {
  const faulty = decided.flatMap((name) => {
    const design = demo(name);
    return slipKinds.flatMap((kind) => kind.all(design)).map((s) => applyEdit(design, s.edit));
  });
  const some = faulty.filter((_, i) => i % every === 0);
  expect(some.length).toBeGreaterThan(5);
  for (const design of some)
    expect(outcomesOf(design, 'coarse')).toEqual(outcomesOf(design, 'fast'));
});

it('the circuit is solved in a part of the times where what is felt changes slowly', () => {
  const design = demo('herb-boxes');
  const [fast, coarse] = (['fast', 'coarse'] as const).map(
    (path) => rehearse(design, design.scenes[1], undefined, path).solves,
  );
  expect(coarse).toBeLessThan(fast / 20);
});
