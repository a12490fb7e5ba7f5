import { kindOf, paramsOf, surroundings, type Stimulus } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { islandsOf, meet } from '../wiring/index.js';
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

/** What the noise of one sensor does. */
interface HeardOf {
  sensor: Noisy;
  /** What it felt, and what was read. */
  stimulus: number;
  exact: ReadonlyMap<string, number>;
  /** How far one standard deviation moves what is read as a number, counts, by channel. */
  steps: readonly (readonly [channel: string, counts: number])[];
  turns: readonly TurningPoint[];
}

/** What noise does around some readings. */
export interface Heard {
  exact: ReadonlyMap<string, number>;
  /** Of each noisy sensor. */
  of: readonly HeardOf[];
}

/** How exactly noise is followed. */
interface Followed {
  /** What it does is worked out anew where a reading has moved by this share of its range. */
  moved: number;
  /** Then only of sensors that have moved themselves, or that moved that reading: others are taken to go on as they did. */
  those: boolean;
  /** Whether it is asked what a sensor does to what a channel reads. */
  matters(sensor: Noisy, channel: string): boolean;
}

const closely: Followed = { moved: 1 / 200, those: false, matters: () => true };

/** Where two designs are compared: what sensors do to each other by nothing but the supplies that all share is left out. */
export function coarsely(design: Design): Followed {
  const islands = islandsOf(design);
  const known = new Map<string, ReadonlySet<string>>();
  const at = (place: string): ReadonlySet<string> => {
    const on = known.get(place) ?? islands.of([place]);
    known.set(place, on);
    return on;
  };
  return {
    moved: 1 / 20,
    those: true,
    matters: ({ id }, channel) => meet(at(id), at(channel)),
  };
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
    private readonly followed = closely,
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
    const heard = this.known(now) ?? this.listen(now, settle());
    const noise = new Map<string, ReadingNoise>();
    for (const [id, counts] of heard.of.flatMap(({ steps }) => steps))
      noise.set(id, { sigma: Math.hypot(noise.get(id)?.sigma ?? 0, counts) });
    for (const { channel, sensor, at, to } of heard.of.flatMap(({ turns }) => turns)) {
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

  private holds({ exact, of }: Heard, now: Heeded): boolean {
    const same = !this.readers.some((reader) => this.hasMoved(reader, exact, now));
    return same && (this.levels.size === 0 || !of.some((one) => isElsewhere(one, now)));
  }

  private hasMoved(
    { channel: { id }, reader }: Reading,
    exact: Heard['exact'],
    now: Heeded,
  ): boolean {
    const [is, was] = [now.exact.get(id), exact.get(id)];
    if (is === undefined || is === was) return false;
    return !(Math.abs(is - (was ?? NaN)) < this.followed.moved * reader.full);
  }

  /** Whether a sensor is where it was, no reading that it moves has been moved, and nothing has turned. */
  private goesOn(one: HeardOf, now: Heeded): boolean {
    const { exact, steps, sensor } = one;
    const moves = (id: string): boolean =>
      this.levels.has(id)
        ? this.followed.matters(sensor, id)
        : steps.some(([channel, counts]) => channel === id && counts !== 0);
    return (
      !isElsewhere(one, now) &&
      !this.readers.some((r) => moves(r.channel.id) && this.hasMoved(r, exact, now))
    );
  }

  /** @param exact readings of the settled circuit */
  private listen(now: Heeded, exact: ReadonlyMap<string, number>): Heard {
    const [last] = this.followed.those ? this.heard : [];
    const all = new Map([...exact, ...now.exact]);
    const of = this.noisy.map((sensor, i): HeardOf => {
      const before = last?.of[i];
      if (before && this.goesOn(before, now)) return before;
      return {
        sensor,
        stimulus: now.stimulus(sensor),
        exact: all,
        steps: this.steps(sensor, exact),
        turns: [1, -1].flatMap((side) => this.turnsOf(sensor, side, exact)),
      };
    });
    const heard: Heard = { exact: all, of };
    this.heard = [heard, ...this.heard].slice(0, mostHeard);
    return heard;
  }

  /** How far what is read as a number moves with one standard deviation of a sensor, counts. */
  private steps(sensor: Noisy, exact: ReadonlyMap<string, number>): [string, number][] {
    const wanted = (channel: string): boolean =>
      !this.levels.has(channel) && this.followed.matters(sensor, channel);
    const numbers = [...exact].filter(([channel]) => wanted(channel));
    if (numbers.length === 0) return [];
    const shifted = this.readings(sensor, 1, wanted);
    return numbers.map(([channel, value]) => [channel, (shifted.get(channel) ?? value) - value]);
  }

  /** Where a sensor turns levels on one side of what it feels. */
  private turnsOf(sensor: Noisy, side: number, exact: ReadonlyMap<string, number>): TurningPoint[] {
    const levels = [...this.levels].filter((channel) => this.followed.matters(sensor, channel));
    if (levels.length === 0) return [];
    const end = side * (mostNoise + stale);
    const far = this.readings(sensor, end, (channel) => levels.includes(channel));
    return levels.flatMap((channel) => {
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

const isElsewhere = ({ sensor, stimulus }: HeardOf, now: Heeded): boolean =>
  Math.abs(now.stimulus(sensor) - stimulus) > stale * sensor.sigma;
