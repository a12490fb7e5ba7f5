import fc from 'fast-check';
import type { Element, ElementOf } from './elements.js';
import { c, r, record, wire } from '../testing/lab.js';
import { Transient, type Network } from '../circuit/index.js';

const steady = (plus: string, volts: number): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts,
});

/** From the steady state, changes the first element and follows a node. */
function after(network: Network, change: Element, node: string, until: number) {
  network.rest();
  const run = new Transient(network);
  const course: [t: number, volts: number][] = [];
  const note = (t: number): number => course.push([t, network.volts(node) ?? NaN]);
  run.observe({ stepped: note, jumped: note });
  run.startAtRest();
  network.set(0, change);
  run.restart();
  run.advance(until);
  return (t: number): [t: number, volts: number] => course.find(([at]) => at >= t) ?? [NaN, NaN];
}

describe('level: a signal that follows with a lag', () => {
  const level = (value: number): ElementOf<'level'> => ({
    type: 'level',
    node: 'y',
    value,
    up: 2,
    down: 4,
  });

  /** What it moves: a signal that nothing reads is left out of the equations. */
  const reader: Element = {
    type: 'conductance',
    a: 'a',
    b: '0',
    control: 'y',
    baseSiemens: 1e-3,
    perVolt: 1,
  };

  it('stands at its value at rest, whatever its lag', () => {
    const network = wire(level(0.7), reader, steady('a', 1));
    network.rest();
    expect(network.volts('y')).toBeCloseTo(0.7, 9);
  });

  it.each([
    [1, 2],
    [-1, 4],
  ])('goes to %d as 1 − e^(−t/τ) with τ = %d s', (value, tau) => {
    const network = wire(level(0), reader, steady('a', 1));
    const at = after(network, level(value), 'y', 3 * tau);
    for (const share of [0.3, 1, 2]) {
      const [t, volts] = at(share * tau);
      expect(volts).toBeCloseTo(value * -Math.expm1(-t / tau), 3);
    }
  });

  it('without lag follows at once', () => {
    const at0 = (value: number): Element => ({ type: 'level', node: 'y', value, up: 0, down: 0 });
    const network = wire(at0(0), reader, steady('a', 1));
    const [, volts] = after(network, at0(5), 'y', 1)(0.01);
    expect(volts).toBeCloseTo(5, 9);
  });
});

describe('warm-up: the share of the heat, (v/V)² held at 1', () => {
  const warm = (volts: number): Network =>
    wire(
      { type: 'warm-up', plus: 'a', minus: '0', node: 'w', volts: 5, up: 10, down: 3 },
      steady('a', volts),
      r('a', '0', 33),
    );
  it.each([
    [0, 0],
    [2.5, 0.25],
    [5, 1],
    [9, 1],
  ])('fed with %d V it comes to %d', (volts, share) => {
    const network = warm(volts);
    network.rest();
    expect(network.volts('w')).toBeCloseTo(share, 6);
  });
  it('starts cold when power comes on and takes its time', () => {
    const { times, volts } = record(warm(5), 30, ['w'], { from: 'dead' });
    expect(volts['w'][0]).toBeLessThan(0.01);
    const i = times.findIndex((t) => t >= 10);
    expect(volts['w'][i]).toBeCloseTo(-Math.expm1(-times[i] / 10), 2);
  });
});

describe('conductance: G·exp(k·v)', () => {
  const through = (control: number, perVolt: number): number => {
    const network = wire(
      { type: 'conductance', a: 'a', b: 'm', control: 'y', baseSiemens: 1e-6, perVolt },
      { type: 'level', node: 'y', value: control, up: 0, down: 0 },
      steady('a', 10),
      r('m', '0', 1e3),
    );
    network.rest();
    return (network.volts('m') ?? NaN) / 1e3;
  };
  it('moves over decades as its control says', () => {
    for (const decades of [0, 1, 2, 3]) {
      const ohms = 1e6 / 10 ** decades;
      expect(through(decades, Math.LN10)).toBeCloseTo(10 / (ohms + 1e3), 12);
    }
  });
  it('never gives power, however far its control goes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -200, max: 200, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (control, perVolt) => {
          const amps = through(control, perVolt);
          expect(amps).toBeGreaterThanOrEqual(0);
          expect(amps).toBeLessThanOrEqual(10e-3 * (1 + 1e-9));
        },
      ),
    );
  });
  it('has the thermal noise of its resistance, 4kT/R', () => {
    const network = wire(
      { type: 'conductance', a: 'a', b: '0', control: 'y', baseSiemens: 1e-3, perVolt: 1 },
      { type: 'level', node: 'y', value: 0, up: 0, down: 0 },
      c('a', '0', 1e-12),
    );
    network.rest();
    const [{ density }] = network.devices[0]?.noise?.(network.system.x) ?? [];
    expect(density / (4 * 1.380649e-23 * network.system.kelvin * 1e-3)).toBeCloseTo(1, 6);
  });
});

describe('product: S·vs·v', () => {
  const wired = (signal: number, volts: number): Network =>
    wire(
      { type: 'product-source', from: '0', to: 'm', plus: 'a', minus: 'b', by: 'y', siemens: 2e-3 },
      { type: 'level', node: 'y', value: signal, up: 3, down: 6 },
      steady('a', volts + 1),
      steady('b', 1),
      r('m', '0', 500),
    );
  const out = (signal: number, volts: number): number => {
    const network = wired(signal, volts);
    network.rest();
    return network.volts('m') ?? NaN;
  };

  it('is the product of both, of either sign', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (signal, volts) => {
          // 2 mS over 500 Ω: one volt for each volt squared.
          expect(out(signal, volts)).toBeCloseTo(signal * volts, 9);
        },
      ),
    );
  });

  it('follows its signal as the signal lags', () => {
    const network = wired(0, 2);
    network.rest();
    const run = new Transient(network);
    const course: [t: number, volts: number][] = [];
    run.observe({ stepped: (t) => course.push([t, network.volts('m') ?? NaN]), jumped: () => 0 });
    run.startAtRest();
    network.set(1, { type: 'level', node: 'y', value: 1, up: 3, down: 6 });
    run.restart();
    run.advance(9);
    expect(course.length).toBeGreaterThan(10);
    for (const [t, volts] of course) expect(volts).toBeCloseTo(-2 * Math.expm1(-t / 3), 3);
  });

  it('gives the node of its signal no current', () => {
    const network = wire(
      { type: 'product-source', from: '0', to: 'm', plus: 'a', minus: '0', by: 'y', siemens: 1 },
      { type: 'level', node: 'y', value: 1, up: 0, down: 0 },
      steady('a', 5),
      r('m', '0', 1),
    );
    network.rest();
    expect(network.volts('y')).toBeCloseTo(1, 12);
    expect(network.volts('m')).toBeCloseTo(5, 9);
  });
});
