import type { Stimulus } from '../catalog/index.js';
import type { Circuit, Solution } from '../circuit/index.js';
import type { Design, TerminalRef } from '../design/index.js';
import { liveProbe } from './live-probe.js';
import type { ReadingNoise } from './reading-noise.js';
import { exactReadings, readingsIn, type Probe, type Reading } from './readings.js';
import { coarsely, SensorNoise, type Heard, type Heeded } from './sensor-noise.js';

interface Readings {
  solution: Solution;
  exact: Map<string, number>;
  counts: Map<string, number>;
}

/** What channels read of a circuit as it settles, and what noise does to that. */
export class SettledReadings {
  private readonly readers: readonly Reading[];
  /** Readings of the solution looked at last. */
  private read?: Readings;
  private readonly sensorNoise: SensorNoise;
  private readonly live: Probe;
  /** What noise is looked for with. */
  private readonly noiseProbe: Probe;
  /** Resistance seen into the circuit at terminals in the last solution that was read, Ω. */
  private readonly seen = new Map<TerminalRef, number | undefined>();

  /** @param isCoarse whether a little less than exact is enough for noise */
  constructor(
    design: Design,
    private readonly circuit: Circuit,
    isCoarse: boolean,
  ) {
    this.readers = readingsIn(design);
    this.sensorNoise = new SensorNoise(
      design,
      this.readers,
      {
        stimulus: ({ id, quantity }) => this.circuit.stimulusOf(id)[quantity],
        readings: ({ id, quantity }, stimulus, wanted) =>
          this.readWith(id, quantity, stimulus, wanted),
      },
      isCoarse ? coarsely(design) : undefined,
    );
    this.live = liveProbe(circuit);
    const { live } = this;
    this.noiseProbe = isCoarse ? { ...live, ohms: this.seenBefore(live.ohms) } : live;
  }

  /**
   * What each channel reads, without noise; channels on a pin without voltage read nothing. Pins of one
   * converter are read in the order of their channels, over and over: what was read before is left on
   * its sampling capacitor.
   */
  counts(solution: Solution): Map<string, number> {
    return this.of(solution).counts;
  }

  /** The same before rounding. */
  exact(solution: Solution): ReadonlyMap<string, number> {
    return this.of(solution).exact;
  }

  /**
   * What the sensors' own noise does to each channel's reading: the noise of each through the slope of the circuit around its
   * present state or, where the channel reads a level, past the point at which that turns. Sensors are taken as independent.
   * Slopes are worked out anew when a reading has moved by more than a two-hundredth of its range, turning points when what is
   * felt has moved by three standard deviations.
   */
  noise(solution: Solution): Map<string, ReadingNoise> {
    const { exact } = this.of(solution);
    const stimulus: Heeded['stimulus'] = ({ id, quantity }) =>
      this.circuit.stimulusOf(id)[quantity];
    return this.sensorNoise.of({ exact, stimulus }, () => exact);
  }

  /** The same for readings of the circuit in time, which settles only where they have moved. */
  noiseIn(now: Heeded, settle: () => Solution): Map<string, ReadingNoise> {
    return this.sensorNoise.of(now, () => this.of(settle()).exact);
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

  /** Readings before rounding of the circuit as it stands. */
  now(solution: Solution): Map<string, number> {
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

  /** Readings before and after rounding, worked out once per solution. */
  private of(solution: Solution): Readings {
    if (solution === this.read?.solution) return this.read;
    const exact = this.now(solution);
    const counts = new Map([...exact].map(([id, value]) => [id, Math.round(value)]));
    this.read = { solution, exact, counts };
    return this.read;
  }

  /** What was seen into the circuit at terminals in its last solution: a little noise hardly changes that. */
  private seenBefore(look: Probe['ohms']): Probe['ohms'] {
    return (refs, window) =>
      refs.every((ref) => this.seen.has(ref))
        ? refs.map((ref) => this.seen.get(ref))
        : look(refs, window);
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
}
