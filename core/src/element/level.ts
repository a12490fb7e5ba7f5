import { defineElement, type DeviceFactory } from './define-element.js';
import { lag } from './lag.js';

/** Signal node that follows a value with a lag; the first of a chain that ends in a reading. */
export interface LevelElement {
  type: 'level';
  node: string;
  value: number;
  /** Time constants going up and coming down, s; 0 follows at once. */
  up: number;
  down: number;
  /** What it tells while it has not begun to follow, as at an operating point; the value when left out. */
  rests?: number;
}

/** A level of the surroundings inside a part, as far as the part has followed it. */
const device: DeviceFactory<LevelElement> = (element, node, system) => {
  const at = node(element.node);
  let present = element;
  const course = lag(system, at, () => present);
  return {
    nodes: [at],
    linear: false,
    set: (next) => (present = next),
    load: () => course.load(system.alpha === 0 ? (present.rests ?? present.value) : present.value),
    currents: (_x, out) => {
      out[0] = 0;
    },
    store: course.store,
    // The surroundings were there before the power.
    reset: () => course.reset(present.value),
  };
};

export const level = defineElement<LevelElement>({
  type: 'level',
  nodes: ['node'],
  signal: 'node',
  conducts: () => [],
  notNegative: ['up', 'down'],
  device,
});
