/** Two mistakes at once: each is told, first the one without which nothing works, and no guess where two do not explain all. */
import { check, gatherEvidence, isOpen } from '../check/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { slipKinds } from '../slip/index.js';
import { demo } from '../testing/demo.js';
import { diagnose, type Root } from './index.js';

const withSlips = (design: Design, ...says: readonly string[]): Design => {
  const all = slipKinds.flatMap((kind) => kind.all(design));
  return says.reduce((bad, one) => {
    const slip = all.find((s) => s.says === one);
    if (!slip) throw new RangeError(`No slip “${one}”.`);
    return applyEdit(bad, slip.edit);
  }, design);
};

const open = (design: Design): string[] =>
  check(gatherEvidence(design, design.scenes[0]))
    .filter(isOpen)
    .map((f) => f.id);

/** The first of the roots that has a cure. */
const told = (design: Design): Root | undefined =>
  diagnose(design, design.scenes[0]).roots.find((root) => root.cures.length > 0);

it.each([
  ['galley-call', 'No wire from R2.b to Q1.b', 'No wire from G1.minus to U1.GND'],
  ['boarding-mat', 'U1.P2 and U1.P5 exchanged', 'No wire from G1.minus to U1.GND'],
  ['fuel-locker-vapour', 'Q2.b and Q2.e exchanged', 'P1 turned round'],
  ['dinghy-nudge', 'No wire from U1.D6 to R3.a', 'B1.a and B1.c exchanged'],
])('%s: “%s” and “%s” are cured by what is told first, once or twice', (name, one, other) => {
  const sound = demo(name);
  let design = withSlips(sound, one, other);
  for (let step = 0; step < 2; step++) {
    const [cure] = told(design)?.cures ?? [];
    if (cure) design = applyEdit(design, cure.edit);
  }
  expect(open(design)).toEqual(open(sound));
});

it('tells no guess where two mistakes do not explain what is left', () => {
  const bad = withSlips(
    demo('slipway-beam'),
    'No wire from G1.plus to U1.VIN',
    'No wire from R2.b to Q1.b',
  );
  expect(told(bad)).toBeUndefined();
});

it('tells two as one change where undoing one alone brings the other to light', () => {
  const bad = withSlips(
    demo('stove-corner-watch'),
    'U1.3V3 and U1.GND exchanged',
    'U1.P5 and U1.P6 exchanged',
  );
  const cure = told(bad)?.cures[0];
  expect(cure).toMatchObject({
    label: 'Exchange U1.3V3 and U1.GND, and Exchange U1.P5 and U1.P6',
    says: 'U1.3V3 and U1.GND are exchanged, and U1.P5 and U1.P6 are exchanged',
  });
  expect(open(applyEdit(bad, cure?.edit ?? { type: 'batch', label: '', edits: [] }))).toEqual(
    open(demo('stove-corner-watch')),
  );
});
