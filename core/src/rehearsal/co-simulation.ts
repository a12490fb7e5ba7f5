import type { SolvedPart, Stimulus } from '../catalog/index.js';
import { Circuit, type PartPeaks, type Solution, type Transient } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import type { LogicState } from '../logic/index.js';
import type { Now } from '../scene/index.js';
import { averagedIn, usualDims } from './averaged.js';
import type { Course } from './course.js';
import { FeedWatch } from './feed-watch.js';
import type { CourseMark } from './mark.js';
import { Outside } from './outside.js';
import { Phases } from './phases.js';
import { PinReadings } from './pin-readings.js';
import { dutySteps } from './pin-states.js';
import type { Repeats, Standing, Stretch } from './repeats.js';
import { staged, unstagedNets } from './staged.js';
import { SteppedCircuit, type Watch } from './stepped-circuit.js';
import type { Felt } from './stimuli.js';
import { ToldSolution } from './told-solution.js';
import type { DryRun } from './world.js';

/** Rounds in which light and current come to agree before power has been on for long. */
const mostRounds = 25;
/** Steps in all beyond which it is not followed. */
const usualSteps = 5e5;

/**
 * A circuit and its scene in time: what happens changes what sensors meet, what parts give off comes back to them,
 * charges and delays take the time they take. Where everything has settled and nothing is due, no step is taken.
 */
