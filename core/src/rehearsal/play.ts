import type { Solution } from '../circuit/index.js';
import type { Channel, Design, Scene } from '../design/index.js';
import {
  isDue,
  nextPass,
  resetEvents,
  restingLogic,
  stepLogic,
  type LogicEvent,
  type LogicState,
} from '../logic/index.js';
import { reached } from '../quantity/index.js';
import { clockAt, type Span, type Spans } from '../scene/index.js';
import { CoSimulation } from './co-simulation.js';
import type { Course } from './course.js';
import { DamageWatch } from './damage-watch.js';
import { looksAt } from './looks.js';
import { markBefore, type Resumption, type PlayMark } from './mark.js';
import { Naps } from './naps.js';
import { readOn, type Reader } from './quiescent.js';
import { becomesQuiescent, strideOf } from './pace.js';
import { Inputs } from './inputs.js';
import { nextMoment, soonestReading, told } from './rerun.js';
import type { CycleReader } from './sleep-cycles.js';
import { Sleeping, type SleepingRun } from './sleeping.js';
import { firingsOf, type Firing } from './firings.js';
import type { ReadingNoise } from './reading-noise.js';
import { nextFadeLook, Recorder } from './recorder.js';
import type { Played } from './played.js';
import type { Rehearsal } from './rehearsal.js';
import { Rests } from './rests.js';
import { Rig } from './rig.js';
import { SettledCourse } from './settled-course.js';
import type { Heeded } from './sensor-noise.js';
import { Stillness } from './stillness.js';
import { stoodStill, Supervisor } from './supervisor.js';
import { givenEnergy, givenWatts } from './supply-power.js';
import { type LogicChange, type Trace } from './traces.js';
import { watched, Watch } from './watch.js';

/** How a scene is gone through; see `rehearse`. */
export type Path = 'fast' | 'full' | 'time' | 'coarse';

/** On the coarse path what a sensor feels counts as unchanged below this share of itself; see `coarse-path.spec.ts`. */
const coarse = 5e-3;

/** One run through a scene, with all it has to remember. */
export class Play implements SleepingRun, Played {
  readonly rig: Rig;
  readonly damage: DamageWatch;
  private readonly course: Course;
  /** The circuit in time, where it is rehearsed so. */
  readonly timed?: CoSimulation;
  readonly inputs: Inputs;
  private readonly stillness: Stillness;
  readonly stride: number;
  readonly supervisor: Supervisor;
  readonly recorder: Recorder;
  readonly circuit: Rehearsal['circuit'];
  /** Whether power only comes on as the scene begins. */
  private readonly dead: boolean;
  readonly changes: LogicChange[];
  /** Only how it comes out is wanted. */
  private readonly lean: boolean;
  private readonly watch: Watch;
  /** The next look at the circuit that nothing else brings. */
  private readonly nextLook: (t: number) => number;
  logic: LogicState;
  /** Where another run stood that it goes on from. */
  private from?: PlayMark;
  /** Where it stood before things happened, and when those begin. */
  private readonly marks: PlayMark[] = [];
  private readonly starts: Spans<Span>;
  /** From when to when the controller slept. */
  readonly naps = new Naps();
  /** Where it sleeps and wakes, and nothing else happens for a while. */
  private readonly sleeping?: Sleeping;
  /** When all was as at the beginning; taken down from the first look on. */
  rests?: Rests;
  /** What batteries held at the beginning. */
  held?: CoSimulation['held'];

