import { findSurrounding, type SolvedPart, type Stimulus } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import { stimulusOn, type Now, type Sensor, type Stage } from '../scene/index.js';

/** A stimulus counts as unchanged below this share of itself. */
const unchanged = 1e-9;

/** What every sensor of a circuit meets, brought up to date from moment to moment. */
export class Stimuli {
  private readonly values = new Map<Sensor, number>();
  private readonly noted = new Map<Sensor, number>();

  constructor(
    private readonly stage: Stage,
    private readonly circuit: Circuit,
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
      if (change <= unchanged) continue;
      this.values.set(sensor, value);
      this.circuit.setStimulus(sensor.part.id, sensor.receiver.quantity, value);
      largest = Math.max(largest, change);
    }
    return largest;
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
    const own = [...this.values].filter(([sensor]) => sensor.part.id === part);
    if (own.length === 0) return undefined;
    return Object.fromEntries(own.map(([{ receiver }, value]) => [receiver.quantity, value]));
  }

  /** Whether every sensor would meet the same at another moment. */
  isSame(now: Now, solved: (part: string) => SolvedPart | undefined): boolean {
    return this.stage.sensors.every(
      (sensor) =>
        shareOf(
          sensor,
          stimulusOn(this.stage, sensor, now, solved),
          this.values.get(sensor) ?? Infinity,
        ) <= unchanged,
    );
  }
}

function shareOf({ receiver }: Sensor, value: number, before: number): number {
  const { floor = 0 } = findSurrounding(receiver.quantity) ?? {};
  return Math.abs(value - before) / Math.max(Math.abs(value), Math.abs(before), floor, 1e-12);
}
