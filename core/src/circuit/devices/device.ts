import type { Element, ElementType } from '../../catalog/index.js';
import type { System } from '../system.js';

/** An element placed in a circuit: it stamps its linearised equations and tells its currents. */
export interface Device<E extends Element = Element> {
  /** Node numbers, −1 for ground, in the order in which `currents` reports. */
  readonly nodes: readonly number[];
  /** Takes new values; the type and the nodes stay. */
  set(element: E): void;
  /** Adds its part of the equations, linearised around `system.x`. */
  load(system: System): void;
  /** Currents into the device at each of its nodes, for the solved `x`. */
  currents(x: Float64Array, out: Float64Array): void;
}

/** Builds the device of one element type and reserves its places in the system. */
export type DeviceFactory<T extends ElementType> = (
  element: Extract<Element, { type: T }>,
  node: (name: string) => number,
  system: System,
) => Device<Extract<Element, { type: T }>>;
