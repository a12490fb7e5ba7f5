import {
  kindOf,
  paramsOf,
  type Params,
  type PartKind,
  type Rating,
  type SolvedPart,
} from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { entry } from '../quantity/index.js';
import type { Circuit } from './circuit.js';
import type { PartValues } from './part-values.js';
import type { Observer } from './transient.js';

/**
 * Heat, and the square of a current, count as their mean over this time, s: what silicon, film and wire take for shorter
 * moments is far above their lasting rating (from memory). A voltage breaks through at once.
 */
const borne: Readonly<Partial<Record<Rating['unit'], number>>> = { W: 10e-3, A: 10e-3 };

/** The hardest moment of one rating of one part. */
export interface PeakStress {
  part: string;
  rating: string;
  label: string;
  unit: Rating['unit'];
  limit: number;
  /** The largest value reached, in the rating's unit. */
  value: number;
  /** Value over limit. */
  share: number;
  /** When it was reached, s. */
  at: number;
  /** When it first went beyond its limit, s. */
  since?: number;
}

/** The largest values of one part over a run, and the energy it took in. */
export interface PartPeaks {
  part: string;
  /** Largest voltage between two of its terminals, V. */
  volts: number;
  /** Largest current at a terminal, A. */
  amps: number;
  /** Largest power taken in, W, negative for one that only gives. */
  watts: number;
  /** J. */
  energy: number;
  /** Charge that went through its electrodes one way less the other, A·s; 0 where it has none. */
  charge: number;
  ratings: PeakStress[];
}

interface Watched {
  id: string;
  values: PartValues;
  params: Params;
  ratings: readonly Rating[];
  peaks: PartPeaks;
  outer: readonly string[];
  /** What flows through its electrodes, if it has any. */
  electrodes: PartKind['electrodes'];
  /** Power, and current into its electrodes, at the last look. */
  watts: number;
  amps: number;
  /** Of each rating over what its mean is taken, s, what it was at the last look, and the mean. */
  bears: readonly number[];
  last: Float64Array;
  means: Float64Array;
  /** Energy and charge at the start of the present cycle. */
  before: { energy: number; charge: number };
}

/** Watches every part through a transient: how hard it is pressed against its ratings, and when. */
export class StressWatch implements Observer {
  private readonly watched: readonly Watched[];

  /** @param dead whether power only comes on as the run begins: until then nothing was borne */
  constructor(design: Design, circuit: Circuit, dead = false) {
    this.watched = design.parts.map((part) => {
      const { ratings, electrodes } = kindOf(part);
      const values = circuit.values(part.id);
      const params = circuit.paramsOf(part.id) ?? paramsOf(part);
      const stress = ({ id, label, unit, limit }: Rating): PeakStress => ({
        part: part.id,
        rating: id,
        label,
        unit,
        limit: limit(params),
        value: -Infinity,
        share: -Infinity,
        at: 0,
      });
      return {
        id: part.id,
        values,
        params,
        ratings,
        outer: Object.keys(values.volts).filter((t) => !t.startsWith('#')),
        electrodes,
        watts: 0,
        amps: 0,
        bears: ratings.map(({ bears, unit }) => bears ?? borne[unit] ?? 0),
        last: new Float64Array(ratings.length),
        means: new Float64Array(ratings.length).fill(dead ? 0 : NaN),
        before: { energy: 0, charge: 0 },
        peaks: {
          part: part.id,
          volts: 0,
          amps: 0,
          watts: -Infinity,
          energy: 0,
          charge: 0,
          ratings: ratings.map(stress),
        },
      };
    });
  }

  stepped(t: number, h: number): void {
    for (const part of this.watched) {
      const { watts, amps, peaks } = part;
      look(part, t, h);
      peaks.energy += ((watts + part.watts) / 2) * h;
      peaks.charge += ((amps + part.amps) / 2) * h;
    }
  }

  jumped(t: number): void {
    for (const part of this.watched) look(part, t, 0);
  }

  /** Time passes in which parts take so much on the average, where that is known of them. */
  passed(seconds: number, mean: (part: string) => SolvedPart | undefined): void {
    for (const { id, peaks, electrodes, params } of this.watched) {
      const taken = mean(id);
      if (!taken) continue;
      peaks.energy += taken.watts * seconds;
      peaks.charge += (electrodes?.amps(taken, params) ?? 0) * seconds;
    }
  }

  cycled(times: number): void {
    for (const part of this.watched) {
      const { peaks, before } = part;
      peaks.energy = before.energy + times * (peaks.energy - before.energy);
      peaks.charge = before.charge + times * (peaks.charge - before.charge);
      part.before = { energy: peaks.energy, charge: peaks.charge };
    }
  }

  /** Energy and charge that each part has taken, J and A·s, one after the other. */
  get taken(): Float64Array {
    return Float64Array.from(this.watched.flatMap(({ peaks }) => [peaks.energy, peaks.charge]));
  }

  /** Each part takes such amounts so many times. */
  take(amounts: Float64Array, times: number): void {
    this.watched.forEach(({ peaks }, i) => {
      peaks.energy += times * amounts[2 * i];
      peaks.charge += times * amounts[2 * i + 1];
    });
  }

  /** What each part went through so far, in the order of the design. */
  peaks(): PartPeaks[] {
    return this.watched.map(({ peaks }) => peaks);
  }
}

function look(part: Watched, t: number, h: number): void {
  const { peaks, outer } = part;
  const values = part.values.update();
  part.watts = values.watts;
  if (part.electrodes) part.amps = part.electrodes.amps(values, part.params);
  peaks.watts = Math.max(peaks.watts, values.watts);
  let low = Infinity;
  let high = -Infinity;
  for (const terminal of outer) {
    low = Math.min(low, entry(values.volts, terminal));
    high = Math.max(high, entry(values.volts, terminal));
    peaks.amps = Math.max(peaks.amps, Math.abs(entry(values.amps, terminal)));
  }
  if (high > low) peaks.volts = Math.max(peaks.volts, high - low);
  part.ratings.forEach((rating, i) => {
    const value = borneStress(part, rating, i, h);
    const peak = peaks.ratings[i];
    if (peak.share <= 1 && value > peak.limit) peak.since = t;
    if (value <= peak.value) return;
    peak.value = value;
    peak.share = value / peak.limit;
    peak.at = t;
  });
}

/** A stress as its limit means it: now, or the mean of a heat or the root of that of a current's square. */
function borneStress(part: Watched, { stress, unit }: Rating, i: number, h: number): number {
  const { values, params, bears, last, means } = part;
  const now = stress(values, params);
  if (bears[i] === 0) return now;
  const heat = unit === 'A' ? now * Math.abs(now) : now;
  const before = last[i];
  last[i] = heat;
  means[i] = Number.isNaN(means[i])
    ? heat
    : means[i] - Math.expm1(-h / bears[i]) * ((before + heat) / 2 - means[i]);
  return unit === 'A' ? Math.sign(means[i]) * Math.sqrt(Math.abs(means[i])) : means[i];
}
