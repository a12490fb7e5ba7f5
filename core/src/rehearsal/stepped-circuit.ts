import type { SolvedPart } from '../catalog/index.js';
import {
  StressWatch,
  type Circuit,
  type PartPeaks,
  type PartValues,
  type Solution,
  type Transient,
} from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { Charges } from './charges.js';
import { Grain } from './grain.js';
import type { Outside } from './outside.js';
import { turnPins } from './pin-states.js';
import { Pulses } from './pulses.js';
import { Repeats } from './repeats.js';
import { Sent } from './sent.js';
import { Settling } from './settling.js';
import type { ToldSolution } from './told-solution.js';

/** Error per step against the size of a charge: decisions do not turn on less. */
const relative = 3e-4;
/** At this pace all steps that are allowed would lead on by a tenth of a second. */
const slowest = { steps: 1e4, within: 2e-3 };

/** Someone who wants to know of every step the circuit takes. */
export type Watch = (t: number, solved: (part: string) => SolvedPart) => void;

/** Who goes along with a circuit in time. */
export interface Along {
  watch: Watch;
  /** Whether the controller is to know of this moment. */
  isAwaited: () => boolean;
}

/**
 * A circuit that goes on in time, and the scene around it: in steps while anything in it moves, by leaps while all rests, and from
 * period to period while pulsed pins make it repeat. What its pins do is told from outside.
 */
export class SteppedCircuit {
  t = 0;
  /** Nothing in it moves but charges of batteries. */
  still = false;
  readonly sent: Sent;
  /** Of pins that are dimmed. */
  pulses?: Pulses;
  transient?: Transient;
  charges?: Charges;
  /** Cycles that are alike, once it has begun. */
  repeats?: Repeats;
  private readonly values: ReadonlyMap<string, PartValues>;
  private readonly grain: Grain;
  private readonly settling: Settling;
  private stress?: StressWatch;
  private stillModes: readonly number[] = [];
  private turned = false;
  /** Something has just jumped: what follows at once is stepped over where pins are pulsed. */
  private edged = false;
  private told?: Solution;

  /** @param mostSteps beyond which it is not followed */
  constructor(
    private readonly design: Design,
    scene: Scene,
    readonly circuit: Circuit,
    private readonly outside: Outside,
    private readonly telling: ToldSolution,
    private readonly along: Along,
    private readonly mostSteps: number,
  ) {
    this.settling = new Settling(circuit.network);
    this.sent = new Sent(outside.sources);
    this.values = new Map(design.parts.map((p) => [p.id, circuit.values(p.id)]));
    this.grain = new Grain(design, scene);
  }

  readonly solved = (part: string): SolvedPart | undefined => this.values.get(part)?.update();
  readonly solvedOr = (part: string): SolvedPart => this.solved(part) ?? nothing;

  /** A part as it stands, or as its mean over a period while pins are dimmed. */
  readonly solvedNow = (part: string): SolvedPart | undefined => {
    const { pulses } = this;
    if (!pulses) return this.solved(part);
    return pulses.mean(part) ?? (pulses.meanX && this.solved(part));
  };

  /** Everything as it stands. */
  present(): Solution {
    return (this.told ??= this.telling.of(this.pulses));
  }

  /** From the beginning on takes down how hard each part is pressed. */
  watchStress(fromDead: boolean): void {
    this.stress = new StressWatch(this.design, this.circuit, fromDead);
  }

  get peaks(): PartPeaks[] {
    return this.stress?.peaks() ?? [];
  }

  /** Makes the circuit go in time, and looks at its steps. */
  follow(): Transient {
    const transient = (this.transient = this.circuit.transient({
      maxSteps: this.mostSteps,
      pace: slowest,
      relative,
      // What goes on in the course of one pulse is little: sensors are told at its end.
      drift: (t) => !this.pulses && this.outside.drift(t, this.sent.by),
    }));
    transient.observe({
      stepped: (t, h) => {
        if (!this.pulses) this.outside.advance(t, this.solvedNow);
        this.pace();
        this.pulses?.stepped(h);
        this.look(t);
      },
      jumped: (t) => {
        if (!this.pulses) this.outside.advance(t, this.solvedNow);
        this.pulses?.jumped();
        this.look(t);
      },
    });
    if (this.stress) transient.observe(this.stress);
    this.charges = new Charges(this.circuit.network, transient);
    this.repeats = new Repeats(this.circuit.network, transient, this.stress);
    return transient;
  }

  /** Goes on from a moment at which all states stand as given. */
  followFrom(t: number, states: Float64Array): void {
    const transient = this.follow();
    this.t = t;
    this.settling.restart(t);
    transient.extrapolateTo(t, states);
    this.charges?.start(t);
  }

  /** Goes on to a moment; with `toTurn` at most until the controller is to know of something. */
  advance(t: number, toTurn = false): void {
    const { transient } = this;
    this.turned = false;
    while (transient && this.t < t && !transient.halt && !(toTurn && this.turned)) {
      const begins = this.grain.next(this.t);
      const to = Math.min(t, begins, this.t + this.reach());
      if (this.still) this.leap(to);
      else if (this.pulses?.coastsUntil !== undefined) this.coast(to, this.pulses);
      else {
        transient.maxStep = this.reach();
        const look = this.outside.alters ? to : t;
        const until = Math.min(look, begins, this.pulses?.next(this.t) ?? Infinity);
        if (this.edged) this.pulses?.blur(until);
        this.edged = false;
        transient.advance(until);
        this.told = undefined;
        if (this.pulses) this.pulse(this.pulses);
      }
      // It may have stopped earlier, where a source has changed.
      this.t = transient.t;
      if (this.t === begins) this.grain.turn();
      if (this.t < to && this.pulses?.coastsUntil === undefined && this.pulses) continue;
      this.meet();
      this.settle();
    }
  }

