import {
  findSurrounding,
  type Quantity,
  type SolvedPart,
  type Stimulus,
} from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import { stimulusOn, type Now, type Sensor, type Stage } from '../scene/index.js';

/** A stimulus counts as unchanged below this share of itself, or of the least that matters. */
const finest = 1e-9;

/** What parts meet, by quantity. */
export type Felt = ReadonlyMap<string, Partial<Record<Quantity, number>>>;

/** What every sensor of a circuit meets, brought up to date from moment to moment. */
export class Stimuli {
  private readonly values = new Map<Sensor, number>();
  private readonly noted = new Map<Sensor, number>();
  private readonly felt = new Map<string, Partial<Record<Quantity, number>>>();

  /** @param unchanged a stimulus counts as unchanged below this share of itself, or of the least that matters */
  constructor(
    private readonly stage: Stage,
    private readonly circuit: Circuit,
    private readonly unchanged = finest,
  ) {}

  /**
   * Works out anew what every sensor meets, and tells the circuit.
   *
   * @param solved of a part as the circuit stands: light and sound follow its current
   * @returns the largest change of any, as a share of itself or of the least that matters; 0 where none has changed
   */
  update(now: Now, solved: (part: string) => SolvedPart | undefined): number {
    let largest = 0;
    for (const sensor of this.stage.sensors) {
      const value = stimulusOn(this.stage, sensor, now, solved);
      const before = this.values.get(sensor);
      const change = before === undefined ? Infinity : shareOf(sensor, value, before);
      if (change <= this.unchanged) continue;
      this.keep(sensor, value);
      this.circuit.setStimulus(sensor.part.id, sensor.receiver.quantity, value);
      largest = Math.max(largest, change);
    }
    return largest;
  }

  private keep(sensor: Sensor, value: number): void {
    const { part, receiver } = sensor;
    this.values.set(sensor, value);
    this.felt.set(part.id, { ...this.felt.get(part.id), [receiver.quantity]: value });
  }

  /** What all parts meet, to come back to. */
  get mark(): Felt {
    return new Map(this.felt);
  }

  /** Whether parts meet now what they met then. */
  isAt(felt: Felt): boolean {
    return [...this.values].every(([sensor, value]) => {
      const { part, receiver } = sensor;
      const then = felt.get(part.id);
      if (then === this.felt.get(part.id)) return true;
      return shareOf(sensor, value, then?.[receiver.quantity] ?? Infinity) <= this.unchanged;
    });
  }

  /** Tells the circuit what parts met then. */
  recall(felt: Felt): void {
    const others = new Map([...felt].filter(([id, stimulus]) => this.felt.get(id) !== stimulus));
    for (const sensor of this.stage.sensors) {
      const value = others.get(sensor.part.id)?.[sensor.receiver.quantity];
      if (value !== undefined) this.values.set(sensor, value);
    }
    for (const [id, stimulus] of others) {
      this.felt.set(id, stimulus);
      this.circuit.setState(id, { stimulus });
    }
  }

  /** @returns the largest change of any since this was asked last, as `update` tells it */
  moved(): number {
    let largest = 0;
    for (const [sensor, value] of this.values) {
      largest = Math.max(largest, shareOf(sensor, value, this.noted.get(sensor) ?? value));
      this.noted.set(sensor, value);
    }
    return largest;
  }

  /** What a part meets, by quantity; undefined for one that senses nothing. */
  of(part: string): Partial<Stimulus> | undefined {
    return this.felt.get(part);
  }

  /** Whether every sensor would meet the same at another moment. */
  isSame(now: Now, solved: (part: string) => SolvedPart | undefined): boolean {
    return this.stage.sensors.every(
      (sensor) =>
        shareOf(
          sensor,
          stimulusOn(this.stage, sensor, now, solved),
          this.values.get(sensor) ?? Infinity,
        ) <= this.unchanged,
    );
  }
}

function shareOf({ receiver }: Sensor, value: number, before: number): number {
  const { floor = 0 } = findSurrounding(receiver.quantity) ?? {};
  return Math.abs(value - before) / Math.max(Math.abs(value), Math.abs(before), floor, 1e-12);
}
