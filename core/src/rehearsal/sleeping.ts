import type { Design } from '../design/index.js';
import type { LogicEvent, LogicState } from '../logic/index.js';
import type { CoSimulation } from './co-simulation.js';
import type { Inputs } from './inputs.js';
import type { Naps } from './naps.js';
import { Recurring, type Recurrence, type Recurrent } from './recurring.js';
import { inWords, rerun, type Glance, type Rerun } from './rerun.js';
import type { Rests } from './rests.js';
import { laterBy, SleepCycles, type GoneOver, type Sleeper } from './sleep-cycles.js';
import type { LogicChange } from './traces.js';

/** A run through a scene, with what is taken down of it. */
export interface SleepingRun extends Sleeper, Recurrent {
  logic: LogicState;
  readonly changes: LogicChange[];
  readonly inputs: Inputs;
  readonly naps: Naps;
  readonly rests?: Rests;
  /** What all sources have given since the beginning, J. */
  readonly given: number | undefined;
}

/** Goes over what recurs while a controller sleeps and wakes: cycles in which nothing comes about, and rounds of them in which the same does. */
export class Sleeping {
  private readonly cycles: SleepCycles;
  private readonly recurring: Recurring;

  /** @param stride of so many readings after a wake one is kept */
  constructor(
    private readonly design: Design,
    private readonly course: CoSimulation,
    private readonly stride: number,
  ) {
    this.cycles = new SleepCycles(design, course);
    this.recurring = new Recurring(course);
  }

  /** Whether every pass is to be followed, to be repeated. */
  get isRecording(): boolean {
    return this.recurring.isRecording;
  }

  /** A channel was read: what without noise. */
  see(channel: string, value: number | undefined): void {
    if (value !== undefined) this.cycles.see(channel, value);
  }

  /**
   * The program has made a pass.
   *
   * @param isPlain nothing has turned that the program is to know of before it reads
   */
  pass(t: number, read: readonly Glance[], events: readonly LogicEvent[], isPlain: boolean): void {
    const { recurring } = this;
    if (!recurring.isRecording) return;
    const { modes, settled } = this.course;
    recurring.pass(t, { read, events: inWords(events), modes, settled });
    if (!isPlain) recurring.spoil();
  }

  /** Goes on from the moment at which the controller has woken; the time of the last waking. */
  on(t: number, run: SleepingRun): number {
    const { cycles, recurring } = this;
    recurring.wake(t, run);
    if (recurring.isRecording) return t;
    const over = cycles.look(t, run);
    if (!over) return this.again(t, run);
    const { since } = this.wentOver(over, run);
    recurring.wake(since, run);
    return since;
  }

  private wentOver(over: GoneOver, run: SleepingRun): LogicState['awake'] {
    for (const { channel, taken } of over.readers) run.inputs.takers.took(channel.id, taken);
    run.naps.repeat(over.from, over.asleep, over.period, over.times);
    run.logic = laterBy(run.logic, over);
    const { awake } = run.logic;
    run.recorder.skip(awake.since, run.given ?? 0);
    return awake;
  }

  /** Goes over rounds as long as the program does in them what it did. */
  private again(t: number, run: SleepingRun): number {
    let now = t;
    for (;;) {
      const recurs = this.recurring.next(now, run);
      const taken = run.inputs.takers.counts;
      const take = (glance: Glance): number | undefined => run.inputs.take(glance);
      const done = recurs && rerun(this.design, run.logic, recurs.passes, now, take, this.stride);
      if (!done) {
        for (const [channel, count] of taken) run.inputs.takers.took(channel, count);
        return now;
      }
      this.roundOver(recurs, done, now, run);
      now += recurs.period;
      this.recurring.wentOver(now, run);
    }
  }

  private roundOver(recurs: Recurrence, done: Rerun, t: number, run: SleepingRun): void {
    run.changes.push(...done.changes);
    for (const [channel, at, value] of done.readings) run.inputs.keep(channel, at, value);
    done.passes.forEach(({ t: at, logic }, i) => {
      const { modes = [], settled = false } = recurs.passes[i] ?? {};
      run.naps.look(at, logic.awake.asleep);
      run.rests?.look(at, logic, modes, settled);
    });
    run.logic = done.logic;
    run.recorder.again(recurs, t);
    this.course.repeat(recurs, 1);
    run.recorder.skip(t + recurs.period, run.given ?? 0);
    this.cycles.forget();
  }
}
