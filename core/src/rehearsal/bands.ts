import type { Design } from '../design/index.js';
import type { Rehearsal } from './rehearsal.js';
import type { LogicState } from '../logic/index.js';
import { emptyTrace, hold, type Trace } from './traces.js';

/** A stretch of time over which something stays as it is. */
export interface Band {
  from: number;
  to: number;
  /** What it is: a mode's id, or the reason why the controller stands still. */
  label: string;
}

/** Which mode a machine was in, from the beginning of a rehearsal to its end. */
export const modeBands = (design: Design, rehearsal: Rehearsal, machine: string): Band[] =>
  bands(rehearsal, (logic) => logic?.modes[machine]?.mode ?? startOf(design, rehearsal, machine));

const startOf = (design: Design, { scene }: Rehearsal, machine: string): string | undefined =>
  design.scenes.find((s) => s.id === scene)?.modes?.[machine] ??
  design.machines.find((m) => m.id === machine)?.start;

/** When a rule was active. */
export const ruleBands = (rehearsal: Rehearsal, rule: string): Band[] =>
  bands(rehearsal, (logic) => (logic?.rules[rule]?.active ? rule : undefined));

/** When a sequence played. */
export const sequenceBands = (rehearsal: Rehearsal, sequence: string): Band[] =>
  bands(rehearsal, (logic) =>
    logic?.playing[sequence] === undefined ? undefined : `${sequence} ${logic.playing[sequence]}`,
  );

/** What a counter has counted. */
export function counterTrace(rehearsal: Rehearsal, counter: string): Trace {
  const trace = emptyTrace();
  hold(trace, 0, 0);
  for (const { t, logic } of rehearsal.logic) hold(trace, t, logic.counters[counter] ?? 0);
  return trace;
}

/** When the controller slept or stood still. */
export const idleBands = ({ outages, asleep }: Rehearsal): Band[] =>
  [
    ...asleep.map(({ from, to }) => ({ from, to, label: 'asleep' })),
    ...outages.map(({ from, to, because }) => ({ from, to, label: `stopped: ${because}` })),
  ].sort((a, b) => a.from - b.from);

/** The energy that all sources together have given up to each change of their power, J; in between it rises evenly. */
export function energyTrace({ watts, duration }: Rehearsal): Trace {
  const trace: Trace = { times: [], values: [] };
  let joules = 0;
  watts.times.forEach((t, i) => {
    trace.times.push(t);
    trace.values.push(joules);
    joules += (watts.values[i] ?? 0) * ((watts.times[i + 1] ?? duration) - t);
  });
  if (watts.times.length > 0) {
    trace.times.push(duration);
    trace.values.push(joules);
  }
  return trace;
}

/** Stretches over which what is read from the controller's state is the same; where it is nothing there is none. */
function bands(
  { logic, duration }: Rehearsal,
  read: (logic: LogicState | undefined) => string | undefined,
): Band[] {
  const found: Band[] = [];
  let open: Band | undefined;
  const change = (t: number, label: string | undefined): void => {
    if (open?.label === label) return;
    if (open) found.push({ ...open, to: t });
    open = label === undefined ? undefined : { from: t, to: duration, label };
  };
  change(0, read(undefined));
  for (const entry of logic) change(entry.t, read(entry.logic));
  if (open) found.push(open);
  return found.filter((band) => band.to > band.from);
}