  constructor(
    readonly design: Design,
    readonly scene: Scene,
    private readonly path: Path,
    { lean = false, from }: { lean?: boolean; from?: Resumption } = {},
  ) {
    this.lean = lean;
    this.stride = strideOf(design, scene, path === 'full' ? 'full' : 'fast');
    this.rig = new Rig(design, scene, path === 'coarse' ? { unchanged: coarse } : {});
    const exact = (due?: readonly Channel[]): ReadonlyMap<string, number> => this.exact(due);
    this.inputs = new Inputs(design, scene, { exact, noise: (...now) => this.noise(...now) });
    this.stillness = new Stillness(design, scene, path);
    this.dead = path === 'time' && scene.starts === 'power-on';
    this.logic = this.dead
      ? restingLogic(design, { clock: clockAt(scene), begin: scene.modes })
      : this.rig.restingLogic({ ...scene, happenings: [] });
    this.changes = [{ t: 0, logic: this.logic, events: [] }];
    this.supervisor = new Supervisor(design, scene, this.dead);
    // In time the circuit itself tells when a pin turns.
    const watches = this.inputs.edge.channels.length > 0 && path !== 'time';
    this.watch = new Watch(watches ? scene : undefined);
    this.nextLook = looksAt(scene, lean);
    this.starts = watched(scene);
    this.circuit = path === 'time' ? 'in time' : 'settled';
    this.recorder = new Recorder(design, (...now) => this.watts(...now), this.circuit);
    this.damage = new DamageWatch(design);
    if (path === 'time') this.timed = this.inTime();
    const sleeps = !this.dead && design.controller.sleep !== undefined;
    if (this.timed && sleeps && becomesQuiescent(design, scene))
      this.sleeping = new Sleeping(design, this.timed, this.stride);
    this.course = this.timed ?? new SettledCourse(this.rig, scene);
    if (from) this.resume(from);
  }

  private inTime(): CoSimulation {
    const { design, scene, lean } = this;
    const timed = new CoSimulation(design, scene, (t, solved) => {
      this.recorder.look(t, solved);
      if (!lean) this.damage.look(t, solved);
    });
    if (!lean) timed.watchStress();
    return timed;
  }

  /** Begins where another run of the same scene stood. */
  private resume({ mark: from, logicLog, acting }: Resumption): void {
    this.from = from;
    this.logic = from.logic;
    this.changes.splice(0, Infinity, ...logicLog.slice(0, from.changes.logic));
    this.recorder.resume(acting.slice(0, from.changes.acting));
    this.supervisor.resume(from.supervisor);
    this.rig.readings.heard = from.heard;
    this.stillness.unsteady = from.unsteady;
    for (const [id, count] of from.taken) this.inputs.takers.took(id, count);
    this.inputs.edge.resume(from.edge);
    if ('states' in from.course) this.timed?.resumeAt(from.course, from.logic, this.driven);
    else this.rig.backTo(from.course);
  }

  /** Takes down where the run stands, where something begins to happen before the next moment. */
  private mark(t: number, next: number): void {
    // What goes on from a mark is not gone on from again.
    if (this.from || this.supervisor.running !== 'runs' || this.starts.nextStart(t) > next) return;
    const course = this.timed ? this.timed.mark : this.rig.standing;
    if (!course) return;
    const changes = { logic: this.changes.length, acting: this.recorder.acting.length };
    this.marks.push({
      ...{ t, course, logic: this.logic, changes, unsteady: this.stillness.unsteady },
      taken: this.inputs.takers.counts,
      edge: this.inputs.edge.mark,
      supervisor: this.supervisor.mark,
      heard: this.rig.readings.heard,
    });
  }

  /** Takes down how things are: all of it, or only what acts. */
  private record(t: number): void {
    if (this.lean) this.recorder.look(t, (part) => this.course.solvedNow(part));
    else this.recorder.record(t, this.logic, this.course, this.given);
  }

  run(onProgress?: (share: number) => void, until = Infinity): this {
    const { duration } = this.scene;
    let nextReport = 0;
    let t = this.from ? this.goOn(this.next(this.from.t)) : 0;
    while (t <= Math.min(duration, until)) {
      this.moment(t);
      this.held ??= this.timed?.held;
      this.rest(t);
      if (this.course.halt) break;
      t = this.sleepOn(this.skip(t));
      if (this.watch.isOn) this.watch.rest(this.dozesUntil(t));
      const next = this.next(t);
      this.mark(t, next);
      if (t >= nextReport) {
        onProgress?.(t / duration);
        nextReport += duration / 50;
      }
      t = this.goOn(next);
    }
    if (this.timed && !this.lean) this.close(this.timed);
    return this;
  }

  private close(timed: CoSimulation): void {
    this.recorder.close(timed.now, this.given ?? 0, givenWatts(this.design, timed.present()));
  }

