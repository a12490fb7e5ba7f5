import type { LogicState } from '../logic/index.js';
import type { CoSimulation } from './co-simulation.js';
import { endsOf, lengthsOf, piecesSince, standsAt, type Ends, type Piece } from './pieces.js';
import type { Recorder } from './recorder.js';
import type { Operations } from './relay-operations.js';
import type { Cycle, Standing } from './repeats.js';
import { inWords, type Pass } from './rerun.js';
import type { ActingChange, LogicChange, Trace } from './traces.js';

/** Several cycles of sleep that come again and again, with what comes about in them: a lamp that blinks now and then. */
export interface Recurrence extends Cycle {
  passes: readonly Pass[];
  pieces: ReadonlyMap<Trace, Piece>;
  /** What traces had taken down last as it ended. */
  ends: Ends;
  /** What went on and off in it, times from its beginning on. */
  acting: readonly ActingChange[];
  /** How often relays pulled in. */
  operations: Operations;
}

/** What is to be known of a run whose cycles of sleep may recur. */
export interface Recurrent {
  readonly logic: LogicState;
  readonly changes: readonly LogicChange[];
  readonly recorder: Recorder;
  /** The program runs, and nothing that it has seen waits to be read. */
  readonly fine: boolean;
  /** Until when nothing happens and its controller goes on as it does, s. */
  quietUntil(t: number): number;
}

/** What is being taken down. */
interface Recording {
  begins: Standing;
  period: number;
  passes: Pass[];
  /** So many times the controller has woken since. */
  cycles: number;
  lengths: ReadonlyMap<Trace, number>;
  acting: number;
  operations: Operations;
}

/** Two moments are one within this time, s. */
const slack = 1e-5;
/** What takes more cycles of sleep than so many is not looked for. */
const mostCycles = 32;
/** Drawn again is what stands so many times as far from where it stood as counts as the same. */
const drawnAlike = 10;
/** So often something has to come about after the same time before that is taken down. */
const seenBefore = 3;

/**
 * Looks for cycles of sleep that recur with what comes about in them, takes down what the circuit does in one round of them, and
 * tells where that can be gone over.
 */
export class Recurring {
  /** When cycles began, by what came about in them. */
  private readonly begins = new Map<string, readonly number[]>();
  private wokeAt = NaN;
  /** So many changes of the program had come about as it woke last. */
  private seen = 0;
  private plan?: { at: number; period: number };
  private recording?: Recording;
  private found?: Recurrence;
  private repeated = 0;

  constructor(private readonly course: CoSimulation) {}

  get isRecording(): boolean {
    return this.recording !== undefined;
  }

  /** The program has made a pass. */
  pass(t: number, pass: Omit<Pass, 'after'>): void {
    this.recording?.passes.push({ ...pass, after: t - this.recording.begins.t });
  }

  /** Something has come about that is not taken down. */
  spoil(): void {
    this.recording = undefined;
  }

  /** The controller has woken. */
  wake(t: number, run: Recurrent): void {
    this.note(t, run);
    if (this.recording) this.finish(this.recording, t, run);
    const { plan } = this;
    if (plan && !this.recording && t > plan.at - slack) this.begin(plan, t, run);
  }

  /** What may come again from the wake at this moment on. */
  next(t: number, run: Recurrent): Recurrence | undefined {
    const { found, course } = this;
    const { repeats } = course;
    if (!found || !repeats) return undefined;
    if (this.repeated >= repeats.most(found)) {
      // Charges have changed: it is followed anew.
      this.found = undefined;
      this.begin({ at: t, period: found.period }, t, run);
      return undefined;
    }
    const ends = t + found.period;
    const comes =
      this.isFree(t, run) &&
      run.quietUntil(t) > ends &&
      repeats.isAfter(found, t) &&
      standsAt(found.ends, run.recorder.all, drawnAlike) &&
      course.hasSameStimuliAt([t, (t + ends) / 2, ends - 1e-6]);
    return comes ? found : undefined;
  }

  /** It was gone over until this moment. */
  wentOver(t: number, { changes }: Recurrent): void {
    this.repeated += 1;
    this.wokeAt = t;
    this.seen = changes.length;
  }

  /** Sees whether what came about since the last wake comes about again and again. */
  private note(t: number, { changes }: Recurrent): void {
    const { wokeAt } = this;
    const since = changes.slice(this.seen);
    this.wokeAt = t;
    this.seen = changes.length;
    if (since.length === 0 || this.recording) return;
    const what = since.map((c) => [Math.round((c.t - wokeAt) / slack), inWords(c.events)]).join();
    const begins = [...(this.begins.get(what) ?? []), wokeAt].slice(-seenBefore);
    this.begins.set(what, begins);
    const [first = NaN, second = NaN, third = NaN] = begins;
    const period = third - second;
    const isShort = period < mostCycles * (t - wokeAt);
    const isNext = isShort && Math.abs(period - (second - first)) < slack;
    if (isNext && !((this.plan?.at ?? -Infinity) > t - slack))
      this.plan = { at: third + period, period };
  }

  private begin({ at, period }: { at: number; period: number }, t: number, run: Recurrent): void {
    this.plan = undefined;
    const { standing } = this.course;
    const fits = Math.abs(t - at) < slack && run.quietUntil(t) > t + period;
    if (!standing || !fits || !this.isFree(t, run)) return;
    const { all, acting, relayOperations } = run.recorder;
    this.recording = {
      ...{ begins: standing, period, passes: [], cycles: 0, lengths: lengthsOf(all) },
      ...{ acting: acting.length, operations: structuredClone(relayOperations) },
    };
  }

  /** At its end it is kept if the circuit stands as at its beginning. */
  private finish(recording: Recording, t: number, run: Recurrent): void {
    recording.cycles += 1;
    const { begins, ...before } = recording;
    const { repeats, standing } = this.course;
    const { period, passes, lengths, cycles } = before;
    if (t < begins.t + period - slack) return;
    this.recording = undefined;
    const { all, acting, relayOperations } = run.recorder;
    const isOver = t < begins.t + period + slack && all.length === lengths.size;
    if (!isOver || !standing || !repeats?.isAt(begins, cycles) || !this.isFree(t, run)) return;
    this.repeated = 0;
    this.found = {
      ...repeats.since(begins, t),
      ...{ passes, pieces: piecesSince(lengths, begins.t), ends: endsOf(all) },
      acting: acting.slice(before.acting).map((a) => ({ ...a, t: a.t - begins.t })),
      operations: more(before.operations, relayOperations),
    };
  }

  /** Whether nothing is under way that ends by itself. */
  private isFree(t: number, run: Recurrent): boolean {
    return run.fine && this.course.ends(run.logic, t) === Infinity;
  }
}

/** How many more were counted later than before. */
const more = (before: Operations, later: Operations): Operations =>
  Object.fromEntries(
    Object.entries(later).map(([part, counts]) => [
      part,
      Object.fromEntries(
        Object.entries(counts).map(([name, n]) => [name, n - (before[part]?.[name] ?? 0)]),
      ),
    ]),
  );
