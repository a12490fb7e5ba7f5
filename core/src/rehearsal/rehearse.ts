import { channelReader } from '../catalog/index.js';
import type { Halt, PeakStress, Solution } from '../circuit/index.js';
import type { Channel, Design, Scene } from '../design/index.js';
import {
  isDue,
  nextPass,
  nextReading,
  outputDuty,
  readsAt,
  resetEvents,
  restingLogic,
  stepLogic,
  type LogicEvent,
  type LogicState,
} from '../logic/index.js';
import { clockAt, happeningSpan } from '../scene/index.js';
import { CoSimulation } from './co-simulation.js';
import { quiescentUntil, readOn, type Reader } from './quiescent.js';
import { becomesQuiescent, strideOf } from './pace.js';
import { noiseOf } from './random.js';
import { firingsOf, type Firing } from './firings.js';
import { quiet, reach, taken, type ReadingNoise } from './reading-noise.js';
import { nextFadeLook, Recorder } from './recorder.js';
import { Rests } from './rests.js';
import { Rig } from './rig.js';
import { stoodStill, Supervisor, type Outage } from './supervisor.js';
import { emptyTrace, type ActingChange, type LogicChange, type Trace } from './traces.js';
import type { Trouble } from './trouble.js';
import { FuseWatch, hardest, troublesOf } from './troubles.js';
import { judge, type Verdict } from './verdict.js';
import { nextWatch, watched, type Span } from './watch.js';

/** Everything that came of rehearsing one scene. */
export interface Rehearsal {
  scene: string;
  seed: number;
  duration: number;
  /** Whether the circuit was followed in time, or taken as settled at each moment. */
  circuit: 'in time' | 'settled';
  /** Counts by channel id, one value per reading. */
  readings: Record<string, Trace>;
  /** Volts by net id. */
  nets: Record<string, Trace>;
  /** Share of the time on, 0 … 1, by output id. */
  outputs: Record<string, Trace>;
  /** Power that all sources together give, W; a dimmed output counts by its share of the time. */
  watts: Trace;
  /** Every so many readings one is kept where nothing happens: 1 but in very long scenes. */
  keptEvery: number;
  /** How often each relay has pulled in, by part id and the relay's name. */
  relayOperations: Record<string, Record<string, number>>;
  /** When the controller did not run its program. */
  outages: Outage[];
  acting: ActingChange[];
  logic: LogicChange[];
  verdicts: Verdict[];
  /** What went wrong electrically, as far as it was followed in time. */
  troubles: Trouble[];
  /** The hardest moment of each part that came near a rating, as far as it was followed in time. */
  stresses: PeakStress[];
  /** Times at which something fired that nothing that happens has brought about. */
  strays: number[];
  solves: number;
  /** Where and why a run in time ended before the scene did: what comes after has no verdicts. */
  halted?: { t: number; because: string };
}

const haltWords: Readonly<Record<Halt, string>> = {
  'too many steps': 'something in the circuit changes too often to be followed any further',
  stopped: 'it was stopped',
  'no solution': 'no solution of the circuit was found there',
};

/** Without channels the circuit itself is looked at this often at most, and so many times in all, s. */
const lookEvery = 0.01;
const mostLooks = 5000;
/** Of those at each happening, fewer where there are very many; the first is so soon after its beginning, s. */
const looksAtOne = { least: 20, most: 200 };
const startsBy = 1e-6;

/** Where something goes on fading after a happening it is asked again after this time, s. */
const restlessFor = 1;

/**
 * Plays a scene against the circuit and the controller. Quasi-static: at each moment the circuit is
 * at its operating point; nothing in it takes time. Same seed, same result.
 *
 * @param onProgress told the share done, 0 … 1, now and then
 * @param path 'full' looks at the settled circuit at every reading, 'fast' only when something may have changed; both give
 *   the same. 'time' follows the circuit in time instead: what takes time in it takes that time
 * @throws RangeError when the scene needs more readings than can be rehearsed
 */
export function rehearse(
  design: Design,
  scene: Scene,
  onProgress?: (share: number) => void,
  path: Path = 'fast',
): Rehearsal {
  return new Play(design, scene, path).run(onProgress).result();
}

/** How a scene is gone through; see `rehearse`. */
export type Path = 'fast' | 'full' | 'time';

/** How a channel takes readings. */
interface Taker {
  full: number;
  noise: number;
  draw: (n: number) => number;
  /** Readings so far. */
  taken: number;
}

