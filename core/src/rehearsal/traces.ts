import type { LogicEvent, LogicState } from '../logic/index.js';

/** A quantity that holds each value until the next time. */
export interface Trace {
  times: number[];
  values: number[];
}

/** When an acting part began or ceased to act, and why, with numbers. */
export interface ActingChange {
  part: string;
  t: number;
  active: boolean;
  because: string;
}

/** A moment at which something came about in the controller, what, and its state from then on. */
export interface LogicChange {
  t: number;
  logic: LogicState;
  events: readonly LogicEvent[];
}

export const emptyTrace = (): Trace => ({ times: [], values: [] });

/** Appends a value where it differs from the last one. */
export function hold(trace: Trace, t: number, value: number): void {
  if (trace.values[trace.values.length - 1] === value) return;
  trace.times.push(t);
  trace.values.push(value);
}

/** The value of a trace at a time; undefined before its first. */
export function valueAt(trace: Trace, t: number): number | undefined {
  const before = countUpTo(trace.times, t, (time) => time);
  return before === 0 ? undefined : trace.values[before - 1];
}

/** How many of a list in the order of time lie at a time or before it. */
export function countUpTo<A>(list: readonly A[], t: number, timeOf: (item: A) => number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const item = list[middle];
    if (item !== undefined && timeOf(item) <= t) low = middle + 1;
    else high = middle;
  }
  return low;
}
