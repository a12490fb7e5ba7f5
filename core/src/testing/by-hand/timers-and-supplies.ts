import type { Element } from '../../element/index.js';
import { c, r } from '../lab.js';
import { dc, diode, ebersMoll, npn, ramp, root, shockley, sine, wave } from './case.js';
import type { HybridCase, Regime } from './hybrid.js';

const timer = (more: Partial<Record<'trigger' | 'reset', string>> = {}): Element[] => [
  {
    type: 'timer-core',
    ...{ supply: 'in', ground: '0', trigger: 'out', threshold: 'out', upper: 'u', lower: 'l' },
    ...{ reset: 'in', output: 'o', discharge: 'd', dropHigh: 1.4, dropLow: 0.1, outputOhms: 10 },
    ...{ dischargeOhms: 20, delay: 0 },
    ...more,
  },
  r('in', 'u', 5e3),
  r('u', 'l', 5e3),
  r('l', '0', 5e3),
];

export const timers: Record<string, HybridCase> = {
  'timer swings between a third and two thirds': {
    elements: [
      dc('in', 9),
      ...timer(),
      r('in', 'd', 10e3),
      r('d', 'out', 22e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 0.15,
    y0: [0],
    regimes: [
      { f: (_, [v]) => [(9 - v) / 32e3 / 1e-6], out: (_, [v]) => v, ends: (_, [v]) => v - 6 },
      {
        f: (_, [v]) => {
          const d = (9 / 10e3 + v / 22e3) / (1 / 10e3 + 1 / 22e3 + 1 / 20);
          return [(d - v) / 22e3 / 1e-6];
        },
        out: (_, [v]) => v,
        ends: (_, [v]) => 3 - v,
        then: 0,
      },
    ],
  },
  'timer runs once when its trigger dips': {
    elements: [
      dc('in', 9),
      ...timer({ trigger: 's' }),
      r('in', 'out', 47e3),
      r('out', 'd', 10),
      c('out', '0', 1e-6),
      sine('s', 6, 5, 5),
    ],
    watch: 'out',
    until: 0.4,
    y0: [0],
    // Ready until the trigger is under a third; at two thirds it ends, or as soon as the trigger is above.
    regimes: [
      {
        f: (_, [v]) => [((9 - v) / 47e3 - v / 30) / 1e-6],
        out: (_, [v]) => v,
        ends: (t) => 3 - wave(6, 5, 5)(t),
      },
      {
        f: (_, [v]) => [(9 - v) / 47e3 / 1e-6],
        out: (_, [v]) => v,
        ends: (t, [v]) => Math.min(v - 6, wave(6, 5, 5)(t) - 3),
        then: 0,
      },
    ],
  },
};

/** A regulator of 5 V that wants 0.5 V over it. */
const regulator = (limit?: number): Element => ({
  type: 'regulator',
  ...{ input: 'a', output: 'out', ground: '0', volts: 5, dropOut: 0.5, outputOhms: 0.2, limit },
});
const aims = (v: number): number =>
  0.02 * (ramp((v - 0.5) / 0.02) - ramp((v - 5.5) / 0.02) - ramp(-0.5 / 0.02) + ramp(-5.5 / 0.02));
const pastLimit = (amps: number): number => 1000 * 1e-3 * ramp((amps - 0.1) / 1e-3);

export const regulators: Record<string, HybridCase> = {
  'regulator follows its input until it regulates': {
    elements: [
      dc('in', 9),
      r('in', 'a', 47),
      c('a', '0', 1e-3),
      regulator(),
      c('out', '0', 1e-5),
      r('out', '0', 220),
    ],
    watch: 'out',
    until: 0.25,
    y0: [0, 0],
    regimes: [
      {
        f: (_, [a, v]) => {
          const amps = Math.max(0, (aims(a) - v) / 0.2);
          return [((9 - a) / 47 - amps - 1e-6 * a) / 1e-3, (amps - v / 220) / 1e-5];
        },
        out: (_, [, v]) => v,
      },
    ],
  },
  'regulator charges a capacitor at its limit': {
    elements: [dc('a', 9), regulator(0.1), c('out', '0', 2e-3), r('out', '0', 100)],
    watch: 'out',
    until: 0.25,
    y0: [0],
    regimes: [
      {
        f: (_, [v]) => {
          const amps = root((j) => aims(9) - v - 0.2 * j - pastLimit(j), 0, 1);
          return [(amps - v / 100) / 2e-3];
        },
        out: (_, [v]) => v,
      },
    ],
  },
};

const fuse: Element = { type: 'fuse', a: 'in', b: 'a', ohms: 0.1, carries: 1, melting: 2 };
const melts = (amps: number, heat: number): number => (amps ** 2 - heat) / 2;

export const others: Record<string, HybridCase> = {
  'fuse melts and the load runs on from its capacitor': {
    elements: [dc('in', 12), fuse, r('a', 'out', 1.4), c('out', '0', 0.1), r('out', '0', 4.5)],
    watch: 'out',
    until: 3,
    y0: [0, 0],
    regimes: [
      {
        f: (_, [v, heat]) => {
          const amps = (12 - v) / 1.5;
          return [(amps - v / 4.5) / 0.1, melts(amps, heat)];
        },
        out: (_, [v]) => v,
        ends: (_, [, heat]) => heat - 1,
      },
      { f: (_, [v]) => [-v / 4.5 / 0.1, 0], out: (_, [v]) => v },
    ],
  },
  'fuse warms by a sine and lets a filter go': {
    elements: [
      sine('in', 0, 3.6, 2),
      fuse,
      r('a', 'm', 1.9),
      r('m', '0', 1.6),
      r('m', 'out', 1e3),
      c('out', '0', 1e-4),
    ],
    watch: 'out',
    until: 4,
    y0: [0, 0],
    // 2 Ω feed what 1.6 Ω and the filter load; once it has melted nothing does.
    regimes: [0.5, 0].map((fed): Regime => {
      const m = (t: number, v: number): number =>
        (fed * wave(0, 3.6, 2)(t) + v / 1e3) / (fed + 1 / 1e3 + 1 / 1.6);
      return {
        f: (t, [v, heat]) => [
          (m(t, v) - v) / 1e3 / 1e-4,
          melts(fed * (wave(0, 3.6, 2)(t) - m(t, v)), heat),
        ],
        out: (_, [v]) => v,
        ends: fed > 0 ? (_, [, heat]) => heat - 1 : undefined,
      };
    }),
  },
  'optocoupler from a sine into a capacitor': {
    elements: [
      sine('s', 0, 6, 20),
      r('s', 'l', 1e3),
      diode('l', '0'),
      // What flows through the lamp, read off as its volts over 1 kΩ, is base current.
      { type: 'transconductance', from: '0', to: 'b', plus: 's', minus: 'l', siemens: 1e-5 },
      npn('out', 'b', '0'),
      r('b', '0', 1e5),
      dc('in', 5),
      r('in', 'out', 4.7e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 0.15,
    y0: [0],
    regimes: [
      {
        f: (t, [v]) => {
          const s = wave(0, 6, 20)(t);
          const l = root((x) => (s - x) / 1e3 - shockley(x), Math.min(s, 0), Math.max(s, 0.1));
          const fed = (s - l) * 1e-5;
          const b = root((x) => fed - x / 1e5 - ebersMoll(x, x - v)[1], -7, 1.5);
          return [((5 - v) / 4.7e3 - ebersMoll(b, b - v)[0]) / 1e-6];
        },
        out: (_, [v]) => v,
      },
    ],
  },
  'gate with hysteresis swings by a resistor': {
    elements: [
      dc('in', 5),
      {
        type: 'schmitt',
        ...{ input: 'out', output: 'o', supply: 'in', ground: '0', inverts: true },
        ...{ rising: 0.6, falling: 0.35, ohms: 100, delay: 0 },
      },
      r('o', 'out', 10e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 0.05,
    y0: [0],
    regimes: [
      { f: (_, [v]) => [(5 - v) / 10.1e3 / 1e-6], out: (_, [v]) => v, ends: (_, [v]) => v - 3 },
      {
        f: (_, [v]) => [-v / 10.1e3 / 1e-6],
        out: (_, [v]) => v,
        ends: (_, [v]) => 1.75 - v,
        then: 0,
      },
    ],
  },
};