  /** Takes down whether all is as at the beginning. */
  private rest(t: number): void {
    const { modes, settled } = this.course;
    const still = settled && this.supervisor.running === 'runs';
    if ((this.dead && !this.rests && !still) || this.from) return;
    this.rests ??= new Rests(this.design, this.changes[0]?.logic ?? this.logic, modes);
    this.rests.look(t, this.logic, modes, still);
  }

  /** What all sources have given in time since the beginning, J. */
  get given(): number | undefined {
    return this.timed && givenEnergy(this.design, this.timed.peaks);
  }

  /** Power that all sources give, W; in time a controller that sleeps draws less in the circuit itself. */
  private watts(t: number, logic: LogicState, solution: Solution): number {
    return this.timed ? givenWatts(this.design, solution) : this.rig.watts(solution, logic, t);
  }

  /** What channels read without noise, before rounding. */
  private exact(due?: readonly Channel[]): ReadonlyMap<string, number> {
    return this.course.exact(due && ((id) => due.some((c) => c.id === id)));
  }

  /** What noise does to readings: that of sensors through the circuit as it settles. */
  private noise(t: number, exact: ReadonlyMap<string, number>): Map<string, ReadingNoise> {
    if (this.rig.readings.noiseless) return new Map();
    const stimulus: Heeded['stimulus'] = ({ id, quantity }) => this.course.stimulusOf(id)[quantity];
    return this.rig.readings.noiseIn({ exact, stimulus }, () =>
      this.rig.settle(this.scene, t, this.logic, this.driven),
    );
  }

  /** Takes readings without looking at the circuit for as long as it stands still; the time of the last one. */
  private skip(t: number): number {
    if (this.supervisor.running !== 'runs' || this.sleeping?.isRecording) return t;
    const waits =
      this.logic.awake.asleep || !this.inputs.edge.isRead || t < this.stillness.unsteady;
    if (waits || this.design.channels.length === 0 || !this.course.settled) return t;
    const until = Math.min(
      this.stillness.reach(t),
      nextPass(this.logic, t),
      nextFadeLook(this.design, this.logic, t),
      this.supervisor.next(t),
      this.course.settledUntil,
      this.course.ends(this.logic, t),
    );
    if (reached(soonestReading(this.design, this.logic, t), until) || !this.lasts(t, until))
      return t;
    this.course.at(t, this.logic, this.driven);
    const readers = this.readers(t).map((reader): Reader => ({
      ...reader,
      keep: (time, value) => this.inputs.keep(reader.channel.id, time, value),
    }));
    const { channels, t: last } = readOn(readers, this.logic, t, until, this.stride);
    for (const { channel, taken } of readers) this.inputs.takers.took(channel.id, taken);
    this.logic = { ...this.logic, channels };
    return last;
  }

  /** Until when nothing that is felt changes while the controller sleeps and has changed nothing itself. */
  private dozesUntil(t: number): number {
    const until = this.stillness.reach(t);
    const waits = !this.logic.awake.asleep || t < this.stillness.unsteady || this.lastChange === t;
    if (waits || this.supervisor.running !== 'runs' || !(until > t)) return -Infinity;
    return this.lasts(t, until) ? until : -Infinity;
  }

  private get lastChange(): number {
    return this.changes.at(-1)?.t ?? -Infinity;
  }

  /** Whether nothing that is felt changes until then. */
  private lasts(t: number, until: number): boolean {
    return this.stillness.lasts(t, until, (times) => this.course.hasSameStimuliAt(times));
  }

  /** What recurs while the controller sleeps and wakes is gone over at once; the time of the last waking. */
  private sleepOn(t: number): number {
    const { awake } = this.logic;
    return !this.sleeping || awake.asleep || awake.since !== t ? t : this.sleeping.on(t, this);
  }

  get fine(): boolean {
    return this.supervisor.running === 'runs' && this.inputs.edge.isRead;
  }

  get happened(): string {
    const { acting, relayOperations } = this.recorder;
    return JSON.stringify([acting.length, this.changes.length, relayOperations]);
  }

  get fellAsleep(): number {
    return this.naps.last;
  }

