import type { System } from '../system.js';
import type { DeviceFactory } from './device.js';
import { across } from './two-terminal.js';

/** An error of this much in a level does not matter. */
const fine = 1e-6;

/** First-order lag towards a target: τ·dy/dt = target − y, with τ by the way it goes. */
function lag(system: System, node: number, times: () => { up: number; down: number }) {
  const diagonal = system.slot(node, node);
  const state = system.addState(fine);
  return {
    /** Stamps τ·dy/dt + y = target; the target's own part must be added by the caller. */
    load: (target: number): void => {
      const { up, down } = times();
      const tau = target >= across(system.x, node, -1) ? up : down;
      system.values[diagonal] += 1 + tau * system.alpha;
      system.rhs[system.at(node)] += target - tau * system.history[state];
    },
    store: (): void => {
      system.q[state] = across(system.x, node, -1);
    },
    reset: (value: number): void => {
      system.q[state] = value;
    },
  };
}

/** A level of the surroundings inside a part, as far as the part has followed it. */
export const level: DeviceFactory<'level'> = (element, node, system) => {
  const at = node(element.node);
  let present = element;
  const course = lag(system, at, () => present);
  return {
    nodes: [at],
    linear: false,
    set: (next) => (present = next),
    load: () => course.load(present.value),
    currents: (_x, out) => {
      out[0] = 0;
    },
    store: course.store,
    // The surroundings were there before the power.
    reset: () => course.reset(present.value),
  };
};

/** How far a part has warmed up: the share of its heat, (v/V)² held at 1, with a lag; cold before power. */
export const warmUp: DeviceFactory<'warm-up'> = (element, node, system) => {
  const [plus, minus, at] = [element.plus, element.minus, element.node].map(node);
  const slots = [plus, minus].map((column) => system.slot(at, column));
  let present = element;
  const course = lag(system, at, () => present);
  return {
    nodes: [plus, minus, at],
    linear: false,
    set: (next) => (present = next),
    load: ({ values, rhs, x }) => {
      const share = Math.max(0, across(x, plus, minus)) / present.volts;
      const slope = share < 1 ? (2 * share) / present.volts : 0;
      course.load(Math.min(1, share ** 2));
      values[slots[0]] -= slope;
      values[slots[1]] += slope;
      rhs[system.at(at)] -= slope * across(x, plus, minus);
    },
    currents: (_x, out) => {
      out[0] = out[1] = out[2] = 0;
    },
    store: course.store,
    reset: () => course.reset(0),
  };
};
