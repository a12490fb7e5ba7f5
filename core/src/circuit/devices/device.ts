import type { Element, ElementOf, ElementType } from '../../catalog/index.js';
import type { NoiseSource } from './noise.js';
import type { System } from '../system.js';

/**
 * A device's own switch: the part of it that stands in one of a few modes and jumps between them.
 * The modes hold while equations are solved; whoever solves asks afterwards whether they still fit.
 */
export interface Switching {
  /** The mode as a number, for history and for telling modes apart. */
  readonly mode: number;
  /** Times at which it changes by itself; Infinity when it does not. */
  readonly due: number;
  /** Above 0 once the present mode no longer fits; continuous in `x`, so that the moment can be found. */
  urge(x: Float64Array): number;
  /** Begins to leave a mode that no longer fits, or reaches the end of a wait. */
  flip(t: number): void;
  /** Goes at once where it is on its way to. */
  settle(): void;
  /** Back to a mode of before, with nothing under way. */
  restore(mode: number): void;
}

/** An element placed in a circuit: it stamps its linearised equations and tells its currents. */
export interface Device<E extends Element = Element> {
  /** Node numbers, −1 for ground, in the order in which `currents` reports. */
  readonly nodes: readonly number[];
  /** Its equations do not depend on the guess: stamped once per solve. */
  readonly linear: boolean;
  /** Takes new values; the type and the nodes stay. */
  set(element: E): void;
  /** Adds its part of the equations, linearised around `system.x`. */
  load(system: System): void;
  /** Currents into the device at each of its nodes, for the solved `x`. */
  currents(x: Float64Array, out: Float64Array): void;
  /** Writes its states for the solved `x` to `system.q`. */
  store?(): void;
  /** Writes its states before power is first given. */
  reset?(): void;
  /** Energy its charges and fluxes hold, J. */
  stored?(): number;
  /** Of what a device that stores energy takes in, the part that turns to heat or work, W. */
  spent?(x: Float64Array): number;
  /** The next moment after `t` at which what drives it has a corner. */
  nextCorner?(t: number): number;
  /** What fluctuates in it by itself, for the solved `x`. */
  noise?(x: Float64Array): NoiseSource[];
  readonly switching?: Switching;
}

/** Builds the device of one element type and reserves its places in the system. */
export type DeviceFactory<T extends ElementType> = (
  element: ElementOf<T>,
  node: (name: string) => number,
  system: System,
) => Device<ElementOf<T>>;