  get traces(): Trace[] {
    return this.recorder.traces;
  }

  quietUntil(t: number): number {
    return Math.min(this.stillness.until(t), this.supervisor.next(t));
  }

  readers = (t: number): CycleReader[] => this.inputs.readers(t);

  /** Goes on to the next moment at which anything can change, or one that the circuit tells of before. */
  private goOn(next: number): number {
    return next > this.scene.duration ? next : this.course.go(next, this.logic, this.driven);
  }

  /** The next moment at which anything can change. */
  private next(t: number): number {
    if (this.supervisor.running !== 'runs')
      return Math.min(this.supervisor.next(t), this.nextLook(t));
    const { channels } = this.design;
    const reading = channels.length === 0 ? this.nextLook(t) : Infinity;
    return Math.min(
      reading,
      nextMoment(this.design, this.logic, t),
      this.watch.next(t),
      this.supervisor.next(t),
      this.course.ends(this.logic, t),
    );
  }

  private moment(t: number): void {
    this.course.at(t, this.logic, this.driven);
    this.record(t);
    if (this.runs(t)) this.pass(t);
    this.naps.look(t, this.logic.awake.asleep);
  }

  /** One pass of the program. */
  private pass(t: number): void {
    const edges = this.edges();
    const due = this.design.channels.filter((c) => isDue(this.logic, c, t) || edges.has(c.id));
    const read = this.inputs.glances(due, t);
    for (const { channel, exact } of read) this.sleeping?.see(channel, exact);
    const readings = this.inputs.read(read, t);
    const [logic, events] = stepLogic(this.design, this.logic, readings, t);
    const changed = told(events);
    if (changed.length > 0) this.change(t, logic, changed);
    else if (events.length > 0) this.doze(t, logic);
    else this.logic = logic;
    this.sleeping?.pass(t, read, events, edges.size === 0 && this.inputs.edge.isRead);
  }

  /** Asleep it draws less. */
  private doze(t: number, logic: LogicState): void {
    this.logic = logic;
    this.course.at(t, logic, this.driven);
    this.record(t);
  }

  /** Whether the controller drives its pins. */
  private get driven(): boolean {
    return !['dark', 'starting'].includes(this.supervisor.running);
  }

  /** Whether the program runs; it begins anew after a reset, and what it has not kept is lost. */
  private runs(t: number): boolean {
    const { running: before } = this.supervisor;
    const { running, reset } = this.supervisor.look(t, (part) => this.course.solvedNow(part));
    const lost = running === 'dark' || running === 'starting';
    if (running === 'hung' && before === 'runs')
      this.change(t, stoodStill(this.design, this.logic, t), []);
    if (reset || (lost && before !== 'dark' && before !== 'starting')) {
      const { clock } = this.logic;
      this.inputs.edge.forget();
      const fresh = restingLogic(this.design, { at: t, clock, kept: this.logic });
      this.change(t, fresh, resetEvents(this.design, this.logic, fresh));
    }
    return running === 'runs';
  }

  private change(t: number, logic: LogicState, events: readonly LogicEvent[]): void {
    this.logic = logic;
    this.changes.push({ t, logic, events });
    this.course.at(t, logic, this.driven);
    this.record(t);
  }

  /** What fires in the scene with some of its happenings only, from where both are the same. */
  replay(other: Scene, until = Infinity): Firing[] {
    const { marks, scene, changes, recorder } = this;
    const mark = markBefore(marks, scene, other);
    const from = mark && { mark, logicLog: changes, acting: recorder.acting };
    return new Play(this.design, other, this.path, { lean: true, ...(from ? { from } : {}) })
      .run(undefined, until)
      .firings();
  }

  firings = (): Firing[] =>
    firingsOf(this.design, { acting: this.recorder.acting, logic: this.changes }, this.scene);

  /** Channels whose level has just changed in a way at which they read at once. */
  private edges(): ReadonlySet<string> {
    // As settled, levels change with what happens alone.
    const watched = this.timed ?? this.watch.isOn;
    return watched && this.inputs.edge.channels.length > 0 ? this.inputs.edges() : new Set();
  }
}
