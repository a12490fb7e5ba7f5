import { kindOf, numbersOf, type Stimulus } from '../catalog/index.js';
import { Circuit, close, toldLater, type Solution } from '../circuit/index.js';
import type { Channel, Design, Scene, TerminalRef } from '../design/index.js';
import { outputOn, restingLogic, stepLogic, type LogicState } from '../logic/index.js';
import { clockAt, momentIn, setStage, type Now } from '../scene/index.js';
import { Alterations } from './alterations.js';
import { turnPins } from './pin-states.js';
import { staged, unstagedNets } from './staged.js';
import { SupplyPower } from './supply-power.js';
import type { ReadingNoise } from './reading-noise.js';
import { liveProbe } from './live-probe.js';
import { exactReadings, readingsIn, type Probe, type Reading } from './readings.js';
import { coarsely, SensorNoise, type Heard, type Heeded } from './sensor-noise.js';
import { spreadOf, type Shift } from './spread.js';
import { Stimuli } from './stimuli.js';
import { Turns, type Standing } from './turns.js';

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

interface Readings {
  solution: Solution;
  exact: Map<string, number>;
  counts: Map<string, number>;
}

/**
 * The design on a bench: its circuit, its place and its controller pins together. Light from emitters
 * reaches sensors, so that what is felt depends on what is solved; the two are brought to agree.
 */
