import type { Channel, Design, Scene } from '../design/index.js';
import { EdgeWatch } from './edge-watch.js';
import type { ReadingNoise } from './reading-noise.js';
import type { Glance } from './rerun.js';
import type { CycleReader } from './sleep-cycles.js';
import { Takers } from './takers.js';
import { emptyTrace, type Trace } from './traces.js';

/** A circuit as channels read it. */
export interface ReadCircuit {
  /** What channels read without noise, before rounding: some, or all. */
  exact(due?: readonly Channel[]): ReadonlyMap<string, number>;
  /** What noise of sensors does to readings. */
  noise(t: number, exact: ReadonlyMap<string, number>): ReadonlyMap<string, ReadingNoise>;
}

/** What the program reads: readings with their noise, taken down, and pins that are watched for an edge. */
export class Inputs {
  readonly takers: Takers;
  readonly edge: EdgeWatch;
  /** Readings of each channel. */
  readonly readings: Readonly<Record<string, Trace>>;

  constructor(
    design: Design,
    scene: Scene,
    private readonly circuit: ReadCircuit,
  ) {
    this.takers = new Takers(design, scene);
    this.edge = new EdgeWatch(design.channels);
    this.readings = Object.fromEntries(design.channels.map((c) => [c.id, emptyTrace()]));
  }

  /** Channels whose level has just changed in a way at which they read at once. */
  edges(): ReadonlySet<string> {
    return this.edge.turned(this.circuit.exact(this.edge.channels));
  }

  /** What channels that are due read, before the converter's noise. */
  glances(due: readonly Channel[], t: number): (Glance & { exact: number | undefined })[] {
    if (due.length === 0) return [];
    const exact = this.circuit.exact(due);
    const own = this.circuit.noise(t, exact);
    return due.map(({ id }) => {
      const now = exact.get(id);
      const counts = this.edge.take(id) ?? (now === undefined ? now : Math.round(now));
      return { channel: id, counts, exact: now ?? counts, noise: own.get(id) };
    });
  }

  /** Readings with the converter's noise, taken down. */
  read(glances: readonly Glance[], t: number): Map<string, number> {
    const readings = new Map<string, number>();
    for (const glance of glances) {
      const value = this.take(glance);
      if (value === undefined) continue;
      readings.set(glance.channel, value);
      this.keep(glance.channel, t, value);
    }
    return readings;
  }

  /** A reading with its noise; undefined where there is nothing to read. */
  take({ channel, counts, noise }: Glance): number | undefined {
    return counts === undefined ? undefined : this.takers.take(channel, counts, noise);
  }

  keep(channel: string, t: number, value: number): void {
    this.readings[channel]?.times.push(t);
    this.readings[channel]?.values.push(value);
  }

  /** What takes the readings of channels as they stand. */
  readers(t: number): CycleReader[] {
    const exact = this.circuit.exact();
    return this.takers.standing(exact, this.circuit.noise(t, exact), this.readings);
  }
}
