import { integrate } from '../testing/by-hand/hybrid.js';
import { comparators, opAmps } from '../testing/by-hand/amplifiers.js';
import { relays } from '../testing/by-hand/relays.js';
import { thyristors } from '../testing/by-hand/thyristors.js';
import { others, regulators, timers } from '../testing/by-hand/timers-and-supplies.js';
import { record, wire } from '../testing/lab.js';

const switching = {
  ...relays,
  ...thyristors,
  ...comparators,
  ...opAmps,
  ...timers,
  ...regulators,
  ...others,
};

/*
 * Circuits that switch against odex, which integrates equations written out by hand from one switching to the next: within
 * 0.1 % of the largest value, but for what jumps within 0.1 % of the time of a switching.
 */
it.each(Object.entries(switching))('%s', (_, circuit) => {
  const { elements, watch, until } = circuit;
  const { times, volts } = record(wire(...elements), until, [watch], { from: 'dead' });
  const { values, switches } = integrate(circuit, times);
  const size = Math.max(...values.map(Math.abs));
  const jumps = (t: number): boolean => switches.some((s) => Math.abs(s - t) < 1e-3 * until);
  const kept = times.flatMap((t, i) => (jumps(t) ? [] : [i]));
  const off = kept.map((i) => Math.abs(volts[watch][i] - values[i]) / size);
  expect(kept.length).toBeGreaterThan(8);
  expect(Math.max(...off)).toBeLessThan(1e-3);
});

it('there are at least twenty of them', () =>
  expect(Object.keys(switching).length).toBeGreaterThanOrEqual(20));
