import { defineElement, type DeviceFactory } from './define-element.js';
import { turning } from './turning.js';

export interface MotorElement {
  type: 'motor';
  a: string;
  b: string;
  /** Signal node: speed in rad/s, as volts. */
  speed: string;
  ohms: number;
  henries: number;
  /** Back-EMF per speed and torque per current, V·s/rad. */
  constant: number;
  /** kg·m². */
  inertia: number;
  /** Torque per speed, N·m·s/rad. */
  friction: number;
  /** Constant torque it must overcome, N·m. */
  load: number;
  /** Held fast. */
  stalled: boolean;
}

const fineAmps = 20e-6;
const fineSpeed = 1e-3;
/** Speed within which dry friction turns round, rad/s. */
const creep = 0.5;

/**
 * A permanent-magnet motor: v = R·i + L·di/dt + k·ω and J·dω/dt = k·i − B·ω − load, where the load
 * works against the turning. Its unknowns are current and speed.
 */
const device: DeviceFactory<MotorElement> = (element, node, system) => {
  const a = node(element.a);
  const b = node(element.b);
  const branch = system.addBranch();
  const speed = node(element.speed);
  const kcl = [system.slot(a, branch), system.slot(b, branch)];
  const kvl = [a, b, branch, speed].map((column) => system.slot(branch, column));
  const turn = [branch, speed].map((column) => system.slot(speed, column));
  const flux = system.addState(element.henries * fineAmps);
  const spin = system.addState(element.inertia * fineSpeed);
  let present = element;
  const follow = turning(system);
  return {
    nodes: [a, b, speed],
    linear: false,
    set: (next) => (present = next),
    load: ({ values, rhs, x, alpha, history }) => {
      const { ohms, henries, constant, inertia, friction, load } = present;
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      values[kvl[2]] -= ohms + alpha * henries;
      values[kvl[3]] -= constant;
      rhs[branch] += history[flux];
      if (present.stalled) {
        values[turn[1]] += 1;
        return;
      }
      const w = follow(x[speed], creep);
      const sense = Math.tanh(w / creep);
      const drag = (load * (1 - sense ** 2)) / creep;
      // Divided by the constant, so that the row reads in amps.
      values[turn[0]] -= 1;
      values[turn[1]] += (alpha * inertia + friction + drag) / constant;
      rhs[speed] -= (history[spin] + load * sense - drag * w) / constant;
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
      out[2] = 0;
    },
    store: () => {
      system.q[flux] = present.henries * system.x[branch];
      system.q[spin] = present.inertia * system.x[speed];
    },
    reset: () => {
      system.q[flux] = 0;
      system.q[spin] = 0;
    },
    stored: () =>
      system.q[flux] ** 2 / (2 * present.henries) + system.q[spin] ** 2 / (2 * present.inertia),
    spent: (x) => {
      const { ohms, friction, load } = present;
      const speedNow = x[speed];
      const work = friction * speedNow + load * Math.tanh(speedNow / creep);
      return ohms * x[branch] ** 2 + (present.stalled ? 0 : work * speedNow);
    },
  };
};

export const motor = defineElement<MotorElement>({
  type: 'motor',
  nodes: ['a', 'b', 'speed'],
  signal: 'speed',
  conducts: (e) => [[e.a, e.b]],
  positive: ['ohms', 'henries', 'constant', 'inertia'],
  notNegative: ['friction'],
  device,
});
