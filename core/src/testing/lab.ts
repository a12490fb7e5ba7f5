import type { Element } from '../element/index.js';
import { Network, Transient, type TransientOptions } from '../circuit/index.js';

/** Elements wired by their own node names, with "0" as ground; each is a part called by its place. */
export function wire(...elements: Element[]): Network {
  const placed = elements.map((element, i) => ({
    part: `${element.type} ${i}`,
    element,
    node: (name: string) => name,
  }));
  return new Network(placed, '0');
}

export interface Course {
  times: number[];
  /** Volts of each watched node. */
  volts: Record<string, number[]>;
  run: Transient;
}

/** Runs a network and records some nodes at every step and jump. */
export function record(
  network: Network,
  until: number,
  nodes: readonly string[],
  options: TransientOptions & { from?: 'rest' | 'dead' } = {},
): Course {
  const run = new Transient(network, options);
  const course: Course = {
    times: [],
    volts: Object.fromEntries(nodes.map((n) => [n, []])),
    run,
  };
  const note = (t: number): void => {
    course.times.push(t);
    for (const node of nodes) course.volts[node].push(network.volts(node) ?? NaN);
  };
  run.observe({ stepped: note, jumped: note });
  if (options.from === 'dead') run.startDead();
  else {
    network.rest();
    run.startAtRest();
  }
  run.advance(until);
  return course;
}

/** Largest distance of a course from a formula, as a share of the formula's largest value. */
export function deviation(
  times: readonly number[],
  values: readonly number[],
  formula: (t: number) => number,
): number {
  const exact = times.map(formula);
  const size = Math.max(...exact.map(Math.abs));
  return Math.max(...values.map((v, i) => Math.abs(v - exact[i]))) / size;
}

/** Times at which a recorded course passes a level upwards (or downwards), by straight lines. */
export function crossings(
  times: readonly number[],
  values: readonly number[],
  level: number,
  up = true,
): number[] {
  return times.flatMap((t, i) => {
    if (i === 0) return [];
    const [a, b] = [values[i - 1], values[i]];
    const passes = up ? a < level && b >= level : a > level && b <= level;
    if (!passes) return [];
    const before = times[i - 1];
    return [before + ((level - a) / (b - a)) * (t - before)];
  });
}

/** A source that jumps from 0 to `volts` at time 0. */
export const step = (plus: string, volts: number): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts,
});

export const r = (a: string, b: string, ohms: number): Element => ({
  type: 'resistor',
  a,
  b,
  ohms,
});
export const c = (a: string, b: string, farads: number): Element => ({
  type: 'capacitor',
  a,
  b,
  farads,
});
export const l = (a: string, b: string, henries: number, ohms = 0): Element => ({
  type: 'inductor',
  a,
  b,
  henries,
  ohms,
});
