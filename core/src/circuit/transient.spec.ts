import type { Element, ElementOf } from '../element/index.js';
import { c, crossings, deviation, l, r, record, step, wire } from '../testing/lab.js';

/** A 555-type timer without drops or delays, so that the data sheet's equations hold exactly. */
const timer = (): Element[] => [
  r('vcc', 'ctl', 5e3),
  r('ctl', 'low', 5e3),
  r('low', '0', 5e3),
  {
    type: 'timer-core',
    supply: 'vcc',
    ground: '0',
    trigger: 'trig',
    threshold: 'thr',
    upper: 'ctl',
    lower: 'low',
    reset: 'vcc',
    output: 'out',
    discharge: 'dis',
    dropHigh: 0,
    dropLow: 0,
    outputOhms: 1,
    dischargeOhms: 1e-3,
    delay: 0,
  },
];

const comparator = (over: Partial<ElementOf<'comparator'>> = {}): Element => ({
  type: 'comparator',
  plus: 'p',
  minus: 'm',
  output: 'out',
  supply: 'vcc',
  ground: '0',
  stage: 'open-collector',
  offset: 0,
  hysteresis: 0,
  bias: 0,
  headroom: 1.5,
  sinkAmps: 0.02,
  sinkOhms: 1,
  delay: 0,
  ...over,
});

const ramp = (plus: string, ...points: [number, number][]): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts: 0,
  wave: { shape: 'points', times: points.map(([t]) => t), values: points.map(([, v]) => v) },
});

const diode = (anode: string, cathode: string, breakdown?: number): Element => ({
  type: 'diode',
  anode,
  cathode,
  saturation: 7e-9,
  emission: 1.8,
  breakdown,
});

const opens = (a: string, b: string, at: number): Element[] => [
  {
    type: 'voltage-source',
    plus: 'open',
    minus: '0',
    volts: 0,
    wave: { shape: 'points', times: [at, at + 1e-9], values: [0, 1] },
  },
  {
    type: 'contact',
    a,
    b,
    control: 'open',
    rests: 'closed',
    on: 0.5,
    off: 0.4,
    ohms: 1e-3,
    bounce: 0,
  },
];

