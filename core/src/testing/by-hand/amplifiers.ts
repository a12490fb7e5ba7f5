import type { Element } from '../../element/index.js';
import { c, r } from '../lab.js';
import { dc, diode, ramp, root, shockley, sine, wave } from './case.js';
import type { HybridCase, Regime } from './hybrid.js';

/** A comparator without offset or bias whose output sinks 16 mA, on a 5 V or 12 V supply. */
const comparator = (plus: string, minus: string, output: string, more: object = {}): Element => ({
  type: 'comparator',
  ...{ plus, minus, output, supply: 'in', ground: '0', stage: 'open-collector' },
  ...{ offset: 0, hysteresis: 0, bias: 0, headroom: 1.5, sinkAmps: 0.016, sinkOhms: 50, delay: 0 },
  ...more,
});
const sinks = (v: number): number => 0.016 * Math.tanh(v / (50 * 0.016)) + 1e-9 * v;

/** The relaxation oscillator: 100 kΩ divider and feedback on the plus side, RC on the minus side. */
const divided = (out: number): number => (5 + out) / 3;
const oscillates = (low: boolean) => {
  // Output: 1 kΩ to 5 V, 47 kΩ to the capacitor, 100 kΩ to the divider.
  const out = (v: number): number =>
    root(
      (o) =>
        (5 - o) / 1e3 + (v - o) / 47e3 + (divided(o) - o) / 100e3 - (low ? sinks(o) : 1e-9 * o),
      -1,
      6,
    );
  return {
    f: (_: number, [v]: number[]) => [(out(v) - v) / 47e3 / 1e-6],
    out: (_: number, [v]: number[]) => v,
    ends: (_: number, [v]: number[]) => (low ? divided(out(v)) - v : v - divided(out(v))),
    then: low ? 0 : 1,
  };
};

