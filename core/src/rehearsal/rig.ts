import { pinConverter, type PinState } from '../catalog/index.js';
import { Circuit, voltsAt, type Solution } from '../circuit/index.js';
import { splitRef, type Design, type Scene } from '../design/index.js';
import { outputOn, restingLogic, stepLogic, type LogicState } from '../logic/index.js';
import { feel, setStage, type Stage } from '../scene/index.js';

/** What a sensor feels counts as unchanged below this share of itself. */
const sameFelt = 1e-9;

/** A scene in which nothing happens and no light falls. */
export const quietScene: Scene = {
  id: 'quiet',
  name: 'Nothing happens',
  seed: 1,
  duration: 10,
  ambient: { daylight: 0 },
  happenings: [],
};

/**
 * The design on a bench: its circuit, its place and its controller pins together. Light from emitters
 * reaches sensors, so that what is felt depends on what is solved; the two are brought to agree.
 */
export class Rig {
  private readonly circuit: Circuit;
  private readonly stage: Stage;
  private readonly felt = new Map<string, number>();
  private pinKey = '';
  private last?: Solution;
  /** Readings of the solution looked at last. */
  private read?: { solution: Solution; counts: Map<string, number> };
  /** How often the circuit has really been solved. */
  solves = 0;

  constructor(private readonly design: Design) {
    this.circuit = new Circuit(design);
    this.stage = setStage(design);
  }

  /**
   * The circuit at a moment of a scene, with the outputs as the controller has set them.
   * The same object is given back as long as nothing that is felt or set has changed.
   */
  settle(scene: Scene, t: number, logic: LogicState): Solution {
    let solution = this.setPins(logic) || !this.last ? this.solve() : this.last;
    for (let round = 0; round < 25 && this.refeel(scene, t, solution); round++) {
      solution = this.solve();
    }
    return solution;
  }

  /**
   * The controller at rest: the scene's first moment read again and again until nothing changes.
   */
  restingLogic(scene: Scene): LogicState {
    const { design } = this;
    let logic = restingLogic(design);
    const rounds = 2 + Math.max(0, ...design.channels.map((c) => c.hits + c.misses));
    for (let i = 0; i < rounds; i++) {
      logic = stepLogic(design, logic, this.counts(this.settle(scene, 0, logic)), 0);
    }
    return logic;
  }

  /**
   * What each channel reads, without noise; channels on a pin without voltage read nothing. Pins of one
   * converter are read in the order of their channels, over and over: what was read before is left on
   * its sampling capacitor.
   */
  counts(solution: Solution): Map<string, number> {
    if (solution === this.read?.solution) return this.read.counts;
    const taps = this.design.channels.flatMap((channel) => {
      const converter = pinConverter(this.design, channel.pin);
      const volts = voltsAt(solution, channel.pin);
      return converter && volts !== undefined ? [{ channel, converter, volts }] : [];
    });
    const counts = new Map(
      taps.map(({ channel, converter, volts }, i) => {
        const turn = taps.filter((t) => t.converter.part === converter.part);
        const before = turn.at(turn.indexOf(taps[i]) - 1)?.volts ?? volts;
        const ohms = this.circuit.sourceOhms(channel.pin, converter.window) ?? 0;
        const sampled = converter.sampled(volts, before, ohms);
        return [channel.id, converter.counts(sampled, solution.parts[converter.part])] as const;
      }),
    );
    this.read = { solution, counts };
    return counts;
  }

  /** What a sensor last felt, in its unit. */
  feltBy(part: string): number | undefined {
    return this.felt.get(part);
  }

  private solve(): Solution {
    this.solves += 1;
    this.last = this.circuit.solve();
    return this.last;
  }

  /** Works out anew what every sensor feels; true when any of it has changed. */
  private refeel(scene: Scene, t: number, solution: Solution): boolean {
    let changed = false;
    for (const sensor of this.stage.sensors) {
      const { id } = sensor.part;
      const now = feel(this.stage, sensor, scene, t, (part) => solution.parts[part]);
      const before = this.felt.get(id) ?? Infinity;
      if (Math.abs(now - before) <= sameFelt * Math.max(Math.abs(now), 1e-9)) continue;
      this.felt.set(id, now);
      this.circuit.setState(id, { felt: now });
      changed = true;
    }
    return changed;
  }

  private setPins(logic: LogicState): boolean {
    const pins = pinStates(this.design, logic);
    const key = JSON.stringify([...pins]);
    if (key === this.pinKey) return false;
    this.pinKey = key;
    for (const [part, states] of pins) this.circuit.setState(part, { pins: states });
    return true;
  }
}

/** How every pin in use is set up and, for outputs, which way it is driven, by controller. */
function pinStates(design: Design, logic: LogicState): Map<string, Record<string, PinState>> {
  const pins = new Map<string, Record<string, PinState>>();
  for (const { pin, mode } of design.controller.pins) {
    const { part, terminal } = splitRef(pin);
    const output = design.outputs.find((o) => o.pin === pin);
    const on = output ? outputOn(design, logic, output) : false;
    const high = output ? on === (output.active === 'high') : false;
    pins.set(part, { ...pins.get(part), [terminal]: { mode, high } });
  }
  return pins;
}
