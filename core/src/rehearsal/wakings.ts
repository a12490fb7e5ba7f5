import type { LogicState } from '../logic/index.js';
import type { CoSimulation } from './co-simulation.js';
import { endsOf, lengthsOf, piecesSince, standsAt, type Ends, type Piece } from './pieces.js';
import type { Recorder } from './recorder.js';
import type { Operations, Pulled } from './relay-operations.js';
import type { Standing, Stretch } from './repeats.js';
import type { Pass } from './rerun.js';
import type { Felt } from './stimuli.js';
import type { ActingChange, Trace } from './traces.js';

/** What the circuit went through from one waking of its controller to the next, with what came about in it. */
export interface Waking extends Stretch {
  passes: readonly Pass[];
  pieces: ReadonlyMap<Trace, Piece>;
  /** What traces had taken down last as it began, and what sensors met all the time. */
  drawn: Ends;
  felt: Felt;
  /** What went on and off in it, times from its beginning on. */
  acting: readonly ActingChange[];
  /** How often relays pulled in, and which were pulled in as it ended. */
  operations: Operations;
  pulled: Pulled;
  /** How long a message was still under way as it began, s. */
  sends: number;
}

/** What is to be known of a run whose wakings may come again. */
export interface WakingRun {
  readonly logic: LogicState;
  readonly recorder: Recorder;
  /** The program runs, and nothing that it has seen waits to be read. */
  readonly fine: boolean;
  /** Until when nothing happens and its controller goes on as it does, s. */
  quietUntil(t: number): number;
}

/** What is being taken down. */
interface Recording {
  begins: Standing;
  /** Nothing happens until then, s. */
  quiet: number;
  passes: Pass[];
  felt: Felt;
  drawn: Ends;
  lengths: ReadonlyMap<Trace, number>;
  acting: number;
  operations: Operations;
  sends: number;
}

/** So many are kept: those that came last. */
const mostKept = 64;
/** One in which the program makes more passes than this is not taken down: it is awake for long. */
const mostPasses = 2000;
/** Moments no farther apart are one, s. */
const sameMoment = 1e-6;

/**
 * Takes down what the circuit goes through between two wakings of its controller, and tells which of that may come again: where it
 * stands as it did then, and meets what it met.
 */
export class Wakings {
  /** The one that came last at the end. */
  private readonly kept: Waking[] = [];
  /** What came after which: tried first. */
  private readonly followers = new Map<Waking, Waking>();
  private last?: Waking;
  private recording?: Recording;
  /** Whether the course stands in mid-air, at the end of one that was gone over. */
  isUp = false;

  constructor(private readonly course: CoSimulation) {}

  get isRecording(): boolean {
    return this.recording !== undefined;
  }

  /** The program has made a pass. */
  pass(t: number, pass: Omit<Pass, 'after'>): void {
    const { recording } = this;
    if (!recording) return;
    recording.passes.push({ ...pass, after: t - recording.begins.t });
    if (recording.passes.length > mostPasses) this.spoil();
  }

  /** Something has come about that is not taken down. */
  spoil(): void {
    this.recording = undefined;
  }

  /** Those that may come again from the wake at this moment on, the likeliest first. */
  *from(t: number, run: WakingRun): Iterable<Waking> {
    const { course, last } = this;
    // Done to the design, what no volts tell while it rests may be another.
    if (!run.fine || !course.isPlain) return;
    const quiet = run.quietUntil(t);
    const sends = course.ends(run.logic, t) - t;
    const next = last && this.followers.get(last);
    const others = this.kept.filter((waking) => waking !== next).reverse();
    for (const waking of next ? [next, ...others] : others) {
      const ends = t + waking.period;
      if (
        quiet > ends &&
        isSame(waking.sends, sends) &&
        course.repeats?.isLike(waking) &&
        standsAt(waking.drawn, run.recorder.all) &&
        course.meets(waking.felt) &&
        course.hasSameStimuliAt([t, (t + ends) / 2, ends - 1e-6])
      )
        yield waking;
    }
  }

  /** It came again: the course stands in mid-air at its end. */
  wentOver(waking: Waking): void {
    this.isUp = true;
    this.follows(waking);
    this.kept.splice(this.kept.indexOf(waking), 1);
    this.kept.push(waking);
  }

  /** Whether it came after itself when it came last. */
  isLikeLast(waking: Waking): boolean {
    return this.followers.get(waking) === waking;
  }

  /** What came last is not known. */
  forget(): void {
    this.last = undefined;
  }

  /** Time goes on in steps, if it does not already. */
  land(logic: LogicState): void {
    if (!this.isUp) return;
    this.isUp = false;
    this.course.land(logic);
  }

  private follows(waking: Waking): void {
    if (this.last) this.followers.set(this.last, waking);
    this.last = waking;
  }

  /** The controller has woken, and what follows is not known. */
  begin(t: number, run: WakingRun): void {
    const { standing } = this.course;
    if (!standing || !run.fine) return;
    const quiet = run.quietUntil(t);
    if (!(quiet > t)) return;
    const { all, acting, relayOperations } = run.recorder;
    this.recording = {
      ...{ begins: standing, quiet, passes: [], felt: this.course.felt, drawn: endsOf(all) },
      ...{ lengths: lengthsOf(all), acting: acting.length },
      sends: this.course.ends(run.logic, t) - t,
      operations: structuredClone(relayOperations),
    };
  }

  /** The controller has woken: what was taken down is kept, if nothing but the program had a part in it. */
  end(t: number, run: WakingRun): void {
    const { recording, course } = this;
    this.recording = undefined;
    if (!recording) return this.forget();
    const { begins, quiet, lengths, acting: acted, operations, ...known } = recording;
    const { standing, repeats } = course;
    const { all, acting, relayOperations } = run.recorder;
    const isPlain = quiet > t && all.length === lengths.size && course.meets(known.felt);
    if (!isPlain || !standing || !repeats || !run.fine) return this.forget();
    const waking: Waking = {
      ...{ ...repeats.since(begins, standing), ...known },
      pieces: piecesSince(lengths, begins.t),
      acting: acting.slice(acted).map((a) => ({ ...a, t: a.t - begins.t })),
      operations: more(operations, relayOperations),
      pulled: run.recorder.pulled,
    };
    const before = this.kept.find((kept) => isLike(kept, waking) && repeats.isAnew(waking, kept));
    if (before) this.drop(before);
    this.follows(waking);
    this.kept.push(waking);
    const [oldest] = this.kept;
    if (oldest && this.kept.length > mostKept) this.drop(oldest);
  }

  private drop(gone: Waking): void {
    this.kept.splice(this.kept.indexOf(gone), 1);
    if (this.last === gone) this.last = undefined;
    this.followers.delete(gone);
    for (const [waking, next] of this.followers) if (next === gone) this.followers.delete(waking);
  }
}

const isSame = (one: number, other: number): boolean =>
  one === other || Math.abs(one - other) < sameMoment;

/** Whether the same came about in both, with the same before and after it. */
const isLike = (one: Waking, other: Waking): boolean =>
  isSame(one.sends, other.sends) &&
  one.passes.length === other.passes.length &&
  one.passes.every(({ events }, i) => events === other.passes[i]?.events);

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