export const comparators: Record<string, HybridCase> = {
  'comparator swings by its feedback': {
    elements: [
      dc('in', 5),
      comparator('p', 'out', 'o'),
      r('in', 'o', 1e3),
      r('o', 'out', 47e3),
      c('out', '0', 1e-6),
      r('in', 'p', 100e3),
      r('p', '0', 100e3),
      r('o', 'p', 100e3),
    ],
    watch: 'out',
    until: 0.2,
    y0: [0],
    regimes: [oscillates(false), oscillates(true)],
  },
  'comparator behind an RC delay lets a capacitor go': {
    elements: [
      dc('in', 5),
      r('in', 'd', 1e5),
      c('d', '0', 1e-6),
      r('in', 'ref', 10e3),
      r('ref', '0', 10e3),
      comparator('d', 'ref', 'out', { delay: 1e-3 }),
      r('in', 'out', 10e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 0.15,
    y0: [0, 0],
    // It lets go unpowered and so for its delay; then it sinks, until the delay has charged past half.
    regimes: [
      [1e-3, undefined, false],
      [undefined, (_: number, [d]: number[]) => d - 2.5, true],
      [1e-3, undefined, true],
      [undefined, undefined, false],
    ].map(([lasts, ends, low]) => ({
      f: (_: number, [d, v]: number[]) => [
        (5 - d) / 0.1,
        ((5 - v) / 10e3 - (low ? sinks(v) : 1e-9 * v)) / 1e-6,
      ],
      out: (_: number, [, v]: number[]) => v,
      lasts: lasts as number | undefined,
      ends: ends as Regime['ends'],
    })),
  },
  'comparator with its own hysteresis squares a sine': {
    elements: [
      dc('in', 12),
      sine('s', 2, 1.5, 20),
      dc('ref', 2.2),
      comparator('s', 'ref', 'o', { hysteresis: 0.3 }),
      r('in', 'o', 4.7e3),
      r('o', 'out', 10e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 0.15,
    y0: [0],
    regimes: [false, true].map((low) => {
      const o = (v: number): number =>
        root((x) => (12 - x) / 4.7e3 + (v - x) / 10e3 - (low ? sinks(x) : 1e-9 * x), -1, 13);
      return {
        f: (_: number, [v]: number[]) => [(o(v) - v) / 10e3 / 1e-6],
        out: (_: number, [v]: number[]) => v,
        ends: (t: number) => (low ? 1 : -1) * (wave(2, 1.5, 20)(t) - 2.2) - 0.3,
        then: low ? 0 : 1,
      };
    }),
  },
};

/** A slow op-amp, so that its pole and its slew show. */
const [gain, bandwidth, slew] = [1e5, 1e4, 5e3];
const opAmp = (plus: string, minus: string, output: string): Element => ({
  type: 'op-amp',
  ...{ plus, minus, output, supply: 'in', ground: '0', gain, bandwidth, slew, offset: 0, bias: 0 },
  // Free of its lower rail where it starts: a kink that lasts a microsecond is stepped over.
  ...{ marginHigh: 1.5, marginLow: -0.1, outputOhms: 100, limit: 0.02 },
});
const omega = 2 * Math.PI * bandwidth;
const reach = slew / omega;
const hold = Math.max(5 * reach, 1e-3);
/** The voltage behind its output resistance on a supply of 12 V. */
const climbs = (vd: number, u: number): number =>
  omega *
  (reach * Math.tanh(vd / reach) -
    u / gain -
    hold * (ramp((u - 10.5) / 0.01) - ramp((-0.1 - u) / 0.01)));
const gives = (over: number): number => 0.02 * Math.tanh(over / 2);

export const opAmps: Record<string, HybridCase> = {
  'op-amp follows a step no faster than it slews': {
    elements: [dc('in', 12), dc('s', 6), opAmp('s', 'out', 'out'), r('out', '0', 1e3)],
    watch: 'out',
    until: 4e-3,
    y0: [0],
    regimes: [
      {
        f: (_, [u]) => [climbs(6 - behind(u, 1e3), u)],
        out: (_, [u]) => behind(u, 1e3),
      },
    ],
  },
  'op-amp integrates into its rail': {
    elements: [
      dc('in', 12),
      dc('half', 6),
      r('0', 'm', 10e3),
      c('m', 'out', 1e-6),
      opAmp('half', 'm', 'out'),
      r('out', '0', 1e5),
    ],
    watch: 'out',
    until: 0.03,
    y0: [0, 0],
    // States: behind the output, and over the capacitor (output less input).
    regimes: [
      {
        f: (_, [u, q]) => {
          const o = fedBack(u, q);
          return [climbs(6 - (o - q), u), (o - q) / 10e3 / 1e-6];
        },
        out: (_, [u, q]) => fedBack(u, q),
      },
    ],
  },
  'op-amp holds peaks behind a diode': {
    elements: [
      dc('in', 12),
      sine('s', 3, 2, 50),
      opAmp('s', 'm', 'o'),
      diode('o', 'm'),
      r('m', 'out', 100),
      c('out', '0', 1e-6),
      r('out', '0', 1e5),
    ],
    watch: 'out',
    until: 0.06,
    y0: [0, 0],
    regimes: [
      {
        f: (t, [u, v]) => {
          const [m] = peak(u, v);
          return [climbs(wave(3, 2, 50)(t) - m, u), ((m - v) / 100 - v / 1e5) / 1e-6];
        },
        out: (_, [, v]) => v,
      },
    ],
  },
};

/** Output behind which `u` stands, with a resistor to ground. */
function behind(u: number, ohms: number): number {
  return root((o) => gives(u - o) - o / ohms, -1, 12);
}
/** Output that also feeds 10 kΩ through a charged capacitor. */
function fedBack(u: number, q: number): number {
  return root((o) => gives(u - o) - o / 1e5 - (o - q) / 10e3, -20, 20);
}
/** Where a diode's current goes into 100 Ω towards `v`: its cathode and its current. */
function peak(u: number, v: number): [number, number] {
  const amps = root(
    (i) => {
      const over = 2 * Math.atanh(Math.min(Math.max(i / 0.02, -0.999999), 0.999999));
      return shockley(u - over - (v + 100 * i)) - i;
    },
    -7e-9,
    0.0199,
  );
  return [v + 100 * amps, amps];
}
