import { c, l, r } from '../lab.js';
import {
  channel,
  charge,
  dc,
  diode,
  ebersMoll,
  nmos,
  npn,
  root,
  shockley,
  sine,
  vt,
  capped,
  wave,
  type Case,
} from './case.js';

export const semiconductors: Record<string, Case> = {
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
