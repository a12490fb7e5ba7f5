import type { SolvedPart, Stimulus } from '../catalog/index.js';
import {
  Circuit,
  StressWatch,
  type PartPeaks,
  type PartValues,
  type Solution,
  type Transient,
} from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import type { LogicState } from '../logic/index.js';
import type { Now } from '../scene/index.js';
import { Charges } from './charges.js';
import type { Course } from './course.js';
import { FeedWatch } from './feed-watch.js';
import { Grain } from './grain.js';
import type { CourseMark } from './mark.js';
import { Outside } from './outside.js';
import { averagedIn, usualDims } from './averaged.js';
import { Pulses } from './pulses.js';
import { Phases } from './phases.js';
import { PinReadings } from './pin-readings.js';
import { dutySteps, turnPins } from './pin-states.js';
import { Repeats, type Standing, type Stretch } from './repeats.js';
import { Sent } from './sent.js';
import { staged, unstagedNets } from './staged.js';
import { Settling } from './settling.js';
import type { Felt } from './stimuli.js';
import { ToldSolution } from './told-solution.js';
import type { DryRun } from './world.js';

/** Error per step against the size of a charge: decisions do not turn on less. */
const relative = 3e-4;
/** Rounds in which light and current come to agree before power has been on for long. */
const mostRounds = 25;
/** Steps in all beyond which it is not followed. */
const usualSteps = 5e5;

/** Someone who wants to know of every step the circuit takes. */
export type Watch = (t: number, solved: (part: string) => SolvedPart) => void;

/**
 * A circuit and its scene in time: what happens changes what sensors meet, what parts give off comes back to them,
 * charges and delays take the time they take. Where everything has settled and nothing is due, no step is taken.
 */
