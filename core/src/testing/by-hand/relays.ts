import type { Element } from '../../element/index.js';
import { c, r } from '../lab.js';
import { dc, sine, wave } from './case.js';
import type { HybridCase, Regime } from './hybrid.js';

const coil = (plus: string, minus: string, more: object = {}): Element => ({
  type: 'relay-coil',
  ...{ plus, minus, armature: 'arm', ohms: 270, henries: 0.3, pullIn: 0.03, dropOut: 0.008 },
  ...{ operate: 4e-3, release: 3e-3, latching: false, polarised: false },
  ...more,
});
const contact = (a: string, b: string, rests: 'open' | 'closed', bounce = 0): Element => ({
  type: 'contact',
  ...{ a, b, control: 'arm', rests, on: 0.5, off: 0.5, ohms: 0.05, bounce },
});
/** A coil's own equation at so many volts. */
const rises = (volts: number, amps: number): number => (volts - 270 * amps) / 0.3;

/** What ends the four phases of an armature: pulled in, on its way, dropped out, on its way back. */
const phase = (k: number, drops: (amps: number) => number): Partial<Regime> => ({
  ends: k % 2 === 1 ? undefined : (_, [i]) => (k === 0 ? i - 0.03 : drops(i)),
  lasts: k === 1 ? 4e-3 : k === 3 ? 3e-3 : undefined,
  then: (k + 1) % 4,
});

export const relays: Record<string, HybridCase> = {
  'relay pulls in and its contact charges a capacitor': {
    elements: [
      dc('in', 12),
      coil('in', '0'),
      contact('in', 'a', 'open'),
      r('a', 'out', 1e3),
      c('out', '0', 1e-5),
    ],
    watch: 'out',
    until: 0.05,
    y0: [0, 0],
    regimes: [
      { f: (_, [i]) => [rises(12, i), 0], out: () => 0, ends: (_, [i]) => i - 0.03 },
      { f: (_, [i]) => [rises(12, i), 0], out: () => 0, lasts: 4e-3 },
      { f: (_, [i, v]) => [rises(12, i), (12 - v) / 1000.05 / 1e-5], out: (_, [, v]) => v },
    ],
  },
  'relay on a slow sine pulls in and drops out': {
    elements: [
      sine('in', 5, 5, 2),
      coil('in', '0'),
      contact('in', 'out', 'open'),
      r('out', '0', 1e3),
    ],
    watch: 'arm',
    until: 1.4,
    y0: [0],
    regimes: [false, false, true, true].map((pulled, k) => ({
      f: (t: number, [i]: number[]) => [rises(wave(5, 5, 2)(t), i)],
      out: () => (pulled ? 1 : 0),
      ...phase(k, (i) => 0.008 - i),
    })),
  },
  'relay that interrupts itself, with a resistor beside its coil': {
    elements: [
      dc('in', 12),
      contact('in', 'a', 'closed'),
      coil('a', 'out'),
      r('a', 'out', 1e3),
      r('out', '0', 10),
    ],
    watch: 'out',
    until: 0.1,
    y0: [0],
    // Closed: 12 V over the coil and its resistor in parallel, 10 Ω behind both; open: it drives its resistor.
    regimes: [true, true, false, false].map((closed, k) => {
      const across = (i: number): number =>
        closed ? (12 - 10.05 * i) / (1 + 10.05 / 1e3) : -1e3 * i;
      return {
        f: (_: number, [i]: number[]) => [rises(across(i), i)],
        out: (_: number, [i]: number[]) => (closed ? 10 * (i + across(i) / 1e3) : 0),
        ...phase(k, (i) => 0.008 - i),
      };
    }),
  },
  'latching relay on a sine needs current the other way': {
    elements: [sine('in', 0, 12, 2), coil('in', '0', { latching: true, polarised: true })],
    watch: 'arm',
    until: 1.2,
    y0: [0],
    regimes: [false, false, true, true].map((pulled, k) => ({
      f: (t: number, [i]: number[]) => [rises(wave(0, 12, 2)(t), i)],
      out: () => (pulled ? 1 : 0),
      ...phase(k, (i) => -i - 0.03),
    })),
  },
  'contact that bounces into a capacitor': {
    elements: [
      dc('in', 12),
      coil('in', '0'),
      contact('in', 'a', 'open', 0.01),
      r('a', 'out', 1e3),
      c('out', '0', 1e-5),
      r('out', '0', 2e3),
    ],
    watch: 'out',
    until: 0.06,
    y0: [0, 0],
    regimes: [
      { f: (_, [i]) => [rises(12, i), 0], out: () => 0, ends: (_, [i]) => i - 0.03 },
      { f: (_, [i]) => [rises(12, i), 0], out: () => 0, lasts: 4e-3 },
      // Its bounces as shares of 10 ms: made, open, made …
      ...[0.12, 0.18, 0.12, 0.18, 0.08, 0.14, 0.05, 0.13, Infinity].map((share, k): Regime => ({
        f: (_, [i, v]) => [rises(12, i), ((k % 2 === 0 ? (12 - v) / 1000.05 : 0) - v / 2e3) / 1e-5],
        out: (_, [, v]) => v,
        lasts: 0.01 * share,
      })),
    ],
  },
};
