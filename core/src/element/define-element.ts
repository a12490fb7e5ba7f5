import type { Element } from './elements.js';
import type { NoiseSource } from './noise.js';
import type { RunningWave } from './running-wave.js';
import type { System } from '../equations/index.js';

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
  event(x: Float64Array): number;
  /** Begins to leave a mode that no longer fits, or reaches the end of a wait. */
  transition(t: number): void;
  /** Goes at once where it is on its way to. */
  settle(): void;
  /** Back to a mode of before, with nothing under way. */
  restore(mode: number): void;
}

/** A charge that runs down or fills up so slowly that everything else can rest meanwhile. */
export interface Slow {
  /** Its place among the states. */
  readonly state: number;
  /** What it holds at most, in its unit. */
  readonly full: number;
  /** How fast it changes, in its unit per second, for the solved `x`. */
  rate(x: Float64Array): number;
  /** Takes what it holds now for what it has in a steady state. */
  keep(): void;
  /**
   * What it holds with all that was done to it from outside since this was asked last.
   *
   * @param now what it would hold without
   */
  changed(now: number): number;
  /** Another one takes its place, which holds this share of what it can. */
  renew(share: number): void;
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
  readonly slow?: Slow;
  /** The waveform that it follows, where its course is its own. */
  readonly wave?: RunningWave;
}

/** Builds the device of an element and reserves its places in the equations. */
export type DeviceFactory<E extends Element> = (
  element: E,
  node: (name: string) => number,
  system: System,
) => Device<E>;

/** Names of the fields with values of a type. */
type NamesOf<E, V> = {
  [F in keyof E]-?: NonNullable<E[F]> extends V ? F : never;
}[keyof E] &
  string;

/**
 * All that is to be known of one type of element: its nodes, what joins them, which values it can have, and the device that
 * stands for it in the equations. Checks of the structure and of values, modules and the solver ask this.
 */
export interface ElementKind<
  E extends Element = Element,
  Text extends string = string,
  Numeric extends string = string,
> {
  type: E['type'];
  /** The fields that name nodes, in the order in which currents are told. */
  nodes: readonly Text[];
  /**
   * The node that carries no current but tells what goes on inside: 1 V stands for 1 of whatever it is. It is held against
   * ground.
   */
  signal?: Text;
  /** Pairs of nodes between which direct current can flow. */
  conducts(element: E): readonly (readonly [string, string])[];
  /** Whether next to nothing flows between them where a junction or a gate blocks. */
  blocks?: true;
  /** Pairs of nodes that it ties together although no direct current flows. */
  holds?(element: E): readonly (readonly [string, string])[];
  /** Groups of its nodes that stand apart from its others: no current ever passes between the groups. */
  apart?(element: E): readonly (readonly string[])[];
  /** Whether it can give current by itself for long. */
  gives?: true;
  /** Pairs of nodes whose difference is forced. */
  forces?(element: E): readonly (readonly [string, string])[];
  /** Values that must be above zero, and those that must not be below it. */
  positive?: readonly Numeric[];
  notNegative?: readonly Numeric[];
  device(element: E, node: (name: string) => number, system: System): Device<E>;
}

/** Declares a type of element. */
export const defineElement = <E extends Element>(
  kind: ElementKind<E, NamesOf<E, string>, NamesOf<E, number>>,
): ElementKind<E> => kind;
