import type { Design } from '../design/index.js';
import type { LogicEvent, LogicState } from '../logic/index.js';
import type { CoSimulation } from './co-simulation.js';
import type { Inputs } from './inputs.js';
import type { Naps } from './naps.js';
import { inWords, rerun, type Glance, type Rerun } from './rerun.js';
import type { Rests } from './rests.js';
import { laterBy, SleepCycles, type GoneOver, type Sleeper } from './sleep-cycles.js';
import type { LogicChange } from './traces.js';
import { Wakings, type Waking, type WakingRun } from './wakings.js';

/** A run through a scene, with what is taken down of it. */
export interface SleepingRun extends Sleeper, WakingRun {
  logic: LogicState;
  readonly changes: LogicChange[];
  readonly inputs: Inputs;
  readonly naps: Naps;
  readonly rests?: Rests;
  /** What all sources have given since the beginning, J. */
  readonly given: number | undefined;
}

/** Goes over what comes again while a controller sleeps and wakes: cycles in which nothing comes about, and those in which the same does. */
export class Sleeping {
  private readonly cycles: SleepCycles;
  private readonly wakings: Wakings;

  /** @param stride of so many readings after a wake one is kept */
  constructor(
    private readonly design: Design,
    private readonly course: CoSimulation,
    private readonly stride: number,
  ) {
    this.cycles = new SleepCycles(design, course);
    this.wakings = new Wakings(course);
  }

  /** Whether every pass is to be followed, to be repeated. */
  get isRecording(): boolean {
    return this.wakings.isRecording;
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
    const { wakings } = this;
    if (!wakings.isRecording) return;
    const { modes, settled } = this.course;
    wakings.pass(t, { read, events: inWords(events), modes, settled });
    if (!isPlain) wakings.spoil();
  }

  /** Goes on from the moment at which the controller has woken; the time of the last waking. */
  on(t: number, run: SleepingRun): number {
    const { wakings } = this;
    wakings.end(t, run);
    let now = t;
    for (;;) {
      const woken = (wakings.isUp ? undefined : this.rest(now, run)) ?? this.again(now, run);
      if (woken === undefined) break;
      now = woken;
    }
    wakings.land(run.logic);
    wakings.begin(now, run);
    return now;
  }

  /** Goes over cycles in which nothing comes about; when the controller wakes after them. */
  private rest(t: number, run: SleepingRun): number | undefined {
    const over = this.cycles.look(t, run);
    if (!over) return undefined;
    this.wakings.forget();
    return this.wentOver(over, run).since;
  }

  private wentOver(over: GoneOver, run: SleepingRun): LogicState['awake'] {
    for (const { channel, taken } of over.readers) run.inputs.takers.took(channel.id, taken);
    run.naps.repeat(over.from, over.asleep, over.period, over.times);
    run.logic = laterBy(run.logic, over);
    const { awake } = run.logic;
    run.recorder.skip(awake.since, run.given ?? 0);
    return awake;
  }

  /** Goes over what came before, if the program does in it what it did; when the controller wakes after that. */
  private again(t: number, run: SleepingRun): number | undefined {
    const taken = run.inputs.takers.counts;
    const take = (glance: Glance): number | undefined => run.inputs.take(glance);
    for (const waking of this.wakings.from(t, run)) {
      const done = rerun(this.design, run.logic, waking.passes, t, take, this.stride);
      if (done) return this.wakesAgain(waking, done, t, run);
      for (const [channel, count] of taken) run.inputs.takers.took(channel, count);
    }
    return undefined;
  }

  private wakesAgain(waking: Waking, done: Rerun, t: number, run: SleepingRun): number {
    run.changes.push(...done.changes);
    for (const [channel, at, value] of done.readings) run.inputs.keep(channel, at, value);
    done.passes.forEach(({ t: at, logic }, i) => {
      const { modes = [], settled = false } = waking.passes[i] ?? {};
      run.naps.look(at, logic.awake.asleep);
      run.rests?.look(at, logic, modes, settled);
    });
    run.logic = done.logic;
    run.recorder.again(waking, t);
    this.course.again(waking);
    const ends = t + waking.period;
    run.recorder.skip(ends, run.given ?? 0);
    this.wakings.wentOver(waking);
    this.cycles.forget();
    // Of those of which one follows from the other many are gone over at once.
    if (this.wakings.isLikeLast(waking)) this.wakings.land(run.logic);
    return ends;
  }
}
