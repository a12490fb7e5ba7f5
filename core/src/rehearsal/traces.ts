import type { LogicState } from '../logic/index.js';

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

/** A moment at which the controller decided differently. */
export interface LogicChange {
  t: number;
  logic: LogicState;
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
  let low = 0;
  let high = trace.times.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (trace.times[middle] <= t) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? undefined : trace.values[low - 1];
}
