import { readdirSync } from 'node:fs';
import { applyEdit, emptyDesign, type Design, type Need } from '../design/index.js';
import { readDesign } from '../exchange/index.js';
import { demo } from '../testing/demo.js';
import { sceneOf } from '../testing/small.js';
import { tryIn, untried } from './index.js';

const need = (id: string): Need => ({
  ...{ id, intent: 'wanted', kind: 'person-walks', name: id, params: { speed: 2 }, within: 3 },
});
const design: Design = {
  ...emptyDesign('x'),
  brief: { needs: [need('n1'), need('n2')], tells: '' },
  scenes: [
    sceneOf(20, {
      ...{ id: 'h1', kind: 'person-walks', need: 'n1', start: 4 },
      path: [
        { x: 0, y: 4 },
        { x: 6, y: 4 },
      ],
    }),
  ],
};
const [scene] = design.scenes;

it('what no scene tries is told', () => {
  expect(untried(design).map((n) => n.id)).toEqual(['n2']);
  expect(untried({ ...design, scenes: [] }).map((n) => n.id)).toEqual(['n1', 'n2']);
});

it('it is tried after all else, as the brief has it, in a scene that lasts long enough', () => {
  const edit = tryIn(design, scene, need('n2'));
  const tried = applyEdit(design, edit ?? { type: 'remove-scene', id: scene.id });
  expect(untried(tried)).toEqual([]);
  const [before, added] = tried.scenes[0].happenings;
  // 6 m at 1.3 m/s after 4 s, and 5 s of quiet.
  expect(added).toMatchObject({ need: 'n2', params: { speed: 2 }, within: 3, start: 14 });
  expect(before).toEqual(scene.happenings[0]);
  expect(tried.scenes[0].duration).toBeGreaterThanOrEqual(20);
  expect(readDesign(JSON.stringify(tried))).toMatchObject({ ok: true });
});

const names = readdirSync('demo').flatMap((f) => /^(.*)\.yurei\.json$/.exec(f)?.[1] ?? []);

it.each(names)('%s says what must be noticed, and tries all of its brief', (name) => {
  const { brief, scenes } = demo(name);
  expect(brief.needs.some((n) => n.intent === 'wanted')).toBe(true);
  expect(untried({ brief, scenes })).toEqual([]);
});