  /** Pins are on for such shares of each period from now on; inputs all of them where there are none. */
  drive(duties: readonly number[] | undefined, t: number, hertz: number): void {
    const { circuit, transient, telling } = this;
    if (this.pulses?.coastsUntil !== undefined) this.resume(this.pulses);
    if (!transient || !duties?.some((duty) => duty > 0 && duty < 1)) this.pulses = undefined;
    else if (this.pulses) this.pulses.redim(duties);
    else this.pulses = new Pulses(circuit.network, transient, 1 / hertz, duties, telling.averaged);
    const on = this.pulses?.on(t) ?? duties?.map((duty) => duty > 0);
    if (on) turnPins(this.design, circuit, on);
    else for (const part of this.design.parts) circuit.setState(part.id, { pins: {} });
  }

  /** Time goes on in steps: something has changed from outside, or what was foreseen has come to its end. */
  stir(): void {
    if (this.still) this.charges?.tell(this.t);
    this.still = false;
    this.told = undefined;
    this.settling.restart(this.t);
    if (this.pulses?.coastsUntil !== undefined) this.resume(this.pulses);
    else this.transient?.restart();
    this.edged = true;
  }

  /** Time has gone over what it had been through before: nothing is known of where it leads. */
  goneOver(): void {
    this.charges?.start(this.t);
    this.settling.restart(this.t);
    this.told = undefined;
  }

  /** Time passes while all but charges of batteries rests. */
  private leap(to: number): void {
    const { transient, charges } = this;
    if (!transient || !charges) return;
    const runs = charges.restUntil();
    const from = transient.t;
    transient.t = Math.min(to, runs);
    this.stress?.stepped(transient.t, transient.t - from);
    if (runs > to) return;
    charges.tell(runs);
    this.told = undefined;
    this.still = this.circuit.network.modes.every((mode, i) => mode === this.stillModes[i]);
  }

  /** Time passes while one period follows from the other. */
  private coast(to: number, pulses: Pulses): void {
    const { transient, charges } = this;
    if (!transient || !charges || !pulses.meanX) return;
    this.circuit.network.system.x.set(pulses.meanX);
    const from = transient.t;
    transient.t = pulses.recall(Math.min(to, charges.restUntil(), pulses.coastsUntil ?? to));
    this.stress?.passed(transient.t - from, (part) => pulses.mean(part));
    if (transient.t < to) this.stir();
  }

  /** Turns dimmed pins where their time has come; at the end of a period sensors are told anew. */
  private pulse(pulses: Pulses): void {
    const { transient } = this;
    if (!transient || transient.halt) return;
    const { t } = transient;
    if (pulses.close()) {
      this.lookAtMeans(t);
      this.outside.advance(t, this.solvedNow);
      this.outside.update(t, this.sent.by);
    }
    if (pulses.coastsUntil !== undefined) this.charges?.start(t);
    else if (pulses.turns(t)) {
      turnPins(this.design, this.circuit, pulses.on(t));
      transient.restart();
      this.edged = true;
    }
  }

  /** What acts, and what light and sound is sent, as the mean over a period. */
  private lookAtMeans(t: number): void {
    const { pulses } = this;
    if (!pulses?.meanX) return;
    this.along.watch(t, (part) => this.solvedNow(part) ?? nothing);
    const means = (part: string): SolvedPart | undefined => pulses.mean(part);
    if (this.sent.differs(means)) this.sent.note(means);
  }

  /** How far it is gone before sensors are told anew, s. */
  private reach(): number {
    return Math.min(this.grain.reach(this.t), this.outside.reach(this.t));
  }

  /** Tells sensors what they meet now. */
  private meet(): void {
    const rests = this.still || this.pulses?.coastsUntil !== undefined;
    if (rests) this.outside.advance(this.t, this.solvedNow);
    if (!this.pulses) this.sent.note(this.solved);
    const changed = this.outside.update(this.t, this.sent.by);
    if (!rests && this.circuit.network.slow.length > 0) {
      this.charges?.start(this.t);
      this.charges?.tell(this.t);
    }
    if (rests) this.pace();
    if (changed) this.stir();
  }

  /** Makes the next step as long as what sensors meet lets it. */
  private pace(): void {
    this.grain.adapt(this.outside.moved());
    if (this.transient) this.transient.maxStep = this.reach();
  }

  /** Goes on step by step from a moment of the periodic state. */
  private resume(pulses: Pulses): void {
    const { transient, charges } = this;
    const { system } = this.circuit.network;
    if (!transient || !pulses.meanX) return;
    const states = system.q.slice();
    pulses.resume();
    turnPins(this.design, this.circuit, pulses.on(transient.t));
    transient.extrapolateTo(transient.t, states);
    system.x.set(pulses.meanX);
    charges?.tell(transient.t);
    transient.restart();
  }

  /** Looks now and then whether all that takes time is over. */
  private settle(): void {
    if (this.still || this.pulses || !this.transient || !this.settling.isOver(this.t)) return;
    this.still = true;
    this.stillModes = this.circuit.network.modes;
    this.charges?.start(this.t);
  }

  private look(t: number): void {
    if (!this.pulses) this.along.watch(t, this.solvedOr);
    if (this.along.isAwaited()) {
      this.turned = true;
      this.transient?.pause();
    }
    if (!this.pulses && this.sent.differs(this.solved)) this.transient?.pause();
  }
}

const nothing: SolvedPart = { volts: {}, amps: {}, watts: 0 };
