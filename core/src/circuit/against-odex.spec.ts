import { Solver } from 'odex';
import { machines } from '../testing/by-hand/machines.js';
import { semiconductors } from '../testing/by-hand/semiconductors.js';
import { record, wire } from '../testing/lab.js';

/*
 * Twenty nonlinear circuits against odex (Hairer's extrapolation code), which integrates equations
 * written out by hand: within 0.1 % of the largest value, all along.
 */
const cases = { ...semiconductors, ...machines };

it.each(Object.entries(cases))('%s', (_, { elements, watch, until, y0, f, out, from }) => {
  const { times, volts } = record(wire(...elements), until, [watch], { from });
  const start = from === 'rest' ? [volts[watch][0]] : y0;
  const reference = new Solver((t: number, y: number[]) => f(t, y), start.length, {
    absoluteTolerance: 1e-9,
    relativeTolerance: 1e-9,
    maxSteps: 1e6,
  }).integrate(0, start);
  const exact = times.map((t) => out(t, reference(t)));
  const size = Math.max(...exact.map(Math.abs));
  const worst = Math.max(...exact.map((v, i) => Math.abs(volts[watch][i] - v))) / size;
  expect(times.length).toBeGreaterThan(8);
  expect(worst).toBeLessThan(1e-3);
});

it('there are twenty of them', () => expect(Object.keys(cases)).toHaveLength(20));
