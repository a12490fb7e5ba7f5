import { checkScenes } from '../scene/index.js';
import { sceneOf } from '../testing/small.js';
import {
  applyEdit,
  emptyDesign,
  migrate,
  type Design,
  type Edit,
  type Need,
  type Plan,
} from './index.js';

const need: Need = { id: 'n1', intent: 'wanted', kind: 'door-opens', name: 'Gate', params: {} };
const asked = applyEdit(emptyDesign('x'), { type: 'put-need', need });
const trying = (id: string): Design => ({
  ...asked,
  scenes: [
    sceneOf(20, { kind: 'door-opens', need: id, path: [{ x: 1, y: 1 }] }, { kind: 'dusk-falls' }),
  ],
});

it('a need is put, changed in its place and taken out, and the design before stays as it was', () => {
  const other = { ...need, id: 'n2' };
  const two = applyEdit(asked, { type: 'put-need', need: other });
  const far = applyEdit(two, { type: 'put-need', need: { ...need, far: 3 } });
  expect(far.brief.needs).toEqual([{ ...need, far: 3 }, other]);
  expect(applyEdit(far, { type: 'remove-need', id: 'n1' }).brief.needs).toEqual([other]);
  expect(asked.brief.needs).toEqual([need]);
});

it('what is answered can be left open again', () => {
  const say = (fields: Extract<Edit, { type: 'set-brief' }>['fields']): Edit => ({
    type: 'set-brief',
    fields,
  });
  const said = applyEdit(asked, say({ outdoors: true, by: 'night', tells: 'the watch' }));
  expect(said.brief).toMatchObject({ outdoors: true, by: 'night', tells: 'the watch' });
  const open = applyEdit(said, say({ by: undefined })).brief;
  expect(JSON.parse(JSON.stringify(open))).toEqual({
    ...{ needs: [need], outdoors: true, tells: 'the watch' },
  });
});

it('what tried a need that is gone goes on happening', () => {
  const [scene] = applyEdit(trying('n1'), { type: 'remove-need', id: 'n1' }).scenes;
  expect(scene.happenings.map((h) => [h.kind, h.need])).toEqual([
    ['door-opens', undefined],
    ['dusk-falls', undefined],
  ]);
});

it('a need that is not there cannot be taken out', () => {
  expect(() => applyEdit(asked, { type: 'remove-need', id: 'n9' })).toThrow(/no need n9/);
});

it('version 9 asked for nothing', () => {
  expect(migrate({ version: 9, title: 'Old' })).toEqual({
    ...{ version: 12, title: 'Old', brief: { needs: [], tells: '' } },
  });
});

it.each<[string, Design, string, string]>([
  ['a kind that is not known', withNeed({ kind: 'ufo' }), 'brief.needs[0] (n1).kind', 'refuse'],
  [
    'a value that is not of the kind',
    withNeed({ params: { colour: 1 } }),
    'brief.needs[0] (n1).params.colour',
    'refuse',
  ],
  ['a need that is not in the brief', trying('n7'), '.need', 'doubt'],
  [
    'an entrance beyond the plan',
    withPlan({ entrances: [{ x: 99, y: 1 }] }),
    'plan.entrances[0]',
    'refuse',
  ],
  ['something guarded beyond it', withPlan({ guarded: { x: 1, y: 99 } }), 'plan.guarded', 'refuse'],
])('tells %s', (_, design, place, severity) => {
  const found = checkScenes(design).filter((p) => p.place.endsWith(place));
  expect(found.map((p) => p.severity)).toEqual([severity]);
});

it('has nothing to say of a brief that is sound', () => {
  expect(checkScenes(trying('n1'))).toEqual([]);
});

function withPlan(fields: Partial<Plan>): Design {
  return { ...asked, plan: { ...asked.plan, ...fields } };
}

function withNeed(fields: Partial<Need>): Design {
  return { ...asked, brief: { ...asked.brief, needs: [{ ...need, ...fields }] } };
}
