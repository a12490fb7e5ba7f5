import { kindOf, numbersOf, type SolvedPart, type Stimulus } from '../catalog/index.js';
import { Circuit, close, toldLater, type Solution } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { outputOn, type LogicState } from '../logic/index.js';
import { momentIn, setStage, type Now } from '../scene/index.js';
import { Alterations } from './alterations.js';
import { comeToRest } from './come-to-rest.js';
import { Mounts } from './mounts.js';
import { turnPins } from './pin-states.js';
import { staged, unstagedNets } from './staged.js';
import { SupplyPower } from './supply-power.js';
import { SettledReadings } from './settled-readings.js';
import { spreadOf, type Shift } from './spread.js';
import { Stimuli } from './stimuli.js';
import { Turns, type RigMark } from './turns.js';

/** How exact a rig is, where less is enough. */
export interface Exactness {
  /** What a sensor feels counts as unchanged below this share of itself, or of the least that matters; a billionth when left out. */
  unchanged?: number;
}

/** Parts are warmed or cooled anew when the air has changed by this much, K. */
const sameKelvin = 0.05;

/** A scene in which nothing happens and no light falls. */
export const quietScene: Scene = {
  id: 'quiet',
  name: 'Nothing happens',
  seed: 1,
  duration: 10,
  ambient: {},
  happenings: [],
};

/** The circuit with something tried on a part of it, and what channels read of that. */
export interface Tried {
  solution: Solution;
  exact: Map<string, number>;
}

/**
 * The design on a bench: its circuit, its place and its controller pins together. Light from emitters
 * reaches sensors, so that what is felt depends on what is solved; the two are brought to agree.
 */
export class Rig {
  private readonly circuit: Circuit;
  private readonly alterations: Alterations;
  private readonly named: ReturnType<typeof unstagedNets>;
  readonly readings: SettledReadings;
  private readonly stimuli: Stimuli;
  private readonly mounts: Mounts;
  private celsius = NaN;
  private loose?: Solution;
  /** How a circuit much like this one stood. */
  private near?: Solution;
  /** Which outputs are on, in their order. */
  private on?: readonly boolean[];
  private last?: Solution;
  /** Whether the pins are all inputs. */
  private loosened = false;
  private readonly turns = new Turns();
  private readonly power: SupplyPower;
  /** Until when it is known that every sensor feels the same in a solution, s. */
  private readonly still = new WeakMap<Solution, number>();
  /** The controller at rest in surroundings in which nothing happens. */
  private rested?: { ambient: Scene['ambient']; modes: Scene['modes']; logic: LogicState };
  /** How often the circuit has really been solved. */
  solves = 0;

  /**
   * @param scene whose doings to the design it is to follow, if any
   * @param exactness how exact it is to be
   */
  constructor(
    private readonly design: Design,
    scene?: Scene,
    exactness: Exactness = {},
  ) {
    const { design: built, breakers } = staged(design, scene ?? quietScene);
    this.circuit = new Circuit(built);
    this.alterations = new Alterations(design, breakers, this.circuit);
    this.named = unstagedNets(design, built);
    this.stimuli = new Stimuli(setStage(design), this.circuit, exactness.unchanged);
    this.mounts = new Mounts(design);
    this.power = new SupplyPower(design, this.circuit);
    const isCoarse = exactness.unchanged !== undefined;
    this.circuit.refines = !isCoarse;
    if (isCoarse) this.circuit.network.closeness = close;
    this.readings = new SettledReadings(design, this.circuit, isCoarse);
  }

  /** Begins where a circuit much like this one stood, and with what was felt there: it is solved sooner so. */
  startNear(solution: Solution): void {
    this.circuit.startNear(solution);
    this.near = solution;
  }

  /**
   * The circuit at a moment of a scene, with the outputs as the controller has set them.
   * The same object is given back as long as nothing that is felt or set has changed.
   */
  settle(scene: Scene, t: number, logic: LogicState, driven = true): Solution {
    const now = momentIn(scene, t);
    const altered = this.alterations.update(now) > 0;
    const warmer = this.warm(now) || altered;
    const before = this.last;
    if (!before && this.near) this.updateStimuli(now, this.near);
    const turned = driven ? this.setPins(logic, t) : this.release();
    if (warmer) this.turns.clear();
    if (before && turned && !warmer) return this.turn(before, now);
    return this.agree(turned || warmer || !before ? this.solve() : before, now);
  }

  /** Solves again until what sensors feel of emitters and the circuit agree. */
  private agree(first: Solution, now: Now): Solution {
    if (this.isStill(first, now.t)) return first;
    let solution = first;
    for (let round = 0; round < 25 && this.updateStimuli(now, solution); round++)
      solution = this.solve();
    return solution;
  }

  /** The controller at rest at the first moment of a scene. */
  restingLogic(scene: Scene): LogicState {
    const still = scene.happenings.length === 0;
    const { ambient, modes } = scene;
    if (still && this.rested?.ambient === ambient && this.rested.modes === modes)
      return this.rested.logic;
    const counts = (logic: LogicState): Map<string, number> =>
      this.readings.counts(this.settle(scene, 0, logic));
    const logic = comeToRest(this.design, scene, counts);
    if (still) this.rested = { ambient, modes, logic };
    return logic;
  }

  /** How the circuit stands and what is felt, to come back to. */
  get standing(): RigMark {
    return { memory: this.circuit.network.remember(), stimulus: this.stimuli.mark };
  }

  /** Goes back to how the circuit stood; pins are driven as what is settled next asks. */
  backTo(standing: RigMark): void {
    this.stand(standing);
    this.last = undefined;
    this.on = undefined;
    this.loosened = false;
    this.loose = undefined;
    this.turns.clear();
  }