export class Rig {
  private readonly circuit: Circuit;
  private readonly alterations: Alterations;
  private readonly named: ReturnType<typeof unstagedNets>;
  private readonly readers: readonly Reading[];
  private readonly stimuli: Stimuli;
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
  /** Readings of the solution looked at last. */
  private read?: Readings;
  /** The controller at rest in surroundings in which nothing happens. */
  private rested?: { ambient: Scene['ambient']; modes: Scene['modes']; logic: LogicState };
  private readonly sensorNoise: SensorNoise;
  private readonly live: Probe;
  /** What noise is looked for with. */
  private readonly noiseProbe: Probe;
  /** Resistance seen into the circuit at terminals in the last solution that was read, Ω. */
  private readonly seen = new Map<TerminalRef, number | undefined>();
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
    this.readers = readingsIn(design);
    this.power = new SupplyPower(design, this.circuit);
    this.sensorNoise = new SensorNoise(
      design,
      this.readers,
      {
        stimulus: ({ id, quantity }) => this.circuit.stimulusOf(id)[quantity],
        readings: ({ id, quantity }, stimulus, wanted) =>
          this.readWith(id, quantity, stimulus, wanted),
      },
      exactness.unchanged === undefined ? undefined : coarsely(design),
    );
    this.live = liveProbe(this.circuit);
    const { live } = this;
    const isCoarse = exactness.unchanged !== undefined;
    if (isCoarse) this.circuit.network.closeness = close;
    this.noiseProbe = isCoarse ? { ...live, ohms: this.seenBefore(live.ohms) } : live;
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
    let solution = first;
    for (let round = 0; round < 25 && this.updateStimuli(now, solution); round++)
      solution = this.solve();
    return solution;
  }

  /**
   * The controller at rest: the scene's first moment read again and again until nothing changes.
   */
  restingLogic(scene: Scene): LogicState {
    const { design } = this;
    const still = scene.happenings.length === 0;
    const { ambient, modes } = scene;
    if (still && this.rested?.ambient === ambient && this.rested.modes === modes)
      return this.rested.logic;
    let logic = restingLogic(design, { clock: clockAt(scene), begin: modes });
    const rounds = 2 + Math.max(0, ...design.channels.map(readingsToRest));
    for (let i = 0; i < rounds; i++) {
      const [next] = stepLogic(design, logic, this.counts(this.settle(scene, 0, logic)), 0);
      if (sameLogic(logic, next)) break;
      logic = next;
    }
    logic = arrived(logic);
    if (still) this.rested = { ambient, modes, logic };
    return logic;
  }

  /**
   * What each channel reads, without noise; channels on a pin without voltage read nothing. Pins of one
   * converter are read in the order of their channels, over and over: what was read before is left on
   * its sampling capacitor.
   */
  counts(solution: Solution): Map<string, number> {
    return this.readingsOf(solution).counts;
  }

  /**
   * What the sensors' own noise does to each channel's reading: the noise of each through the slope of the circuit around its
   * present state or, where the channel reads a level, past the point at which that turns. Sensors are taken as independent.
   * Slopes are worked out anew when a reading has moved by more than a two-hundredth of its range, turning points when what is
   * felt has moved by three standard deviations.
   */
  noise(solution: Solution): Map<string, ReadingNoise> {
    const { exact } = this.readingsOf(solution);
    const stimulus: Heeded['stimulus'] = ({ id, quantity }) =>
      this.circuit.stimulusOf(id)[quantity];
    return this.sensorNoise.of({ exact, stimulus }, () => exact);
  }

  /** The same for readings of the circuit in time, which settles only where they have moved. */
  noiseIn(now: Heeded, settle: () => Solution): Map<string, ReadingNoise> {
    return this.sensorNoise.of(now, () => this.readingsOf(settle()).exact);
  }

  /** What was found of the noise of sensors, the last first. */
  get heard(): readonly Heard[] {
    return this.sensorNoise.heard;
  }

  set heard(heard: readonly Heard[]) {
    this.sensorNoise.heard = heard;
  }

  /** Whether no sensor has noise of its own. */
  get noiseless(): boolean {
    return this.sensorNoise.none;
  }

  /** How the circuit stands and what is felt, to come back to. */
  get standing(): Standing {
    return { memory: this.circuit.network.remember(), stimulus: this.stimuli.mark };
  }

  /** Goes back to how the circuit stood; pins are driven as what is settled next asks. */
  backTo(standing: Standing): void {
    this.stand(standing);
    this.last = undefined;
    this.on = undefined;
    this.loosened = false;
    this.loose = undefined;
    this.turns.clear();
  }

  private stand({ memory, stimulus }: Standing): void {
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

  /** Readings before and after rounding, worked out once per solution. */
  private readingsOf(solution: Solution): Readings {
    if (solution === this.read?.solution) return this.read;
    const exact = this.exactCounts(solution);
    const counts = new Map([...exact].map(([id, value]) => [id, Math.round(value)]));
    this.read = { solution, exact, counts };
    return this.read;
  }

  /** What each channel reads before rounding; see `counts`. */
  exact(solution: Solution): ReadonlyMap<string, number> {
    return this.readingsOf(solution).exact;
  }

  /** Readings before rounding. */
  private exactCounts(solution: Solution): Map<string, number> {
    const { live } = this;
    return exactReadings(this.readers, {
      ...live,
      // As it stands, to the last digit; where nothing stands, as that is told.
      solved: solution.method === 'none' ? (part) => solution.parts[part] : live.solved,
      ohms: (refs, window) => {
        const ohms = live.ohms(refs, window);
        refs.forEach((ref, i) => this.seen.set(ref, ohms[i]));
        return ohms;
      },
    });
  }

  /** What was seen into the circuit at terminals in its last solution: a little noise hardly changes that. */
  private seenBefore(look: Probe['ohms']): Probe['ohms'] {
    return (refs, window) =>
      refs.every((ref) => this.seen.has(ref))
        ? refs.map((ref) => this.seen.get(ref))
        : look(refs, window);
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
      return { solution, exact: this.exactCounts(solution) };
    });
    set(before);
    network.recall(memory);
    return tried;
  }

  /** What channels would read, before rounding, with a part feeling something else; everything is put back. */
  private readWith(
    id: string,
    quantity: keyof Stimulus,
    value: number,
    wanted: (channel: string) => boolean,
  ): Map<string, number> {
    const { circuit } = this;
    const memory = circuit.network.remember();
    const before = circuit.stimulusOf(id)[quantity];
    circuit.setStimulus(id, quantity, value);
    const exact = circuit.settle()
      ? exactReadings(this.readers, this.noiseProbe, wanted)
      : new Map<string, number>();
    circuit.setStimulus(id, quantity, before);
    circuit.network.recall(memory);
    return exact;
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
    return this.stimuli.update(now, (part) => parts[part]) > 0;
  }

  /**
   * Whether every sensor feels the same at other moments of a scene as it does now: what has happened before may go on
   * fading.
   */
  hasSameStimuliAt(scene: Scene, times: readonly number[]): boolean {
    const { last } = this;
    const solved = last && ((part: string) => last.parts[part]);
    return !!solved && times.every((t) => this.stimuli.isSame(momentIn(scene, t), solved));
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

/** So many readings after a reset a channel has settled, as long as they stay the same. */
const readingsToRest = ({ hits, misses, baseline }: Channel): number =>
  hits + misses + (baseline?.kind === 'learnt' ? baseline.learn : 0);

/** Whether nothing would change any more, however often the controller looks again. */
const sameLogic = (a: LogicState, b: LogicState): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** Outputs that fade have long come to where they were going. */
const arrived = (logic: LogicState): LogicState => ({
  ...logic,
  outputs: Object.fromEntries(
    Object.entries(logic.outputs).map(([id, o]) => [id, { ...o, level: o.target }]),
  ),
});
