import { demo, slipwayBeam } from '../testing/demo.js';
import { counterTrace, energyTrace, idleBands, modeBands, ruleBands } from './bands.js';
import { rehearse } from './rehearse.js';
import type { Rehearsal } from './rehearsal.js';
import { valueAt } from './traces.js';

/** A record with nothing in it but what is said. */
const record = (over: object): Rehearsal =>
  ({ duration: 100, logic: [], outages: [], asleep: [], ...over }) as unknown as Rehearsal;
const change = (t: number, logic: object) => ({ t, logic, events: [] });

it('modes follow each other without a gap, from the one it starts in to the end', () => {
  const design = demo('loft-stairs');
  const [machine] = design.machines;
  const rehearsal = rehearse(design, design.scenes[0]);
  const bands = modeBands(design, rehearsal, machine.id);
  expect(bands[0]).toMatchObject({ from: 0, label: design.scenes[0].modes?.[machine.id] });
  expect(bands.length).toBeGreaterThan(2);
  expect(bands.at(-1)?.to).toBe(rehearsal.duration);
  for (const [i, band] of bands.slice(1).entries()) {
    expect(band.from).toBe(bands[i].to);
    expect(band.label).not.toBe(bands[i].label);
  }
  // What the last change of the record says.
  expect(bands.at(-1)?.label).toBe(rehearsal.logic.at(-1)?.logic.modes[machine.id].mode);
});

it('a rule is active from when it begins until it ends: the slipway’s for the 6 s of its hold', () => {
  const design = slipwayBeam();
  const rehearsal = rehearse(design, design.scenes[0]);
  const [band, ...more] = ruleBands(rehearsal, design.rules[0].id);
  expect(more).toEqual([]);
  expect(band.from).toBeCloseTo(16.61, 2);
  const beam = rehearsal.readings['beam'];
  const last = beam.times.filter((t, i) => t < band.to && beam.values[i] < 380).at(-1) ?? NaN;
  expect(band.to - last).toBeGreaterThanOrEqual(6);
  expect(band.to - last).toBeLessThan(6.2);
});

it.each([
  ['never', [], []],
  [
    'twice, the second time to the end',
    [
      change(10, { rules: { r: { active: true } } }),
      change(12, { rules: { r: { active: true } } }),
      change(20, { rules: { r: { active: false } } }),
      change(90, { rules: { r: { active: true } } }),
    ],
    [
      [10, 20],
      [90, 100],
    ],
  ],
  [
    'for no time at all',
    [
      change(10, { rules: { r: { active: true } } }),
      change(10, { rules: { r: { active: false } } }),
    ],
    [],
  ],
])('a rule that is active %s', (_, logic, expected) => {
  expect(ruleBands(record({ logic }), 'r').map((b) => [b.from, b.to])).toEqual(expected);
});

it('a counter holds each count until the next', () => {
  const logic = [change(5, { counters: { c: 1 } }), change(9, { counters: { c: 2 } })];
  const trace = counterTrace(record({ logic }), 'c');
  expect([0, 4.9, 5, 8, 50].map((t) => valueAt(trace, t))).toEqual([0, 0, 1, 1, 2]);
});

it('sleep and stops stand in the order in which they came', () => {
  const asleep = [{ from: 30, to: 40 }];
  const outages = [{ from: 3, to: 4, because: 'its supply sags' }];
  expect(idleBands(record({ asleep, outages })).map((b) => [b.from, b.label])).toEqual([
    [3, 'stopped: its supply sags'],
    [30, 'asleep'],
  ]);
});

it('energy is power times time: 2 W for 40 s and 5 W for 60 s are 380 J', () => {
  const watts = { times: [0, 40], values: [2, 5] };
  expect(energyTrace(record({ watts }))).toEqual({ times: [0, 40, 100], values: [0, 80, 380] });
  expect(energyTrace(record({ watts: { times: [], values: [] } })).times).toEqual([]);
});