  private stand({ memory, stimulus }: RigMark): void {
    this.circuit.network.recall(memory);
    this.stimuli.recall(stimulus);
  }

  /** The circuit as it stands, solved again with each toleranced value alone at an end of its spread; see `spreadOf`. */
  spread(): Shift[] {
    return spreadOf(this.design, this.circuit);
  }

  /** Whether every pin has been made an input, to be seen into. */
  get isLoose(): boolean {
    return this.loose !== undefined;
  }

  /**
   * Resistance seen into the circuit at a terminal with every controller pin an input, as after a reset, Ω.
   * The rig is left like that until it goes back.
   */
  ohmsLoose(ref: string): number | undefined {
    if (!this.loose) {
      for (const part of this.design.parts) this.circuit.setState(part.id, { pins: {} });
      this.loose = this.circuit.solve();
    }
    return this.loose.method === 'none' ? undefined : this.circuit.sourceOhms([ref])[0];
  }

  /** Power that all sources give, W: see `SupplyPower`. */
  watts(solution: Solution, logic: LogicState, t: number): number {
    return this.power.watts(solution, logic, t, this.on ?? []);
  }

  /** The modes of all that switches in the circuit. */
  get modes(): number[] {
    return this.circuit.network.modes;
  }

  /** What a part feels, of every quantity. */
  stimulusOf(part: string): Stimulus {
    return this.circuit.stimulusOf(part);
  }

  /** What a part last felt, by quantity. */
  perceivedBy(part: string): Partial<Stimulus> | undefined {
    return this.stimuli.of(part);
  }

  /**
   * The circuit as it stands with one part feeling something else, or set otherwise, and what channels then read before
   * rounding. Values follow each other, so that what latches or has hysteresis goes along; everything is put back afterwards.
   */
  trying(
    id: string,
    of: { quantity: keyof Stimulus } | { param: string },
    values: readonly number[],
  ): Tried[] {
    const { network } = this.circuit;
    const memory = network.remember();
    const set = (value: number): void => {
      if ('quantity' in of) this.circuit.setStimulus(id, of.quantity, value);
      else this.circuit.setParams(id, { [of.param]: value });
    };
    const part = this.design.parts.find((p) => p.id === id);
    if (!part) return [];
    const before =
      'quantity' in of
        ? this.circuit.stimulusOf(id)[of.quantity]
        : (numbersOf(kindOf(part).params, part.params)[of.param] ?? 0);
    const tried = values.map((value) => {
      set(value);
      const solution = this.circuit.solve();
      return { solution, exact: this.readings.now(solution) };
    });
    set(before);
    network.recall(memory);
    return tried;
  }

  /**
   * The circuit after pins have turned. The same pins turned from the same solution lead to the same one again, as
   * long as nothing else has changed: an output that blinks is solved a few times, not at each beat.
   */
  private turn(before: Solution, now: Now): Solution {
    const key = this.on?.map(Number).join('') ?? 'loose';
    const known = this.turns.from(before, key);
    if (known) {
      this.stand(known);
      this.last = known.solution;
      return this.agree(known.solution, now);
    }
    const solution = this.agree(this.solve(), now);
    const { standing } = this;
    const same = this.turns.to(key, standing);
    if (same) this.stand(same);
    const turned = same ?? { solution, ...standing };
    this.turns.note(before, key, turned);
    this.last = turned.solution;
    return turned.solution;
  }

  private solve(): Solution {
    this.solves += 1;
    const solution = this.circuit.solve();
    return (this.last = toldLater(
      solution,
      () => this.named(solution.nets),
      () => solution.wires,
    ));
  }

  /** Works out anew what every sensor feels; true when any of it has changed. */
  private updateStimuli(now: Now, { parts }: Solution): boolean {
    const solved = (part: string): SolvedPart | undefined => parts[part];
    return this.stimuli.update(this.mounts.settled(now, solved), solved) > 0;
  }

  /**
   * Whether every sensor feels the same at other moments of a scene as it does now: what has happened before may go on
   * fading.
   */
  hasSameStimuliAt(scene: Scene, times: readonly number[]): boolean {
    const { last } = this;
    if (!last) return false;
    const latest = Math.max(...times);
    if (this.isStill(last, latest)) return true;
    const solved = (part: string): SolvedPart | undefined => last.parts[part];
    const isSame = times.every((t) =>
      this.stimuli.isSame(this.mounts.settled(momentIn(scene, t), solved), solved),
    );
    if (isSame) this.still.set(last, latest);
    return isSame;
  }

  /** Whether it is known that every sensor goes on feeling what it feels in a solution. */
  private isStill(solution: Solution, t: number): boolean {
    return t <= (this.still.get(solution) ?? -Infinity);
  }

  /** Brings every part to the temperature of the air; true when that has changed. */
  private warm({ air }: Now): boolean {
    if (Math.abs(air - this.celsius) < sameKelvin) return false;
    this.celsius = air;
    this.circuit.setTemperature(air);
    return true;
  }

  /** Pins of a controller without power, or before its program begins, are inputs; true when they were not. */
  private release(): boolean {
    if (this.loosened) return false;
    this.loosened = true;
    this.on = undefined;
    for (const part of this.design.parts) this.circuit.setState(part.id, { pins: {} });
    return true;
  }

  /** Drives the pins as the controller has its outputs; true when that has changed. */
  private setPins(logic: LogicState, t: number): boolean {
    const on = this.design.outputs.map((output) => outputOn(logic, output, t));
    if (!this.loosened && this.on?.every((was, i) => was === on[i])) return false;
    this.loosened = false;
    this.on = on;
    turnPins(this.design, this.circuit, on);
    return true;
  }
}
