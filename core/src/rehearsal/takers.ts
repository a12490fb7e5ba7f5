import { channelReader } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { noiseOf } from './random.js';
import { quiet, reach, taken, type ReadingNoise } from './reading-noise.js';
import type { CycleReader } from './sleep-cycles.js';
import type { Trace } from './traces.js';

/** How a channel takes readings. */
interface Taker {
  full: number;
  noise: number;
  draw: (n: number) => number;
  /** Readings so far. */
  taken: number;
}

/** Takes the readings of channels, each with its noise by its number. */
export class Takers {
  private readonly takers: ReadonlyMap<string, Taker>;

  constructor(
    private readonly design: Design,
    { seed }: Scene,
  ) {
    this.takers = new Map(
      design.channels.map((c, i) => {
        const { full = 0, noise = 0 } = channelReader(design, c.pin) ?? {};
        return [c.id, { full, noise, draw: noiseOf(seed, i), taken: 0 }];
      }),
    );
  }

  /** How many readings each channel has taken. */
  get counts(): ReadonlyMap<string, number> {
    return new Map([...this.takers].map(([id, taker]) => [id, taker.taken]));
  }

  /** A channel has taken so many in all. */
  took(channel: string, count: number): void {
    const taker = this.takers.get(channel);
    if (taker) taker.taken = count;
  }

  /** The next reading of a channel, of counts that noise has not touched yet; undefined for one that nothing reads. */
  take(channel: string, counts: number, noise: ReadingNoise = quiet): number | undefined {
    const taker = this.takers.get(channel);
    if (!taker) return undefined;
    const value = taken(counts, noise, taker.noise, taker.draw(taker.taken), taker.full);
    taker.taken += 1;
    return value;
  }

  /** What takes the readings of channels while the circuit stands as it does. */
  standing(
    exact: ReadonlyMap<string, number>,
    own: ReadonlyMap<string, ReadingNoise>,
    readings: Readonly<Record<string, Trace>>,
  ): CycleReader[] {
    return this.design.channels.flatMap((channel) => {
      const [value, taker] = [exact.get(channel.id), this.takers.get(channel.id)];
      const trace = readings[channel.id];
      if (value === undefined || !taker || !trace) return [];
      const counts = Math.round(value);
      const noise = own.get(channel.id) ?? quiet;
      const read = (n: number): number =>
        taken(counts, noise, taker.noise, taker.draw(n), taker.full);
      const spread = reach(counts, noise, taker.noise);
      return [{ channel, counts, spread, read, taken: taker.taken, trace }];
    });
  }
}