describe('full time courses against closed forms, to 0.1 %', () => {
  it('RC charges as V·(1 − e^(−t/RC))', () => {
    const { times, volts } = record(
      wire(step('in', 5), r('in', 'out', 10e3), c('out', '0', 1e-6)),
      0.05,
      ['out'],
      { from: 'dead' },
    );
    expect(deviation(times, volts['out'], (t) => 5 * -Math.expm1(-t / 0.01))).toBeLessThan(1e-3);
  });

  it('RL rises as V/R·(1 − e^(−tR/L))', () => {
    const { times, volts } = record(
      wire(step('in', 12), l('in', 'out', 0.1), r('out', '0', 100)),
      5e-3,
      ['out'],
      { from: 'dead' },
    );
    expect(deviation(times, volts['out'], (t) => 12 * -Math.expm1(-t / 1e-3))).toBeLessThan(1e-3);
  });

  it.each([
    ['under-damped', 20],
    ['critically damped', 200],
    ['over-damped', 2000],
  ])('RLC, %s', (_, ohms) => {
    const [henries, farads] = [10e-3, 1e-6];
    const { times, volts } = record(
      wire(step('in', 1), r('in', 'a', ohms), l('a', 'out', henries), c('out', '0', farads)),
      ohms > 1000 ? 0.01 : 3e-3,
      ['out'],
      { from: 'dead' },
    );
    const alpha = ohms / (2 * henries);
    const w0 = 1 / Math.sqrt(henries * farads);
    const formula = (t: number): number => {
      if (Math.abs(alpha - w0) < 1e-6 * w0) return 1 - Math.exp(-w0 * t) * (1 + w0 * t);
      const d = Math.sqrt(Math.abs(alpha ** 2 - w0 ** 2));
      if (alpha < w0) {
        return 1 - Math.exp(-alpha * t) * (Math.cos(d * t) + (alpha / d) * Math.sin(d * t));
      }
      const [s1, s2] = [-alpha + d, -alpha - d];
      return 1 - (s1 * Math.exp(s2 * t) - s2 * Math.exp(s1 * t)) / (s1 - s2);
    };
    expect(deviation(times, volts['out'], formula)).toBeLessThan(1e-3);
  });

  // The coil decays against the clamp: L·di/dt + R·i = −V(i), with V from the diode's own equation,
  // integrated here by small Runge–Kutta steps.
  it.each([
    ['a diode', undefined],
    ['a zener of 24 V', 24],
  ])('coil switched off into %s', (_, zener) => {
    const [henries, ohms, vcc] = [0.3, 200, 12];
    const clamp: Element[] =
      zener === undefined ? [diode('sw', 'vcc')] : [diode('sw', 'z'), diode('vcc', 'z', zener)];
    const { times, volts } = record(
      wire(step('vcc', vcc), l('vcc', 'sw', henries, ohms), ...clamp, ...opens('sw', '0', 1e-3)),
      6e-3,
      ['sw'],
    );
    const scale = 1.8 * 0.0256926;
    const clampVolts = (i: number): number => {
      const forward = scale * Math.log1p(Math.max(i, 0) / 7e-9);
      return zener === undefined || i <= 0
        ? forward
        : forward + zener + 0.0256926 * Math.log(i / 1e-3);
    };
    const slope = (i: number): number => -(ohms * i + clampVolts(i)) / henries;
    let i = (vcc - 0) / (ohms + 1e-3);
    let t = 1e-3 + 0.5e-9;
    const h = 2e-7;
    const current: [number, number][] = [[t, i]];
    while (t < 6e-3 && i > 1e-4) {
      const k1 = slope(i);
      const k2 = slope(i + (h / 2) * k1);
      const k3 = slope(i + (h / 2) * k2);
      const k4 = slope(i + h * k3);
      i += (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
      t += h;
      current.push([t, i]);
    }
    const expected = (at: number): number => {
      const n = Math.min(current.length - 1, Math.max(0, Math.round((at - current[0][0]) / h)));
      return vcc + clampVolts(current[n][1]);
    };
    const late = times.flatMap((at, n) =>
      at > 1e-3 + 1e-6 && at < current[current.length - 1][0] - 1e-4 ? [[at, volts['sw'][n]]] : [],
    );
    expect(late.length).toBeGreaterThan(3);
    for (const [at, v] of late) expect(Math.abs(v / expected(at) - 1)).toBeLessThan(1e-3);
  });
});

// Published data sheet of the 555-type timer: thresholds ⅓ and ⅔, ln(2)·(RA+RB)·C, ln(2)·RB·C, ln(3)·R·C.
describe('555-type timer', () => {
  it('astable: ln2·(RA+RB)·C high, ln2·RB·C low', () => {
    const [ra, rb, cap] = [10e3, 47e3, 1e-7];
    const { times, volts } = record(
      wire(
        step('vcc', 5),
        ...timer(),
        r('vcc', 'dis', ra),
        r('dis', 'trig', rb),
        c('trig', '0', cap),
        r('trig', 'thr', 1e-3),
        r('out', '0', 1e4),
      ),
      0.03,
      ['out'],
      { from: 'dead' },
    );
    const ups = crossings(times, volts['out'], 2.5);
    const downs = crossings(times, volts['out'], 2.5, false);
    expect((downs[2] - ups[1]) / (Math.LN2 * (ra + rb) * cap)).toBeCloseTo(1, 4);
    expect((ups[1] - downs[1]) / (Math.LN2 * rb * cap)).toBeCloseTo(1, 4);
  });

  it('monostable: ln3·R·C after a short trigger', () => {
    const [ohms, cap] = [100e3, 1e-6];
    const { times, volts } = record(
      wire(
        step('vcc', 9),
        ...timer(),
        ramp('trig', [0, 9], [0.01, 9], [0.0100001, 0], [0.011, 0], [0.0110001, 9]),
        r('vcc', 'thr', ohms),
        c('thr', '0', cap),
        r('dis', 'thr', 1e-3),
        r('out', '0', 1e4),
      ),
      0.3,
      ['out'],
    );
    const [up] = crossings(times, volts['out'], 4.5);
    const [down] = crossings(times, volts['out'], 4.5, false);
    expect((down - up) / (Math.log(3) * ohms * cap)).toBeCloseTo(1, 4);
  });

  it('as a Schmitt trigger: trips at ⅔ going up and ⅓ coming down', () => {
    const { times, volts } = record(
      wire(
        step('vcc', 6),
        ...timer(),
        ramp('trig', [0, 0], [1, 6], [2, 0]),
        r('trig', 'thr', 1e-3),
        r('out', '0', 1e4),
        r('vcc', 'dis', 1e4),
      ),
      2,
      ['out'],
    );
    expect(crossings(times, volts['out'], 3, false)[0]).toBeCloseTo(4 / 6, 6);
    expect(crossings(times, volts['out'], 3)[0]).toBeCloseTo(2 - 2 / 6, 6);
  });
});

it('comparator with hysteresis: trips by superposition with the pull-up loading', () => {
  const [r1, r2, feedback, pullUp, vcc] = [10e3, 15e3, 100e3, 4.7e3, 5];
  const { times, volts } = record(
    wire(
      step('vcc', vcc),
      r('vcc', 'p', r1),
      r('p', '0', r2),
      r('p', 'out', feedback),
      r('vcc', 'out', pullUp),
      comparator({ sinkOhms: 1e-3 }),
      ramp('m', [0, 0], [1, 3.4], [2, 0]),
    ),
    2,
    ['out', 'm'],
  );
  const g = 1 / r1 + 1 / r2;
  const high = (vcc / r1 + vcc / (feedback + pullUp)) / (g + 1 / (feedback + pullUp));
  const low = vcc / r1 / (g + 1 / feedback);
  const down = crossings(times, volts['out'], vcc / 2, false)[0];
  const up = crossings(times, volts['out'], vcc / 2)[0];
  expect(3.4 * down).toBeCloseTo(high, 5);
  expect(3.4 * (2 - up)).toBeCloseTo(low, 5);
});

describe('what has no end is told, not waited for', () => {
  it('a comparator that feeds back on itself chatters', () => {
    const { run } = record(
      wire(
        step('vcc', 5),
        r('vcc', 'out', 1e3),
        r('out', 'm', 1),
        step('p', 1),
        comparator({ delay: 1e-6 }),
      ),
      0.1,
      ['out'],
    );
    expect(run.halt).toBeUndefined();
    expect(run.t).toBe(0.1);
    expect(run.chatters).toHaveLength(1);
    expect(run.chatters[0].every).toBeLessThan(5e-6);
  });

  it('two contacts that contradict each other without any time between', () => {
    const { run } = record(
      wire(step('vcc', 5), r('vcc', 'out', 1e3), r('out', 'm', 1), step('p', 1), comparator()),
      0.1,
      ['out'],
    );
    expect(run.t).toBe(0.1);
    expect(run.chatters).toHaveLength(1);
  });

  it('a run stops when it is asked to, and says so', () => {
    const { run } = record(
      wire(step('vcc', 5), r('vcc', 'out', 1e3), c('out', '0', 1e-6)),
      10,
      ['out'],
      { keepGoing: () => false },
    );
    expect(run.halt).toBe('stopped');
  });
});
