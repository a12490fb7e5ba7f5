import { defineElement, type DeviceFactory } from './define-element.js';
import { lag } from './lag.js';
import { across } from './two-terminal.js';

/** Signal node that goes to 1 V as the part is fed: min(1, (v/volts)²), with a lag. */
export interface WarmUpElement {
  type: 'warm-up';
  plus: string;
  minus: string;
  node: string;
  /** Supply from which it comes all the way, V. */
  volts: number;
  up: number;
  down: number;
}

/** How far a part has warmed up: the share of its heat, (v/V)² held at 1, with a lag; cold before power. */
const device: DeviceFactory<WarmUpElement> = (element, node, system) => {
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

export const warmUp = defineElement<WarmUpElement>({
  type: 'warm-up',
  nodes: ['plus', 'minus', 'node'],
  signal: 'node',
  conducts: () => [],
  notNegative: ['up', 'down'],
  device,
});
