import { kindOf, type Stimulus, type Params, type Quantity } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { Circuit } from './circuit.js';
import { StressWatch, type PartPeaks } from './stress.js';
import type { Halt, Observer, Ticker } from './transient.js';

/** A value that changes over time, by straight lines between points: a parameter, or something a part feels. */
export interface Drive {
  part: string;
  /** A parameter's or a quantity's name. */
  of: { param: string } | { stimulus: Quantity };
  /** s, ascending; two equal times make a step. */
  times: readonly number[];
  values: readonly number[];
}

export interface RunOptions {
  /** s. */
  until: number;
  /** From the steady state, or from the moment before power is first given. */
  from?: 'rest' | 'dead';
  drives?: readonly Drive[];
  celsius?: number;
  /** What every sensor feels at the start, by part. */
  stimulus?: Readonly<Record<string, Partial<Stimulus>>>;
  /** About how many moments to keep; jumps are always kept. */
  moments?: number;
  keepGoing?: () => boolean;
}

export interface ActChange {
  part: string;
  t: number;
  active: boolean;
  because: string;
}

/** Everything that came of one run. */
export interface Run {
  times: number[];
  /** Volts by net name. */
  nets: Record<string, number[]>;
  acting: ActChange[];
  peaks: PartPeaks[];
  chatters: { part: string; at: number; every: number }[];
  halt: Halt | undefined;
  /** Where it ended, s. */
  end: number;
  steps: number;
  events: number;
  problems: { message: string; cure: string }[];
}

/** A ramp is followed in this many steps over the whole run. */
const rampSteps = 1000;

/** Runs a design in time and keeps what can be shown or judged. */
export function runTransient(design: Design, options: RunOptions): Run {
  const circuit = new Circuit(design);
  const { until, drives = [], from = 'rest', celsius } = options;
  if (celsius !== undefined) circuit.setTemperature(celsius);
  for (const [part, stimulus] of Object.entries(options.stimulus ?? {}))
    circuit.setState(part, { stimulus });
  for (const drive of drives) apply(circuit, drive, 0);
  const resting = circuit.solve();
  const transient = circuit.transient({ keepGoing: options.keepGoing });
  const watch = new StressWatch(design, circuit, from === 'dead');
  const recorder = new Recorder(design, circuit, until / (options.moments ?? 5000), transient);
  transient.observe(watch);
  transient.observe(recorder);
  if (from === 'dead') transient.startDead();
  else transient.startAtRest();
  for (const [start, end] of stretches(drives, until)) {
    for (const drive of drives) apply(circuit, drive, start);
    if (start > 0) transient.restart();
    transient.advance(end, ramping(circuit, drives, start, end, until / rampSteps));
  }
  return {
    ...recorder.result,
    peaks: watch.peaks(),
    chatters: transient.chatters.map(({ device, at, every }) => ({
      part: circuit.partOf(device),
      at,
      every,
    })),
    halt: transient.halt,
    end: transient.t,
    steps: transient.steps,
    events: transient.events,
    problems: resting.problems.filter((p) => p.kind !== 'oscillates'),
  };
}

class Recorder implements Observer {
  readonly result: Pick<Run, 'times' | 'nets' | 'acting'> = { times: [], nets: {}, acting: [] };
  private readonly active = new Map<string, boolean>();
  private readonly nets: { name: string; id: string }[];
  private readonly actors;
  private last = -Infinity;

  constructor(
    design: Design,
    private readonly circuit: Circuit,
    private readonly spacing: number,
    private readonly clock: { t: number },
  ) {
    // A net that nothing ties to ground has no voltage to record.
    const told = circuit.nets.filter(({ id }) => circuit.network.volts(id) !== undefined);
    this.nets = distinct(told);
    for (const { name } of this.nets) this.result.nets[name] = [];
    this.actors = design.parts.flatMap((part) => {
      const { acts } = kindOf(part);
      return acts ? [{ id: part.id, acts, values: circuit.values(part.id) }] : [];
    });
  }

  stepped(t: number): void {
    if (t - this.last >= this.spacing) this.note(t);
    this.lookAtActors();
  }

  jumped(t: number): void {
    this.note(t);
    this.lookAtActors();
  }

  private note(t: number): void {
    this.last = t;
    this.result.times.push(t);
    for (const { id, name } of this.nets) {
      this.result.nets[name].push(this.circuit.network.volts(id) ?? NaN);
    }
  }

  private lookAtActors(): void {
    for (const { id, acts, values } of this.actors) {
      const params: Params = this.circuit.paramsOf(id) ?? {};
      values.update();
      const active = acts.active(values, params);
      if (active === (this.active.get(id) ?? false)) continue;
      this.active.set(id, active);
      const because = acts.because(values, params);
      this.result.acting.push({ part: id, t: this.clock.t, active, because });
    }
  }
}

/** Net names, each with its first terminal behind it where two nets share a name. */
function distinct(nets: readonly { id: string; name: string }[]): { id: string; name: string }[] {
  const count = new Map<string, number>();
  for (const { name } of nets) count.set(name, (count.get(name) ?? 0) + 1);
  return nets.map(({ id, name }) => ({
    id,
    name: count.get(name) === 1 ? name : `${name} (${id})`,
  }));
}

/** The run cut at every point of every drive. */
function stretches(drives: readonly Drive[], until: number): [number, number][] {
  const inner = drives.flatMap((d) => d.times.filter((t) => t > 0 && t < until));
  const cuts = [...new Set([0, ...inner, until])].sort((a, b) => a - b);
  return cuts.slice(1).map((end, i) => [cuts[i], end]);
}

function apply(circuit: Circuit, { part, of, times, values }: Drive, t: number): void {
  let i = 0;
  while (i < times.length && times[i] <= t) i++;
  const before = values[Math.max(0, i - 1)];
  const after = values[Math.min(values.length - 1, i)];
  const span = i > 0 && i < times.length ? times[i] - times[i - 1] : 0;
  const value = span > 0 ? before + ((after - before) * (t - times[i - 1])) / span : before;
  circuit.change(part, of, value);
}

/** Follows the drives that ramp between two cuts; undefined when all stand still. */
function ramping(
  circuit: Circuit,
  drives: readonly Drive[],
  start: number,
  end: number,
  every: number,
): Ticker | undefined {
  const moving = drives.filter(({ times, values }) =>
    times.some(
      (t, i) =>
        i > 0 &&
        values[i] !== values[i - 1] &&
        times[i - 1] <= start &&
        t >= end &&
        t > times[i - 1],
    ),
  );
  if (moving.length === 0) return undefined;
  return {
    every,
    tick: (t) => () => {
      for (const drive of moving) apply(circuit, drive, Math.min(t, end));
    },
  };
}
