import { kindOf, paramsOf, surroundings, type Stimulus } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { mostNoise, turningPoint, type ReadingNoise } from './reading-noise.js';
import type { Reading } from './readings.js';

/** A sensor with the standard deviation of what it feels. */
interface Noisy {
  id: string;
  quantity: keyof Stimulus;
  sigma: number;
}

/** Where what a sensor feels turns the level that a channel reads, and to what. */
interface TurningPoint {
  channel: string;
  sensor: Noisy;
  at: number;
  to: number;
}

/** What noise does around some readings. */
export interface Heard {
  exact: ReadonlyMap<string, number>;
  /** Counts, by channel. */
  sigmas: ReadonlyMap<string, number>;
  turns: readonly TurningPoint[];
  /** What each noisy sensor felt. */
  stimulus: readonly number[];
}

/** A circuit in which sensors can be made to feel something else. */
export interface Bench {
  /** What a sensor senses there. */
  stimulus(sensor: Noisy): number;
  /** The readings that are wanted, before rounding, with one sensor feeling something else; nothing else changes by it. */
  readings(
    sensor: Noisy,
    stimulus: number,
    wanted: (channel: string) => boolean,
  ): ReadonlyMap<string, number>;
}

/** The readings that matter, before rounding, and what sensors sense. */
export interface Heeded {
  exact: ReadonlyMap<string, number>;
  stimulus(sensor: Pick<Noisy, 'id' | 'quantity'>): number;
}

/** So many states of a circuit are remembered: it may go to and fro, as where a sensor is only fed while it is read. */
const mostHeard = 4;
/** How far what is felt may move before turning points are looked for anew, standard deviations. */
const stale = 3;

/** What the noise of sensors does to readings; remembered as long as it holds. */
export class SensorNoise {
  private readonly noisy: readonly Noisy[];
  private readonly levels: ReadonlySet<string>;
  /** What was heard, the last first: each stands where it holds. */
  heard: readonly Heard[] = [];

  constructor(
    design: Design,
    private readonly readers: readonly Reading[],
    private readonly bench: Bench,
  ) {
    this.noisy = design.parts.flatMap((part) => {
      const { senses } = kindOf(part);
      const sigma = senses?.noise?.(paramsOf(part)) ?? 0;
      const quantity = senses?.quantities[0];
      return quantity && sigma > 0 ? [{ id: part.id, quantity, sigma }] : [];
    });
    this.levels = new Set(
      readers.flatMap(({ channel, reader }) => (reader.by === 'level' ? [channel.id] : [])),
    );
  }

  /** Whether no sensor has noise of its own. */
  get none(): boolean {
    return this.noisy.length === 0;
  }

  /**
   * What noise does to readings as they are now.
   *
   * @param now the readings that matter, before rounding, and what sensors sense
   * @param settle takes the circuit in which sensors can feel something else there, and gives its readings
   */
  of(now: Heeded, settle: () => ReadonlyMap<string, number>): Map<string, ReadingNoise> {
    const { sigmas, turns } = this.known(now) ?? this.listen(now, settle());
    const noise = new Map(
      [...sigmas].map(([id, sigma]): [string, ReadingNoise] => [id, { sigma }]),
    );
    for (const { channel, sensor, at, to } of turns) {
      const away = (at - now.stimulus(sensor)) / sensor.sigma;
      const nearer = noise.get(channel)?.step;
      if (Math.abs(away) > mostNoise || (nearer && Math.abs(nearer.at) <= Math.abs(away))) continue;
      noise.set(channel, { sigma: 0, step: { at: away, to } });
    }
    return noise;
  }

  private known(now: Heeded): Heard | undefined {
    return this.heard.find((heard) => this.holds(heard, now));
  }

  private holds({ exact, stimulus }: Heard, now: Heeded): boolean {
    const same = this.readers.every(({ channel: { id }, reader }) => {
      const [is, was] = [now.exact.get(id), exact.get(id)];
      return is === undefined || is === was || Math.abs(is - (was ?? NaN)) < reader.full / 200;
    });
    const moved = (sensor: Noisy, i: number): boolean =>
      Math.abs(now.stimulus(sensor) - (stimulus[i] ?? NaN)) > stale * sensor.sigma;
    return same && (this.levels.size === 0 || !this.noisy.some(moved));
  }

  /** @param exact readings of the settled circuit */
  private listen(now: Heeded, exact: ReadonlyMap<string, number>): Heard {
    const sigmas = new Map<string, number>();
    const turns: TurningPoint[] = [];
    for (const sensor of this.noisy) {
      for (const [channel, step] of this.steps(sensor, exact))
        sigmas.set(channel, Math.hypot(sigmas.get(channel) ?? 0, step));
      for (const side of [1, -1]) turns.push(...this.turnsOf(sensor, side, exact));
    }
    const heard: Heard = {
      exact: new Map([...exact, ...now.exact]),
      sigmas,
      turns,
      stimulus: this.noisy.map((sensor) => now.stimulus(sensor)),
    };
    this.heard = [heard, ...this.heard].slice(0, mostHeard);
    return heard;
  }

  /** How far what is read as a number moves with one standard deviation of a sensor, counts. */
  private steps(sensor: Noisy, exact: ReadonlyMap<string, number>): [string, number][] {
    const numbers = [...exact].filter(([channel]) => !this.levels.has(channel));
    if (numbers.length === 0) return [];
    const shifted = this.readings(sensor, 1, (channel) => !this.levels.has(channel));
    return numbers.map(([channel, value]) => [channel, (shifted.get(channel) ?? value) - value]);
  }

  /** Where a sensor turns levels on one side of what it feels. */
  private turnsOf(sensor: Noisy, side: number, exact: ReadonlyMap<string, number>): TurningPoint[] {
    if (this.levels.size === 0) return [];
    const end = side * (mostNoise + stale);
    const far = this.readings(sensor, end, (channel) => this.levels.has(channel));
    return [...this.levels].flatMap((channel) => {
      const to = far.get(channel);
      if (to === undefined || to === exact.get(channel)) return [];
      const turned = (k: number): boolean =>
        this.readings(sensor, k, (c) => c === channel).get(channel) !== exact.get(channel);
      const at = this.bench.stimulus(sensor) + turningPoint(end, turned) * sensor.sigma;
      return [{ channel, sensor, at, to }];
    });
  }

  /** Readings with a sensor feeling so many standard deviations more, as far as that can be felt. */
  private readings(
    sensor: Noisy,
    k: number,
    wanted: (channel: string) => boolean,
  ): ReadonlyMap<string, number> {
    const { min, max } = surroundings[sensor.quantity];
    const stimulus = this.bench.stimulus(sensor) + k * sensor.sigma;
    return this.bench.readings(sensor, Math.min(max, Math.max(min, stimulus)), wanted);
  }
}
