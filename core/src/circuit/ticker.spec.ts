import { c, r, step, wire } from '../testing/lab.js';
import { Transient } from './index.js';

const charging = () => {
  const network = wire(step('in', 5), r('in', 'out', 10e3), c('out', '0', 1e-6));
  const run = new Transient(network);
  run.startDead();
  return { network, run };
};

it('a controller reads between the steps what the closed form says, and costs no steps', () => {
  const { run } = charging();
  const read: [number, number][] = [];
  run.advance(0.05, {
    every: 1e-3,
    tick: (t, volts) => {
      read.push([t, volts('out') ?? NaN]);
      return undefined;
    },
  });
  expect(read).toHaveLength(51);
  for (const [t, v] of read) expect(v).toBeCloseTo(5 * -Math.expm1(-t / 0.01), 2);
  const free = charging();
  free.run.advance(0.05);
  expect(run.steps).toBe(free.run.steps);
});

it('what it changes takes effect at its tick', () => {
  const { run, network } = charging();
  const seen: number[] = [];
  run.observe({ jumped: (t) => seen.push(t) });
  run.advance(0.02, {
    every: 7e-3,
    tick: (t) => {
      if (t !== 7e-3) return undefined;
      return () => network.set(0, { type: 'voltage-source', plus: 'in', minus: '0', volts: 0 });
    },
  });
  expect(seen).toContain(7e-3);
  const top = 5 * -Math.expm1(-0.7);
  expect(network.volts('out')).toBeCloseTo(top * Math.exp(-1.3), 3);
});

it('goes on where it stopped', () => {
  const { run, network } = charging();
  const ticks: number[] = [];
  const ticker = { every: 1e-3, tick: (t: number) => void ticks.push(t) as undefined };
  run.advance(2.5e-3, ticker);
  run.advance(5e-3, ticker);
  expect(ticks).toHaveLength(6);
  expect(network.volts('out')).toBeCloseTo(5 * -Math.expm1(-0.5), 3);
});
