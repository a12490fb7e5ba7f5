import { Solver } from 'odex';
import type { Element } from '../catalog/index.js';
import { c, l, r, record, wire } from '../testing/lab.js';
import { thermalVoltage } from './index.js';

/**
 * Twenty nonlinear circuits against odex (Hairer's extrapolation code, on its own), which integrates
 * the circuit's equations written out here by hand: 0.1 % of the largest value, all along.
 */
interface Case {
  elements: Element[];
  watch: string;
  until: number;
  y0: number[];
  f: (t: number, y: number[]) => number[];
  /** The watched voltage from time and states. */
  out: (t: number, y: number[]) => number;
  from?: 'dead' | 'rest';
}

const vt = thermalVoltage();
const [is, n] = [7e-9, 1.8];
/** Explicit steps reach far out on the way: no junction is asked for more than e^40. */
const capped = (x: number): number => Math.expm1(Math.min(x, 40));
const shockley = (v: number): number => is * capped(v / (n * vt));

const diode = (anode: string, cathode: string, breakdown?: number): Element => ({
  type: 'diode',
  anode,
  cathode,
  saturation: is,
  emission: n,
  breakdown,
});
const sine = (plus: string, mean: number, amplitude: number, hertz: number): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts: mean,
  wave: { shape: 'sine', mean, amplitude, hertz },
});
const wave =
  (mean: number, amplitude: number, hertz: number) =>
  (t: number): number =>
    mean + amplitude * Math.sin(2 * Math.PI * hertz * t);
const dc = (plus: string, volts: number): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts,
});
const npn = (collector: string, base: string, emitter: string): Element => ({
  type: 'bipolar',
  polarity: 'npn',
  collector,
  base,
  emitter,
  saturation: 1e-14,
  forwardGain: 100,
  reverseGain: 1,
});
/** Collector and base current of that transistor. */
const ebersMoll = (vbe: number, vbc: number): [number, number] => {
  const e = 1e-14 * capped(vbe / vt);
  const b = 1e-14 * capped(vbc / vt);
  return [e - 2 * b, e / 100 + b];
};
const [vth, beta] = [1.5, 0.02];
const nmos = (drain: string, gate: string, source: string): Element => ({
  type: 'mosfet',
  polarity: 'n',
  drain,
  gate,
  source,
  threshold: vth,
  beta,
});
const channel = (vgs: number, vgd: number): number => {
  const w = 1.5 * vt;
  const half = (v: number): number => Math.log1p(Math.exp((v - vth) / (2 * w))) ** 2;
  return 2 * beta * w * w * (half(vgs) - half(vgd));
};
/** Root of a falling function by bisection. */
function root(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 200 && b - a > 1e-15 * Math.max(1, Math.abs(a)); i++) {
    const m = (a + b) / 2;
    if (f(m) > 0) a = m;
    else b = m;
  }
  return (a + b) / 2;
}
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
const charge = (volts: number, ohms: number, farads: number, takes: (v: number) => number) => ({
  y0: [0],
  f: (_: number, [v]: number[]): number[] => [((volts - v) / ohms - takes(v)) / farads],
  out: (_: number, [v]: number[]): number => v,
  from: 'dead' as const,
});