export class CoSimulation implements Course {
  private readonly circuit: Circuit;
  private readonly outside: Outside;
  private readonly stepped: SteppedCircuit;
  private readonly pins: PinReadings;
  private readonly phases: Phases;
  private readonly feed: FeedWatch;
  /** Share of the time that each output is on. */
  private duties?: readonly number[];

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    watch: Watch = () => undefined,
    mostSteps = usualSteps,
  ) {
    const { design: built, breakers } = staged(design, scene);
    this.circuit = new Circuit(built);
    this.outside = new Outside(design, scene, this.circuit, breakers);
    const averaged = averagedIn(design, this.circuit);
    const telling = new ToldSolution(this.circuit, unstagedNets(design, built), averaged);
    const along = { watch, isAwaited: () => this.isAwaited() };
    const { circuit, outside } = this;
    this.stepped = new SteppedCircuit(design, scene, circuit, outside, telling, along, mostSteps);
    this.pins = new PinReadings(design, circuit, this.stepped.solvedOr);
    this.phases = new Phases(design, circuit);
    this.feed = new FeedWatch(design);
  }

  get halt(): Transient['halt'] {
    return this.stepped.transient?.halt;
  }

  /** How far it has been followed, s. */
  get now(): number {
    return this.stepped.t;
  }

  /** Cycles that are alike, once it has begun. */
  get repeats(): Repeats | undefined {
    return this.stepped.repeats;
  }

  /** From the beginning on takes down how hard each part is pressed, and what it takes. */
  watchStress(): void {
    this.stepped.watchStress(this.scene.starts === 'power-on');
  }

  /** How hard each part was pressed, where that is taken down. */
  get peaks(): PartPeaks[] {
    return this.stepped.peaks;
  }

  /** Parts that switched without end, and had to be held still. */
  get chatters(): { part: string; at: number; every: number }[] {
    const found = this.stepped.transient?.chatters ?? [];
    return found.map(({ device, at, every }) => ({ part: this.circuit.partOf(device), at, every }));
  }

  /** The part that changed most quickly of late, and how often, s. */
  get busiest(): { part: string; every: number } | undefined {
    const { device, every } = this.stepped.transient?.busiest ?? {};
    return device && every ? { part: this.circuit.partOf(device), every } : undefined;
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
    const { still, charges, t } = this.stepped;
    if (still) charges?.tell(t);
    return this.circuit.charges;
  }

  get settled(): boolean {
    return this.stepped.still && this.outside.rests;
  }

  get settledUntil(): number {
    return this.stepped.charges?.restUntil() ?? Infinity;
  }

  go(t: number, logic: LogicState, driven = true): number {
    if (!this.stepped.transient) this.begin(logic, driven);
    this.stepped.advance(t, true);
    return this.stepped.t;
  }

  at(t: number, logic: LogicState, driven = true): void {
    if (!this.stepped.transient) this.begin(logic, driven);
    this.stepped.advance(t);
    const phased = this.phases.update(logic, t, driven);
    if (this.turn(logic, t, driven) || phased) this.stepped.stir();
  }

  ends(logic: LogicState, t: number): number {
    return this.phases.next(logic, t);
  }

  present(): Solution {
    return this.stepped.present();
  }

  solvedNow(part: string): SolvedPart | undefined {
    return this.stepped.solvedNow(part);
  }

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
    return times.every((t) => this.outside.isSame(t, this.stepped.solved));
  }

  /** Power comes on now, or has been on for long. */
  private begin(logic: LogicState, driven: boolean): void {
    const { stepped } = this;
    const dead = this.scene.starts === 'power-on';
    const now = this.outside.first();
    this.phases.update(logic, 0, driven);
    this.turn(logic, 0, driven);
    if (dead) this.outside.meet(now, () => undefined);
    else this.agree(now);
    this.outside.advance(0, stepped.solved);
    stepped.sent.note(stepped.solved);
    this.feed.look(stepped.solvedOr);
    const transient = stepped.follow();
    if (dead) transient.startDead();
    else transient.startAtRest();
    // What is dimmed from the beginning was on until now.
    this.duties = undefined;
    this.turn(logic, 0, driven);
    if (stepped.pulses) transient.restart();
  }

  /** The steady state in which the light and sound that parts send are those that they meet. */
  private agree(now: Now): void {
    this.circuit.solve();
    for (let i = 0; i < mostRounds && this.outside.meet(now, this.stepped.solved) > 0; i++)
      this.circuit.solve();
  }

  /** Where it stands now, if no pin is pulsed and nothing was done to the design so far. */
  get mark(): CourseMark | undefined {
    const { network } = this.circuit;
    const { pulses, sent, t } = this.stepped;
    if (pulses || this.halt || !this.outside.isPlain) return undefined;
    return {
      t,
      memory: network.remember(),
      states: network.system.q.slice(),
      sent: sent.mark,
      levels: this.pins.mark,
    };
  }

  /** Begins where another run of the same scene stood, in place of at its beginning. */
  resumeAt(
    { t, memory, states, sent, levels }: CourseMark,
    logic: LogicState,
    driven: boolean,
  ): void {
    const { stepped } = this;
    this.outside.first();
    this.phases.update(logic, t, driven);
    this.turn(logic, t, driven);
    this.outside.update(t, (part) => sent.get(part));
    stepped.sent.note((part) => sent.get(part));
    this.circuit.network.recall(memory);
    this.pins.resume(levels);
    stepped.followFrom(t, states);
    this.feed.look(stepped.solvedOr);
  }

  /** Whether nothing but what sensors meet and the program changes it. */
  get isPlain(): boolean {
    return !this.halt && !this.stepped.pulses && this.outside.isPlain && this.outside.rests;
  }

  /** Where it stands now, if so. */
  get standing(): Standing | undefined {
    return this.isPlain ? this.repeats?.standing(this.stepped.t) : undefined;
  }

  /** What every sensor meets now, and whether it meets that. */
  get felt(): Felt {
    return this.outside.felt;
  }
  readonly meets = (felt: Felt): boolean => this.outside.meets(felt);

  /** Goes on by so many rounds. */
  repeat(round: Stretch, times: number): void {
    const { stepped } = this;
    stepped.t += times * round.period;
    this.repeats?.go(round, times, stepped.t);
    stepped.goneOver();
  }

  /** Goes on by a stretch that began where it stands now; it stands in mid-air until it lands. */
  again(stretch: Stretch): void {
    this.stepped.t += stretch.period;
    this.repeats?.follow(stretch);
  }

  /** The program stands so, and time goes on from here. */
  land(logic: LogicState): void {
    const { stepped } = this;
    this.phases.update(logic, stepped.t, true);
    this.turn(logic, stepped.t, true);
    this.repeats?.land(stepped.t);
    stepped.still = false;
    stepped.goneOver();
  }

  /** Whether the controller is to know of this moment: its supply has come or gone, or a pin that it watches has turned. */
  private isAwaited(): boolean {
    const fed = this.feed.look(this.stepped.solvedOr);
    const read = this.pins.turned();
    if (read) this.stepped.pulses?.watch();
    return fed || read;
  }

  /** Sets the controller's pins as its outputs are; true when any has turned. */
  private turn(logic: LogicState, t: number, driven: boolean): boolean {
    const { dims = usualDims } = this.feed.kind ?? {};
    const steps = driven ? dutySteps(this.design, logic, t, dims.steps) : undefined;
    const isSame = JSON.stringify(steps) === JSON.stringify(this.duties);
    if (this.stepped.transient && isSame) return false;
    this.duties = steps;
    this.stepped.drive(steps, t, dims.hertz);
    return true;
  }
}
