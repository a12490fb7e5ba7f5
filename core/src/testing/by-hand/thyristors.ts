import type { Element } from '../../element/index.js';
import { c, l, r } from '../lab.js';
import { capped, dc, ramp, root, sine, vt, wave } from './case.js';
import type { HybridCase, Regime } from './hybrid.js';

const thyristor = (anode: string, gate: string): Element => ({
  type: 'thyristor',
  ...{ anode, gate, cathode: '0', trigger: 2e-4, latching: 5e-3, holding: 3e-3 },
  ...{ dropVolts: 0.8, dropOhms: 0.5 },
});
const gateAmps = (v: number): number => 2e-4 * Math.exp(-0.65 / vt) * capped(v / vt);
const anodeAmps = (v: number): number =>
  ((ramp((v - 0.8) / 0.02) - ramp(-0.8 / 0.02)) * 0.02) / 0.5 + 1e-9 * v;
/** Anode volts behind a resistor. */
const anodeVolts = (volts: number, ohms: number): number =>
  root((v) => (volts - v) / ohms - anodeAmps(v), Math.min(0, volts), Math.max(1, volts));
/** Volts of a gate behind a resistor. */
const gateVolts = (volts: number, ohms: number): number =>
  volts <= 0 ? volts : root((v) => (volts - v) / ohms - gateAmps(v), 0, volts);

export const thyristors: Record<string, HybridCase> = {
  'thyristor fires when its gate has charged, and stays on': {
    elements: [
      dc('in', 12),
      r('in', 'out', 100),
      thyristor('out', 'g'),
      r('in', 'g', 22e3),
      c('g', '0', 1e-5),
    ],
    watch: 'out',
    until: 0.1,
    y0: [0],
    regimes: [12 - 12 * 100e-9, anodeVolts(12, 100)].map((volts, fired): Regime => ({
      f: (_, [v]) => [((12 - v) / 22e3 - gateAmps(v)) / 1e-5],
      out: () => volts,
      ends: fired ? undefined : (_, [v]) => gateAmps(v) - 2e-4,
    })),
  },
  'thyristor empties a capacitor and lets go': {
    elements: [
      dc('in', 12),
      r('in', 'out', 10e3),
      c('out', '0', 1e-4),
      r('out', 'a', 100),
      thyristor('a', 'g'),
      sine('s', -1, 6, 1),
      r('s', 'g', 4.7e3),
    ],
    watch: 'out',
    until: 1.8,
    y0: [0],
    regimes: [
      {
        f: (_, [v]) => [(12 - v) / 10e3 / 1e-4],
        out: (_, [v]) => v,
        ends: (t, [v]) => Math.min(gateAmps(gateVolts(wave(-1, 6, 1)(t), 4.7e3)) - 2e-4, v - 0.8),
      },
      {
        f: (_, [v]) => [((12 - v) / 10e3 - (v - anodeVolts(v, 100)) / 100) / 1e-4],
        out: (_, [v]) => v,
        ends: (t, [v]) =>
          Math.min(
            1 - gateAmps(gateVolts(wave(-1, 6, 1)(t), 4.7e3)) / 2e-4,
            1 - (v - anodeVolts(v, 100)) / 100 / 3e-3,
          ),
        then: 0,
      },
    ],
  },
  'thyristor with a coil on a sine': {
    elements: [
      sine('in', 12, 10, 5),
      r('in', 'a', 100),
      l('a', 'b', 0.5),
      r('b', 'a2', 1),
      thyristor('a2', 'g'),
      dc('five', 5),
      r('five', 'g', 10e3),
      c('g', '0', 4.7e-6),
      r('in', 'out', 1e3),
      r('out', 'a', 1e3),
    ],
    watch: 'out',
    until: 0.5,
    y0: [0, 0],
    regimes: [false, true].map((on): Regime => {
      // 100 Ω beside 2 kΩ feed the coil; without current through it all stands at the source.
      const ohms = 1 / (1 / 100 + 1 / 2e3);
      return {
        f: (t, [i, v]) => [
          on
            ? (wave(12, 10, 5)(t) - (ohms + 1) * i - root((u) => i - anodeAmps(u), 0, 20)) / 0.5
            : 0,
          ((5 - v) / 10e3 - gateAmps(v)) / 4.7e-6,
        ],
        out: (t, [i]) => wave(12, 10, 5)(t) - (ohms * i) / 2,
        ends: on ? undefined : (_, [, v]) => gateAmps(v) - 2e-4,
      };
    }),
  },
};