const cases: Record<string, Case> = {
  'diode across a charging capacitor': {
    elements: [dc('in', 5), r('in', 'out', 1e3), c('out', '0', 1e-6), diode('out', '0')],
    watch: 'out',
    until: 2e-3,
    ...charge(5, 1e3, 1e-6, shockley),
  },
  'three diodes in series as a clamp': {
    elements: [
      dc('in', 9),
      r('in', 'out', 470),
      c('out', '0', 1e-6),
      diode('out', 'x'),
      diode('x', 'y'),
      diode('y', '0'),
    ],
    watch: 'out',
    until: 2e-3,
    ...charge(9, 470, 1e-6, (v) => shockley(v / 3)),
  },
  'antiparallel diodes limit a sine': {
    elements: [
      sine('in', 0, 3, 200),
      r('in', 'out', 1e3),
      c('out', '0', 1e-7),
      diode('out', '0'),
      diode('0', 'out'),
    ],
    watch: 'out',
    until: 0.02,
    y0: [0],
    f: (t, [v]) => [((wave(0, 3, 200)(t) - v) / 1e3 - shockley(v) + shockley(-v)) / 1e-7],
    out: (_, [v]) => v,
    from: 'dead',
  },
  'half-wave rectifier with smoothing': {
    elements: [
      sine('in', 0, 12, 50),
      r('in', 'a', 5),
      diode('a', 'out'),
      c('out', '0', 220e-6),
      r('out', '0', 200),
    ],
    watch: 'out',
    until: 0.06,
    y0: [0],
    f: (t, [v]) => {
      const u = wave(0, 12, 50)(t) - v;
      const amps = root((x) => shockley(u - 5 * x) - x, -1e-6, Math.max(1e-6, u / 5 + 1e-6));
      return [(amps - v / 200) / 220e-6];
    },
    out: (_, [v]) => v,
    from: 'dead',
  },
  'zener clamps a charging capacitor': {
    elements: [dc('in', 12), r('in', 'out', 1e3), c('out', '0', 1e-6), diode('0', 'out', 5)],
    watch: 'out',
    until: 3e-3,
    ...charge(12, 1e3, 1e-6, (v) => 1e-3 * (capped((v - 5) / vt) + 1) - shockley(-v)),
  },
  'transistor empties a capacitor': {
    elements: [
      dc('cc', 5),
      dc('bb', 5),
      r('bb', 'b', 100e3),
      r('cc', 'out', 2e3),
      c('out', '0', 1e-6),
      npn('out', 'b', '0'),
      c('b', '0', 1e-9),
    ],
    watch: 'out',
    until: 5e-3,
    y0: [0, 0],
    f: (_, [v, b]) => {
      const [ic, ib] = ebersMoll(b, b - v);
      return [((5 - v) / 2e3 - ic) / 1e-6, ((5 - b) / 100e3 - ib) / 1e-9];
    },
    out: (_, [v]) => v,
    from: 'dead',
  },
  'emitter follower into a capacitor': {
    elements: [
      dc('cc', 9),
      sine('b', 5, 2, 300),
      npn('cc', 'b', 'out'),
      r('out', '0', 1e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 8e-3,
    y0: [0],
    f: (t, [v]) => {
      const b = wave(5, 2, 300)(t);
      const [ic, ib] = ebersMoll(b - v, b - 9);
      return [(ic + ib - v / 1e3) / 1e-6];
    },
    out: (_, [v]) => v,
    from: 'rest',
  },
  'transistor amplifies a sine': {
    elements: [
      dc('cc', 12),
      sine('in', 1.2, 0.3, 500),
      r('in', 'b', 47e3),
      c('b', '0', 1e-9),
      npn('out', 'b', '0'),
      r('cc', 'out', 4.7e3),
      c('out', '0', 10e-9),
    ],
    watch: 'out',
    until: 6e-3,
    y0: [0, 0],
    f: (t, [v, b]) => {
      const [ic, ib] = ebersMoll(b, b - v);
      return [((12 - v) / 4.7e3 - ic) / 10e-9, ((wave(1.2, 0.3, 500)(t) - b) / 47e3 - ib) / 1e-9];
    },
    out: (_, [v]) => v,
    from: 'dead',
  },
  'MOSFET empties a capacitor through its regions': {
    elements: [
      dc('dd', 12),
      dc('g', 5),
      r('dd', 'out', 10e3),
      c('out', '0', 1e-6),
      nmos('out', 'gate', '0'),
      r('g', 'gate', 100e3),
      c('gate', '0', 1e-7),
    ],
    watch: 'out',
    until: 0.05,
    y0: [0, 0],
    f: (_, [v, g]) => [((12 - v) / 10e3 - channel(g, g - v)) / 1e-6, (5 - g) / 100e3 / 1e-7],
    out: (_, [v]) => v,
    from: 'dead',
  },
  'MOSFET as a source follower': {
    elements: [
      dc('dd', 12),
      sine('g', 6, 2, 100),
      nmos('dd', 'g', 'out'),
      r('out', '0', 2e3),
      c('out', '0', 1e-6),
    ],
    watch: 'out',
    until: 0.02,
    y0: [0],
    f: (t, [v]) => {
      const g = wave(6, 2, 100)(t);
      return [(channel(g - v, g - 12) - v / 2e3) / 1e-6];
    },
    out: (_, [v]) => v,
    from: 'rest',
  },
  'coil with a diode beside it on a sine': {
    elements: [
      sine('in', 0, 12, 100),
      r('in', 'a', 10),
      c('a', '0', 1e-6),
      l('a', 'b', 0.05),
      r('b', '0', 50),
      diode('0', 'a'),
    ],
    watch: 'a',
    until: 0.03,
    y0: [0, 0],
    f: (t, [v, i]) => [
      ((wave(0, 12, 100)(t) - v) / 10 - i + shockley(-v)) / 1e-6,
      (v - 50 * i) / 0.05,
    ],
    out: (_, [v]) => v,
    from: 'dead',
  },
  'ringing circuit damped by a diode': {
    elements: [
      dc('in', 5),
      r('in', 'a', 10),
      l('a', 'out', 1e-3),
      c('out', '0', 1e-6),
      diode('out', 'cap'),
      dc('cap', 6),
    ],
    watch: 'out',
    until: 1.5e-3,
    y0: [0, 0],
    f: (_, [v, i]) => [(i - shockley(v - 6)) / 1e-6, (5 - 10 * i - v) / 1e-3],
    out: (_, [v]) => v,
    from: 'dead',
  },
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
  'voltage doubler': {
    elements: [
      sine('in', 0, 5, 1000),
      r('in', 'a', 100),
      c('a', 'b', 1e-6),
      diode('0', 'b'),
      diode('b', 'out'),
      c('out', '0', 1e-6),
      r('out', '0', 20e3),
    ],
    watch: 'out',
    until: 8e-3,
    y0: [0, 0],
    // States: v(a) − v(b) and v(out). The node b balances the currents.
    f: (t, [u, v]) => {
      const e = wave(0, 5, 1000)(t);
      const b = root((x) => (e - u - x) / 100 + shockley(-x) - shockley(x - v), -30, 30);
      return [(e - u - b) / 100 / 1e-6, (shockley(b - v) - v / 20e3) / 1e-6];
    },
    out: (_, [, v]) => v,
    from: 'dead',
  },
};

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