/** One run through a scene, with all it has to remember; `again` where it is only replayed for a verdict. */
class Play {
  private readonly rig: Rig;
  private readonly fuses: FuseWatch;
  /** The circuit in time, where it is rehearsed so. */
  private readonly timed?: CoSimulation;
  private readonly readers: ReadonlyMap<string, Taker>;
  /** Until when it is calm from a moment on; never on the full path. */
  private readonly quiescent: (t: number) => number;
  private readonly stride: number;
  private readonly readings: Record<string, Trace>;
  private readonly supervisor: Supervisor;
  private readonly recorder: Recorder;
  private readonly circuit: Rehearsal['circuit'];
  /** Whether power only comes on as the scene begins. */
  private readonly dead: boolean;
  private readonly logicLog: LogicChange[];
  /** Levels of channels that read on an edge, as they were a moment ago. */
  private readonly levels = new Map<string, number>();
  /** Levels at edges since the last reading, of channels that remember them. */
  private readonly remembered = new Map<string, number>();
  /** Whether any channel reads at once when its pin turns. */
  private readonly edged: boolean;
  private readonly spans: readonly Span[];
  private readonly happenings: readonly { start: number; end: number }[];
  /** Until then something that has happened goes on fading. */
  private restless = 0;
  private logic: LogicState;
  /** When all was as at the beginning; taken down from the first look on. */
  private rests?: Rests;

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    private readonly path: Path,
    again = false,
  ) {
    this.stride = strideOf(design, scene, path === 'full' ? 'full' : 'fast');
    this.rig = new Rig(design);
    this.readers = new Map(
      design.channels.map((c, i) => {
        const { full = 0, noise = 0 } = channelReader(design, c.pin) ?? {};
        return [c.id, { full, noise, draw: noiseOf(scene.seed, i), taken: 0 }];
      }),
    );
    const skips = path !== 'full' && becomesQuiescent(design, scene);
    this.quiescent = skips ? quiescentUntil(scene) : (t) => t;
    this.dead = path === 'time' && scene.starts === 'power-on';
    this.logic = this.dead
      ? restingLogic(design, { clock: clockAt(scene), begin: scene.modes })
      : this.rig.restingLogic({ ...scene, happenings: [] });
    this.logicLog = [{ t: 0, logic: this.logic, events: [] }];
    this.readings = Object.fromEntries(design.channels.map((c) => [c.id, emptyTrace()]));
    this.supervisor = new Supervisor(design, scene, this.dead);
    this.edged = design.channels.some((c) => c.edge);
    this.spans = this.edged ? watched(scene) : [];
    this.happenings = scene.happenings.map(happeningSpan);
    this.circuit = path === 'time' ? 'in time' : 'settled';
    this.recorder = new Recorder(design, (...now) => this.watts(...now), this.circuit);
    this.fuses = new FuseWatch(design);
    if (path !== 'time') return;
    this.timed = new CoSimulation(design, scene, (t, solved) => {
      this.recorder.look(t, solved);
      this.fuses.look(t, solved);
    });
    if (!again) this.timed.watchStress();
  }

  /** The circuit at a moment, with the outputs as the controller has them. */
  private at(t: number, logic: LogicState): Solution {
    return this.timed
      ? this.timed.at(t, logic, this.driven)
      : this.rig.settle(this.scene, t, logic, this.driven);
  }

  run(onProgress?: (share: number) => void, until = Infinity): this {
    const { duration } = this.scene;
    let nextReport = 0;
    for (let t = 0; t <= Math.min(duration, until); t = this.goOn(t)) {
      this.moment(t);
      this.rest(t);
      if (this.timed?.halt) break;
      t = this.skip(t);
      if (t < nextReport) continue;
      onProgress?.(t / duration);
      nextReport += duration / 50;
    }
    return this;
  }

  /** Takes down whether all is as at the beginning. */
  private rest(t: number): void {
    const { modes } = this.timed ?? this.rig;
    const still = this.timed?.settled !== false && this.supervisor.running === 'runs';
    if (this.dead && !this.rests && !still) return;
    this.rests ??= new Rests(this.design, this.logicLog[0].logic, modes);
    this.rests.look(t, this.logic, modes, still);
  }

  /** Power that all sources give, W; what a dimmed output draws less is taken from the settled circuit. */
  private watts(t: number, logic: LogicState, solution: Solution): number {
    const dimmed = this.design.outputs.some((o) => {
      const duty = outputDuty(logic, o, t);
      return duty > 0 && duty < 1;
    });
    const settled = this.timed && dimmed;
    const shown = settled ? this.rig.settle(this.scene, t, logic, this.driven) : solution;
    return this.rig.watts(shown, logic, t);
  }

  /** What each channel reads without noise. */
  private counts(solution: Solution): Map<string, number> {
    if (!this.timed) return this.rig.counts(solution);
    return new Map([...this.timed.exact()].map(([id, value]) => [id, Math.round(value)]));
  }

  /** What noise does to each reading: that of sensors through the circuit as it settles. */
  private noise(solution: Solution, t: number): Map<string, ReadingNoise> {
    if (this.rig.noiseless) return new Map();
    return this.rig.noise(
      this.timed ? this.rig.settle(this.scene, t, this.logic, this.driven) : solution,
    );
  }

  /** Takes readings without looking at the circuit for as long as it stands still; the time of the last one. */
  private skip(t: number): number {
    if (this.supervisor.running !== 'runs') return t;
    const until = Math.min(
      this.quiescent(t),
      nextPass(this.logic, t),
      nextFadeLook(this.design, this.logic, t),
      this.supervisor.next(t),
      this.timed?.settledUntil ?? Infinity,
    );
    const waits = this.logic.awake.asleep || this.remembered.size > 0 || t < this.restless;
    if (waits || !(until > t) || this.design.channels.length === 0) return t;
    if (this.timed && !this.timed.settled) return t;
    const times = [t, (t + until) / 2, until - 1e-6];
    const same = this.timed
      ? this.timed.hasSameStimuliAt(times)
      : this.rig.hasSameStimuliAt(this.scene, times);
    if (!same) {
      this.restless = Math.min(this.quiescent(t), t + restlessFor);
      return t;
    }
    const solution = this.at(t, this.logic);
    const [exact, own] = [this.counts(solution), this.noise(solution, t)];
    const readers = this.design.channels.flatMap((channel): Reader[] => {
      const [counts, taker] = [exact.get(channel.id), this.readers.get(channel.id)];
      if (counts === undefined || !taker) return [];
      const noise = own.get(channel.id) ?? quiet;
      return [
        {
          channel,
          taken: taker.taken,
          counts,
          spread: reach(counts, noise, taker.noise),
          read: (n) => taken(counts, noise, taker.noise, taker.draw(n), taker.full),
          keep: (time, value) => this.keep(channel.id, time, value),
        },
      ];
    });
    const { channels, t: last } = readOn(readers, this.logic, t, until, this.stride);
    for (const { channel, taken } of readers) {
      const taker = this.readers.get(channel.id);
      if (taker) taker.taken = taken;
    }
    this.logic = { ...this.logic, channels };
    return last;
  }

  private keep(channel: string, t: number, value: number): void {
    this.readings[channel].times.push(t);
    this.readings[channel].values.push(value);
  }

  /** Goes on to the next moment at which anything can change, or one that the circuit tells of before. */
  private goOn(t: number): number {
    const next = this.next(t);
    const { duration } = this.scene;
    if (!this.timed || next > duration) return next;
    return this.timed.go(next, this.logic, this.driven);
  }

  /** The next moment at which anything can change. */
  private next(t: number): number {
    if (this.supervisor.running !== 'runs')
      return Math.min(this.supervisor.next(t), this.nextLook(t));
    const { channels } = this.design;
    const reading = channels.length === 0 ? this.nextLook(t) : Infinity;
    return Math.min(
      reading,
      nextPass(this.logic, t),
      ...channels.map((c) => nextReading(this.logic, c, t)),
      nextFadeLook(this.design, this.logic, t),
      ...this.spans.map((span) => nextWatch(span, t)),
      this.supervisor.next(t),
    );
  }

  /** Looks that nothing else brings: never past the beginning of a happening, and so many in its course. */
  private nextLook(t: number): number {
    const { least, most } = looksAtOne;
    const each = Math.min(most, Math.max(least, mostLooks / this.happenings.length));
    let next = t + Math.max(lookEvery, this.scene.duration / mostLooks);
    for (const { start, end } of this.happenings) {
      if (start > t) next = Math.min(next, start + startsBy);
      else if (end > t) next = Math.min(next, t + Math.max(lookEvery, (end - start) / each));
    }
    return next;
  }

  private moment(t: number): void {
    const solution = this.at(t, this.logic);
    this.recorder.record(t, this.logic, solution);
    if (!this.runs(t, solution)) return;
    const edges = this.edges(solution);
    const due = this.design.channels.filter((c) => isDue(this.logic, c, t) || edges.has(c.id));
    const [logic, events] = stepLogic(this.design, this.logic, this.read(due, solution, t), t);
    const told = events.filter(({ kind }) => kind !== 'sleep');
    if (told.length > 0) return this.change(t, logic, told);
    this.logic = logic;
    // Asleep it draws less.
    if (events.length > 0) this.recorder.record(t, logic, solution);
  }

  /** Whether the controller drives its pins. */
  private get driven(): boolean {
    return !['dark', 'starting'].includes(this.supervisor.running);
  }

  /** Whether the program runs; it begins anew after a reset, and what it has not kept is lost. */
  private runs(t: number, solution: Solution): boolean {
    const { running: before } = this.supervisor;
    const { running, reset } = this.supervisor.look(t, solution);
    const lost = running === 'dark' || running === 'starting';
    if (running === 'hung' && before === 'runs')
      this.change(t, stoodStill(this.design, this.logic, t), []);
    if (reset || (lost && before !== 'dark' && before !== 'starting')) {
      const { clock } = this.logic;
      this.remembered.clear();
      const fresh = restingLogic(this.design, { at: t, clock, kept: this.logic });
      this.change(t, fresh, resetEvents(this.design, this.logic, fresh));
    }
    return running === 'runs';
  }

  private change(t: number, logic: LogicState, events: readonly LogicEvent[]): void {
    this.logic = logic;
    this.logicLog.push({ t, logic, events });
    this.recorder.record(t, this.logic, this.at(t, logic));
  }

  result(): Rehearsal {
    const { design, readings, logicLog, recorder } = this;
    const scene = this.played();
    const { acting } = recorder;
    const { outages } = this.supervisor;
    const record = { readings, acting, logic: logicLog, outages };
    const { verdicts, strays } = judge(design, scene, this.rig, record, {
      separate: (from, to) => this.rests?.separate(from, to) ?? false,
      replay: (other, until) =>
        new Play(design, other, this.path, true).run(undefined, until).firings(),
    });
    return {
      scene: scene.id,
      seed: scene.seed,
      duration: scene.duration,
      circuit: this.circuit,
      readings,
      nets: recorder.nets,
      outputs: recorder.outputs,
      watts: recorder.watts,
      relayOperations: recorder.relayOperations,
      outages: this.supervisor.outages.map((o) => ({ ...o, to: Math.min(o.to, scene.duration) })),
      acting,
      logic: logicLog,
      verdicts,
      strays,
      ...this.electrical(),
      keptEvery: this.stride,
      solves: this.rig.solves,
      ...this.halted(),
    };
  }

  private electrical(): Pick<Rehearsal, 'troubles' | 'stresses'> {
    const { design, scene, timed, fuses } = this;
    const { outages } = this.supervisor;
    if (!timed) return { troubles: [], stresses: [] };
    const { peaks, chatters } = timed;
    return {
      troubles: troublesOf(design, scene, { peaks, chatters, fuses, outages }),
      stresses: hardest(peaks),
    };
  }

  private firings(): Firing[] {
    return firingsOf(this.design, { acting: this.recorder.acting, logic: this.logicLog });
  }

  /** The scene as far as it was played. */
  private played(): Scene {
    const { t = Infinity } = this.halted().halted ?? {};
    const happenings = this.scene.happenings.filter((h) => happeningSpan(h).end <= t);
    return t === Infinity ? this.scene : { ...this.scene, happenings };
  }

  private halted(): Pick<Rehearsal, 'halted'> {
    const { halt, now = 0 } = this.timed ?? {};
    return halt ? { halted: { t: now, because: haltWords[halt] } } : {};
  }

  /** Channels whose level has just changed in a way at which they read at once. */
  private edges(solution: Solution): Set<string> {
    const found = new Set<string>();
    if (!this.edged || (this.spans.length === 0 && !this.timed)) return found;
    const exact = this.counts(solution);
    for (const { id, edge, remembers } of this.design.channels) {
      const now = exact.get(id);
      if (!edge || now === undefined) continue;
      const reads = readsAt(edge, this.levels.get(id) ?? now, now);
      this.levels.set(id, now);
      if (reads && remembers) this.remembered.set(id, now);
      else if (reads) found.add(id);
    }
    return found;
  }

  /** Readings with the converter's noise, of the channels that are due. */
  private read(due: readonly Channel[], solution: Solution, t: number): Map<string, number> {
    const exact = this.counts(solution);
    const own = this.noise(solution, t);
    const readings = new Map<string, number>();
    for (const channel of due) {
      const counts = this.remembered.get(channel.id) ?? exact.get(channel.id);
      this.remembered.delete(channel.id);
      if (counts === undefined) continue;
      const taker = this.readers.get(channel.id);
      if (!taker) continue;
      const noise = own.get(channel.id) ?? quiet;
      const value = taken(counts, noise, taker.noise, taker.draw(taker.taken), taker.full);
      readings.set(channel.id, value);
      taker.taken += 1;
      this.keep(channel.id, t, value);
    }
    return readings;
  }
}
