import type { SolvedPart, Stimulus } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { findHappeningKind, momentIn, setStage, type Now, type Stage } from '../scene/index.js';
import { Alterations } from './alterations.js';
import { Creep } from './creep.js';
import type { Breaker } from './staged.js';
import { Mounts } from './mounts.js';
import { Stimuli, type Felt } from './stimuli.js';
import { World } from './world.js';

/** Parts are warmed or cooled anew when the air has changed by this much, K. */
const sameKelvin = 0.05;

type Solved = (part: string) => SolvedPart | undefined;

/** All that a scene does to a circuit from outside: what sensors meet, how warm the air is, what is done to values and wires. */
export class Outside {
  readonly world: World;
  private readonly creep: Creep;
  private readonly mounts: Mounts;
  readonly sources: Stage['sources'];
  private readonly stimuli: Stimuli;
  private readonly alterations: Alterations;
  /** Whether what happens changes values, contacts or the warmth of parts, or they creep or are turned: a step knows nothing of that. */
  readonly alters: boolean;
  private celsius = NaN;
  /** How much was done to values and wires since it was asked last. */
  private altered = 0;

  constructor(
    design: Design,
    private readonly scene: Scene,
    private readonly circuit: Circuit,
    breakers: readonly Breaker[],
  ) {
    const stage = setStage(design);
    this.sources = stage.sources;
    this.stimuli = new Stimuli(stage, circuit);
    this.alterations = new Alterations(design, breakers, circuit);
    this.world = new World(design, scene);
    this.creep = new Creep(design, circuit);
    this.mounts = new Mounts(design);
    const alters = scene.happenings.some(({ kind }) => {
      const { alters, warms } = findHappeningKind(kind) ?? {};
      return alters !== undefined || warms !== undefined;
    });
    this.alters = alters || this.creep.isAny || this.mounts.isAny;
  }

  private now(t: number): Now {
    return this.mounts.at(this.world.now(t));
  }

  /** Goes on to a moment with everything moved as parts move it now. */
  advance(t: number, solved: Solved): void {
    this.world.advance(t, solved);
    this.mounts.advance(t, solved);
  }

  /** Whether nothing that parts move is on its way. */
  get rests(): boolean {
    return this.world.rests && this.mounts.rests;
  }

  /** What is before anything happens. */
  first(): Now {
    const now = momentIn({ ...this.scene, happenings: [] }, 0);
    this.warm(now);
    return now;
  }

  /** Tells sensors alone what they meet; see `Stimuli.update`. */
  meet(now: Now, solved: Solved): number {
    return this.stimuli.update(now, solved);
  }

  /** The same at a moment in the course of a step. */
  drift(t: number, solved: Solved): number {
    return this.stimuli.update(this.now(t), solved);
  }

  /** Brings everything up to date; whether anything has changed. */
  update(t: number, solved: Solved): boolean {
    const now = this.now(t);
    const warmer = this.warm(now);
    const altered = this.alterations.update(now);
    this.altered = Math.max(this.altered, altered);
    const meets = this.stimuli.update(now, solved) > 0;
    const creeps = this.creep.update(t);
    return meets || creeps || warmer || altered > 0;
  }

  /** The largest change since it was asked last, as a share. */
  moved(): number {
    const { altered } = this;
    this.altered = 0;
    return Math.max(altered, this.stimuli.moved());
  }

  /** Whether every sensor would meet the same at another moment. */
  isSame(t: number, solved: Solved): boolean {
    return this.creep.isSame(t) && this.stimuli.isSame(this.now(t), solved);
  }

  /** What every sensor meets now, and whether it meets that. */
  get felt(): Felt {
    return this.stimuli.mark;
  }

  meets(felt: Felt): boolean {
    return this.stimuli.isAt(felt);
  }

  /** Whether what it has done so far can be done anew at once: nothing was done to the design, nothing was moved. */
  get isPlain(): boolean {
    const { alterations, world, creep, mounts } = this;
    return alterations.isNone && world.isNone && creep.isNone && mounts.isNone;
  }

  /** How far it is gone from a moment before it is looked at anew, s. */
  reach(t: number): number {
    return Math.min(this.world.reach, this.creep.reach(t), this.mounts.reach);
  }

  perceivedBy(part: string): Partial<Stimulus> | undefined {
    return this.stimuli.of(part);
  }

  private warm({ air }: Now): boolean {
    if (Math.abs(air - this.celsius) < sameKelvin) return false;
    this.celsius = air;
    this.circuit.setTemperature(air);
    return true;
  }
}
