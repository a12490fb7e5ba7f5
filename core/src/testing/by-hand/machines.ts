import type { Element } from '../../element/index.js';
import { c, r } from '../lab.js';
import { dc, diode, shockley, sine, wave, type Case } from './case.js';

const lamp = (a: string, b: string): Element => ({
  type: 'filament',
  a,
  b,
  warmth: 'warm',
  hotOhms: 28.8,
  hotKelvin: 2500,
  watts: 5,
  warming: 0.15,
});
const cooled = (298.15 / 2500) ** 4;
const warming = (volts: number, y: number): number =>
  ((volts ** 2 * y ** -1.2) / 28.8 / 5 - (y ** 4 - cooled) / (1 - cooled)) / 0.15;
const motor = (a: string, b: string, load = 0): Element => ({
  type: 'motor',
  a,
  b,
  speed: 'speed',
  ohms: 6,
  henries: 6e-3,
  constant: 0.03,
  inertia: 4e-6,
  friction: 1e-5,
  load,
  stalled: false,
});
const spin =
  (supply: (t: number) => number, load = 0) =>
  (t: number, [i, w]: number[]): number[] => [
    (supply(t) - 6 * i - 0.03 * w) / 6e-3,
    (0.03 * i - 1e-5 * w - load * Math.tanh(w / 0.5)) / 4e-6,
  ];

export const machines: Record<string, Case> = {
  'lamp warms up at its rated voltage': {
    elements: [dc('in', 12), r('in', 'a', 0.5), lamp('a', '0')],
    watch: 'warm',
    until: 0.5,
    y0: [298.15 / 2500],
    f: (_, [y]) => {
      const ohms = 28.8 * y ** 1.2;
      return [warming((12 * ohms) / (ohms + 0.5), y)];
    },
    out: (_, [y]) => y,
    from: 'dead',
  },
  'lamp behind a resistor that keeps it dim': {
    elements: [dc('in', 12), r('in', 'a', 30), lamp('a', '0')],
    watch: 'a',
    until: 3,
    y0: [298.15 / 2500],
    f: (_, [y]) => {
      const ohms = 28.8 * y ** 1.2;
      return [warming((12 * ohms) / (ohms + 30), y)];
    },
    out: (_, [y]) => {
      const ohms = 28.8 * y ** 1.2;
      return (12 * ohms) / (ohms + 30);
    },
    from: 'dead',
  },
  'motor starts from standstill': {
    elements: [dc('in', 12), motor('in', '0')],
    watch: 'speed',
    until: 0.2,
    y0: [0, 0],
    f: spin(() => 12),
    out: (_, [, w]) => w,
    from: 'dead',
  },
  'motor starts against dry friction': {
    elements: [dc('in', 9), motor('in', '0', 5e-3)],
    watch: 'speed',
    until: 0.2,
    y0: [0, 0],
    f: spin(() => 9, 5e-3),
    out: (_, [, w]) => w,
    from: 'dead',
  },
  'motor on a sine turns to and fro': {
    elements: [sine('in', 0, 6, 5), motor('in', '0', 1e-3)],
    watch: 'speed',
    until: 0.5,
    y0: [0, 0],
    f: spin(wave(0, 6, 5), 1e-3),
    out: (_, [, w]) => w,
    from: 'dead',
  },
  'photocurrent charges against its own diode': {
    elements: [
      { type: 'current-source', from: '0', to: 'out', amps: 1e-3 },
      diode('out', '0'),
      r('out', '0', 10e3),
      c('out', '0', 1e-5),
    ],
    watch: 'out',
    until: 0.02,
    y0: [0],
    f: (_, [v]) => [(1e-3 - shockley(v) - v / 10e3) / 1e-5],
    out: (_, [v]) => v,
    from: 'dead',
  },
  'battery runs down through a resistor': {
    elements: [
      {
        type: 'battery',
        plus: 'out',
        minus: '0',
        level: 'level',
        capacity: 100,
        charge: 1,
        curve: [2, 3, 3.5, 4],
        ohms: 0.5,
        selfDischarge: 1e-3,
      },
      r('out', '0', 10),
    ],
    watch: 'level',
    until: 200,
    y0: [1],
    f: (_, [y]) => {
      const s = Math.min(1, y) * 3;
      const k = Math.min(2, Math.floor(s));
      const curve = [2, 3, 3.5, 4];
      const volts = curve[k] + (s - k) * (curve[k + 1] - curve[k]);
      const inner = 0.5 * (1 + 2 * (1 - Math.min(1, y)) ** 2);
      return [-(volts / (10 + inner) + 1e-3) / 100];
    },
    out: (_, [y]) => y,
    from: 'dead',
  },
};