export class CoSimulation implements Course {
  private readonly circuit: Circuit;
  private readonly outside: Outside;
  private readonly telling: ToldSolution;
  private readonly values: ReadonlyMap<string, PartValues>;
  private readonly solved = (part: string): SolvedPart | undefined =>
    this.values.get(part)?.update();
  private readonly solvedOr = (part: string): SolvedPart => this.solved(part) ?? nothing;
  private transient?: Transient;
  private charges?: Charges;
  /** Cycles that are alike, once it has begun. */
  repeats?: Repeats;
  private stress?: StressWatch;
  private stillModes: readonly number[] = [];
  private readonly grain: Grain;
  private readonly pins: PinReadings;
  private readonly phases: Phases;
  private turned = false;
  private readonly feed: FeedWatch;
  private readonly sent: Sent;
  private t = 0;
  /** Share of the time that each output is on, and its pulses where any is dimmed. */
  private duties?: readonly number[];
  private pulses?: Pulses;
  /** Something has just jumped: what follows at once is stepped over where pins are pulsed. */
  private edged = false;
  private still = false;
  private readonly settling: Settling;
  private told?: Solution;

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    private readonly watch: Watch = () => undefined,
    private readonly mostSteps = usualSteps,
  ) {
    const { design: built, breakers } = staged(design, scene);
    this.circuit = new Circuit(built);
    this.settling = new Settling(this.circuit.network);
    this.outside = new Outside(design, scene, this.circuit, breakers);
    this.sent = new Sent(this.outside.sources);
    this.values = new Map(design.parts.map((p) => [p.id, this.circuit.values(p.id)]));
    this.grain = new Grain(design, scene);
    this.pins = new PinReadings(design, this.circuit, this.solvedOr);
    this.phases = new Phases(design, this.circuit);
    this.feed = new FeedWatch(design);
    const averaged = averagedIn(design, this.circuit);
    this.telling = new ToldSolution(this.circuit, unstagedNets(design, built), averaged);
  }

  get halt(): Transient['halt'] {
    return this.transient?.halt;
  }

  /** How far it has been followed, s. */
  get now(): number {
    return this.t;
  }

  /** From the beginning on takes down how hard each part is pressed, and what it takes. */
  watchStress(): void {
    this.stress = new StressWatch(this.design, this.circuit, this.scene.starts === 'power-on');
  }

  /** How hard each part was pressed, where that is taken down. */
  get peaks(): PartPeaks[] {
    return this.stress?.peaks() ?? [];
  }

  /** Parts that switched without end, and had to be held still. */
  get chatters(): { part: string; at: number; every: number }[] {
    const found = this.transient?.chatters ?? [];
    return found.map(({ device, at, every }) => ({ part: this.circuit.partOf(device), at, every }));
  }

  /** When pumps ran without water. */
  get dryRuns(): readonly DryRun[] {
    return this.outside.world.dryRuns;
  }

  get modes(): number[] {
    return this.circuit.network.modes;
  }

  /** What each battery holds now, and holds at most, A·s. */
  get held(): Circuit['charges'] {
    if (this.still) this.charges?.tell(this.t);
    return this.circuit.charges;
  }

  get settled(): boolean {
    return this.still && this.outside.rests;
  }

  get settledUntil(): number {
    return this.charges?.restUntil() ?? Infinity;
  }

  go(t: number, logic: LogicState, driven = true): number {
    if (!this.transient) this.begin(logic, driven);
    this.advance(t, true);
    return this.t;
  }

  at(t: number, logic: LogicState, driven = true): void {
    if (!this.transient) this.begin(logic, driven);
    this.advance(t);
    const phased = this.phases.update(logic, t, driven);
    if (this.turn(logic, t, driven) || phased) this.stir();
  }

  ends(logic: LogicState, t: number): number {
    return this.phases.next(logic, t);
  }

  present(): Solution {
    return (this.told ??= this.telling.of(this.pulses));
  }

  readonly solvedNow = (part: string): SolvedPart | undefined => {
    const { pulses } = this;
    if (!pulses) return this.solved(part);
    return pulses.mean(part) ?? (pulses.meanX && this.solved(part));
  };

  exact(wanted?: (channel: string) => boolean): Map<string, number> {
    return this.pins.exact(wanted);
  }

  stimulusOf(part: string): Stimulus {
    return this.circuit.stimulusOf(part);
  }

  perceivedBy(part: string): Partial<Stimulus> | undefined {
    return this.outside.perceivedBy(part);
  }

  hasSameStimuliAt(times: readonly number[]): boolean {
    return times.every((t) => this.outside.isSame(t, this.solved));
  }

  /** Power comes on now, or has been on for long. */
  private begin(logic: LogicState, driven: boolean): void {
    const dead = this.scene.starts === 'power-on';
    const now = this.outside.first();
    this.phases.update(logic, 0, driven);
    this.turn(logic, 0, driven);
    if (dead) this.outside.meet(now, () => undefined);
    else this.agree(now);
    this.outside.advance(0, this.solved);
    this.sent.note(this.solved);
    this.feed.look(this.solvedOr);
    this.follow();
    if (dead) this.transient?.startDead();
    else this.transient?.startAtRest();
    // What is dimmed from the beginning was on until now.
    this.duties = undefined;
    this.turn(logic, 0, driven);
    if (this.pulses) this.transient?.restart();
  }

  /** Makes the circuit go in time, and looks at its steps. */
  private follow(): void {
    const transient = (this.transient = this.circuit.transient({
      maxSteps: this.mostSteps,
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
  }

  /** Where it stands now, if no pin is pulsed and nothing was done to the design so far. */
  get mark(): CourseMark | undefined {
    const { network } = this.circuit;
    if (this.pulses || this.halt || !this.outside.isPlain) return undefined;
    return {
      t: this.t,
      memory: network.remember(),
      states: network.system.q.slice(),
      sent: this.sent.mark,
      levels: this.pins.mark,
    };
  }

  /** Begins where another run of the same scene stood, in place of at its beginning. */
  resumeAt(
    { t, memory, states, sent, levels }: CourseMark,
    logic: LogicState,
    driven: boolean,
  ): void {
    const { network } = this.circuit;
    this.outside.first();
    this.phases.update(logic, t, driven);
    this.turn(logic, t, driven);
    this.outside.update(t, (part) => sent.get(part));
    this.sent.note((part) => sent.get(part));
    network.recall(memory);
    this.pins.resume(levels);
    this.follow();
    this.t = t;
    this.settling.restart(t);
    this.transient?.extrapolateTo(t, states);
    this.charges?.start(t);
    this.feed.look(this.solvedOr);
  }

  /** Whether nothing but what sensors meet and the program changes it. */
  get isPlain(): boolean {
    return !this.halt && !this.pulses && this.outside.isPlain && this.outside.rests;
  }

  /** Where it stands now, if so. */
  get standing(): Standing | undefined {
    return this.isPlain ? this.repeats?.standing(this.t) : undefined;
  }

  /** What every sensor meets now, and whether it meets that. */
  get felt(): Felt {
    return this.outside.felt;
  }
  readonly meets = (felt: Felt): boolean => this.outside.meets(felt);

  /** Goes on by so many rounds. */
  repeat(round: Stretch, times: number): void {
    this.t += times * round.period;
    this.repeats?.go(round, times, this.t);
    this.goneOver();
  }

  /** Goes on by a stretch that began where it stands now; it stands in mid-air until it lands. */
  again(stretch: Stretch): void {
    this.t += stretch.period;
    this.repeats?.follow(stretch);
  }

  /** The program stands so, and time goes on from here. */
  land(logic: LogicState): void {
    this.phases.update(logic, this.t, true);
    this.turn(logic, this.t, true);
    this.repeats?.land(this.t);
    this.still = false;
    this.goneOver();
  }

  private goneOver(): void {
    this.charges?.start(this.t);
    this.settling.restart(this.t);
    this.told = undefined;
  }

  /** The steady state in which the light and sound that parts send are those that they meet. */
  private agree(now: Now): void {
    this.circuit.solve();
    for (let i = 0; i < mostRounds && this.outside.meet(now, this.solved) > 0; i++)
      this.circuit.solve();
  }

  private advance(t: number, toTurn = false): void {
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
    this.watch(t, (part) => this.solvedNow(part) ?? nothing);
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

  /** Time goes on in steps: something has changed from outside, or what was foreseen has come to its end. */
  private stir(): void {
    if (this.still) this.charges?.tell(this.t);
    this.still = false;
    this.told = undefined;
    this.settling.restart(this.t);
    if (this.pulses?.coastsUntil !== undefined) this.resume(this.pulses);
    else this.transient?.restart();
    this.edged = true;
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
    if (!this.pulses) this.watch(t, this.solvedOr);
    if (this.feed.look(this.solvedOr)) this.turns();
    if (this.pins.turned()) {
      this.pulses?.watch();
      this.turns();
    }
    if (!this.pulses && this.sent.differs(this.solved)) this.transient?.pause();
  }

  /** The controller is to know of this moment. */
  private turns(): void {
    this.turned = true;
    this.transient?.pause();
  }

  /** Sets the controller's pins as its outputs are; true when any has turned. */
  private turn(logic: LogicState, t: number, driven: boolean): boolean {
    const { dims = usualDims } = this.feed.kind ?? {};
    const steps = driven ? dutySteps(this.design, logic, t, dims.steps) : undefined;
    if (this.transient && JSON.stringify(steps) === JSON.stringify(this.duties)) return false;
    this.duties = steps;
    const { transient, telling } = this;
    const { network } = this.circuit;
    if (this.pulses?.coastsUntil !== undefined) this.resume(this.pulses);
    if (!transient || !steps?.some((duty) => duty > 0 && duty < 1)) this.pulses = undefined;
    else if (this.pulses) this.pulses.redim(steps);
    else this.pulses = new Pulses(network, transient, 1 / dims.hertz, steps, telling.averaged);
    const on = this.pulses?.on(t) ?? steps?.map((duty) => duty > 0);
    if (on) turnPins(this.design, this.circuit, on);
    else for (const part of this.design.parts) this.circuit.setState(part.id, { pins: {} });
    return true;
  }
}

const nothing: SolvedPart = { volts: {}, amps: {}, watts: 0 };
