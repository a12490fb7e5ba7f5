import { check, gatherEvidence } from '../check/index.js';
import { applyEdit, emptyDesign, type Design } from '../design/index.js';
import { readDesign } from '../exchange/index.js';
import { rehearse } from '../rehearsal/index.js';
import { makeStart, usualStarts, type Start } from './index.js';

const begun = (start: Start): Design => {
  const empty = emptyDesign('New');
  return applyEdit(empty, makeStart(empty, start));
};

/** Said of every flame, gas and rain detector there can be. */
const toBeMinded = /^Say that this is not a certified alarm$|stands under direct current$/;

describe.each(usualStarts.map((s) => [s.notices, s] as const))('begin: notice %s', (_, start) => {
  const design = begun(start);
  const [scene] = design.scenes;

  it('is noticed for what it is, and nothing fires at rest', () => {
    const rehearsal = rehearse(design, scene);
    expect(rehearsal.verdicts.map((v) => v.outcome)).toEqual(['noticed']);
    expect(rehearsal.spurious).toEqual([]);
    expect(rehearse(design, { ...scene, happenings: [] }).spurious).toEqual([]);
  });

  it('is missed with its sensor taken off: the verdict is no coincidence', () => {
    const [, , sensor] = design.parts;
    const deaf = applyEdit(design, { type: 'remove-part', id: sensor.id });
    expect(rehearse(deaf, scene).verdicts.map((v) => v.outcome)).not.toContain('noticed');
  });

  it('has no mistake in it but what is to be minded with such a thing, and can be kept', () => {
    const found = check(gatherEvidence(design, scene));
    const wrong = found.filter(({ severity }) => severity === 'error' || severity === 'caution');
    expect(wrong.map((f) => f.title).filter((title) => !toBeMinded.test(title))).toEqual([]);
    expect(readDesign(JSON.stringify(design)).ok).toBe(true);
  });
});

it('a scene that was made before its parts stays, and the line is set by the new one', () => {
  const [start] = usualStarts;
  const empty = emptyDesign('New');
  const scene = { ...begun(start).scenes[0], name: 'Mine', happenings: [] };
  const design = applyEdit(
    { ...empty, scenes: [scene] },
    makeStart({ ...empty, scenes: [scene] }, start),
  );
  expect(design.scenes.map((s) => s.name)).toEqual(['Mine', `Notice ${start.notices}`]);
  expect(design.channels).toEqual(begun(start).channels);
});

it('what is offered is told apart by its words', () => {
  expect(new Set(usualStarts.map((s) => s.notices)).size).toBe(usualStarts.length);
});
