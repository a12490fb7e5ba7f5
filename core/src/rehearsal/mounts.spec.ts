/** What is fixed to the arm of a servo looks where that turns it. */
import { checkDesign } from '../catalog/index.js';
import { applyEdit, type Design, type Place } from '../design/index.js';
import { restingLogic } from '../logic/index.js';
import { brief, sceneOf } from '../testing/small.js';
import { CoSimulation } from './co-simulation.js';
import { rehearse } from './index.js';
import { Rig } from './rig.js';

/** A light sensor at the origin, a lamp 2 m from it at 90°, and a servo that a finger on its button turns by 90°. */
function bench(sensor: Partial<Place>): Design {
  const design = brief(
    'adapter G volts=5, servo M sweep=90, push-button S bounce=0, phototransistor B halfAngle=20, resistor R ohms=10e3, infrared-emitter E, resistor L ohms=100',
    'G.plus M.VCC, G.minus M.GND, G.plus S.a, S.b M.SIG, G.plus B.c, B.e R.a, R.b G.minus, G.plus L.a, L.b E.a, E.k G.minus',
  );
  const places: Record<string, Place> = {
    B: { x: 0, y: 0, facing: 0, ...sensor },
    E: { x: 0, y: 2, facing: -90 },
    S: { x: 5, y: 5, facing: 0 },
  };
  return { ...design, parts: design.parts.map((p) => ({ ...p, place: places[p.id] })) };
}

const pressed = sceneOf(5, { start: 1, params: { lasts: 5 }, path: [{ x: 5, y: 5 }] });

/** What the sensor meets, and how far the arm has gone, at a moment. */
function at(design: Design, t: number): { light: number; arm: number } {
  const run = new CoSimulation(design, pressed, () => undefined);
  while (run.go(t, restingLogic(design)) < t);
  const volts = run.solvedNow('M')?.volts ?? {};
  return {
    light: run.perceivedBy('B')?.infrared ?? NaN,
    arm: (volts['#arm' as never] ?? NaN) / (volts['VCC' as never] ?? NaN),
  };
}

it('sees what it is turned to, and not before', () => {
  const on = bench({ on: 'M' });
  const [aside, towards] = [0, 90].map((facing) => at(bench({ facing }), 4).light);
  expect(towards).toBeGreaterThan(100 * aside);
  expect(at(on, 0.9).light).toBeCloseTo(aside, 6);
  expect(Math.abs(at(on, 4).light / towards - 1)).toBeLessThan(0.01);
});

it.each([1.12, 1.18, 1.25])('looks at %d s as one that was placed so', (t) => {
  const { light, arm } = at(bench({ on: 'M' }), t);
  const [less, more] = [-2, 2].map((off) => at(bench({ facing: 90 * arm + off }), t).light);
  expect(light).toBeGreaterThanOrEqual(less);
  expect(light).toBeLessThanOrEqual(more);
});

it('the settled circuit has it turned as its arm stands', () => {
  const light = (design: Design): number | undefined => {
    const rig = new Rig(design, pressed);
    rig.settle(pressed, 3, restingLogic(design));
    return rig.perceivedBy('B')?.infrared;
  };
  expect(light(bench({ on: 'M' }))).toBeCloseTo(light(bench({ facing: 90 })) ?? NaN, 3);
});

it('what happens where it can be turned to may be felt', () => {
  const flash = sceneOf(5, {
    ...{ kind: 'lamp-on', start: 3, params: { filament: 1 } },
    path: [{ x: 0, y: 3 }],
  });
  const felt = (place: Partial<Place>): boolean =>
    rehearse(bench(place), flash).verdicts[0]?.exposure !== undefined;
  expect([felt({}), felt({ on: 'M' })]).toEqual([false, true]);
});

it.each([
  ['M', []],
  ['R', ['R has no arm that turns']],
  ['M9', ['There is no part M9']],
])('an arm of %s is doubted where there is none', (on, reasons) => {
  const doubts = checkDesign(bench({ on })).filter((p) => p.place === 'parts[3] (B).place.on');
  expect(doubts.map((p) => p.reason)).toEqual(reasons);
  expect(doubts.every((p) => p.severity === 'doubt')).toBe(true);
});

it('stands by itself when the arm is taken away', () => {
  const left = applyEdit(bench({ on: 'M' }), { type: 'remove-part', id: 'M' });
  expect(left.parts.find((p) => p.id === 'B')?.place).toEqual({ x: 0, y: 0, facing: 0 });
});
