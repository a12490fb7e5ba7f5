import type { Channel, ReadingSet } from '../design/index.js';
import {
  channelCourse,
  filterDelay,
  levelsOf,
  restingChannel,
  type Level,
} from '../logic/index.js';
import { moreReadings, upperCount, type Share } from './binomial.js';
import {
  bestLine,
  errorCurve,
  errorsAt,
  rocArea,
  type Costs,
  type CurvePoint,
  type LineErrors,
  type Readings,
} from './line.js';
import { measure, type Measured } from './measure.js';
import { enoughForRate, falseTriggers, hysteresisFor, noiseOf, type Noise } from './noise.js';
import { judgeSets, kept, type SetJudgement } from './set-judgement.js';
import { words } from './words.js';

/** What one may ask to be sure of: errors in at most this share of readings. */
export const wantedShare = 0.05;
const perDay = 86_400;

/** Everything that readings tell of a channel and its line. Values are in what its threshold is in. */
export interface Judgement {
  /** Where its baseline is taken to stand, counts. */
  from?: number;
  levels: Level[];
  sets: SetJudgement[];
  /** Both errors at the line as it is, per reading. */
  errors: LineErrors;
  /** Where the line would stand best; absent where no line parts the readings. */
  best?: LineErrors & { gap: number };
  /** Of pairs of a wanted and another reading those in the right order. */
  area?: number;
  curve: CurvePoint[];
  /** Of the quiet set that triggers most often. */
  noise?: Noise & { set: string };
  /** What six deviations of the noise do not bridge. */
  hysteresis?: number;
  falses: FalseRate;
  /** So many more readings without an error until 5 % are certain. */
  more: { wanted: number; other: number };
  words: string[];
}

/** How often it would fire with nothing to fire at. */
export interface FalseRate {
  /** From the noise alone, taken as normal; absent without quiet readings. */
  perDay?: number;
  /** The readings as they were taken, put through the channel. */
  counted: { trips: number; seconds: number; atMostPerDay: number | undefined };
}

/**
 * Judges a channel by its reading sets.
 *
 * @param full the highest count its converter gives
 * @returns undefined where a learnt baseline has no quiet readings to be learnt from
 */
export function judgeChannel(
  channel: Channel,
  sets: readonly ReadingSet[],
  full: number,
): Judgement | undefined {
  const raw = sets.map((set) => ({ ...set, counts: kept(set) })).filter((s) => s.counts.length > 0);
  const measured = measure(channel, raw);
  if (!measured) return undefined;
  const { side, from } = measured;
  const line = channel.threshold;
  const costs: Costs = { miss: channel.missCost ?? 1, false: 1 };
  const errors = errorsAt(measured.sets, side, line, costs);
  const noise = worstNoise(channel, measured, raw);
  const best = bestOf(measured, costs);
  const judgement: Omit<Judgement, 'words'> = {
    ...(from === undefined ? {} : { from }),
    levels: levelsOf(channel, from),
    sets: judgeSets(raw, measured, channel, full),
    errors,
    ...(best ? { best } : {}),
    area: rocArea(measured.sets, side),
    curve: errorCurve(measured.sets, side),
    ...(noise ? { noise, hysteresis: Math.max(1, hysteresisFor(noise)) } : {}),
    falses: {
      ...(noise && noise.readings >= enoughForRate ? { perDay: noise.perSecond * perDay } : {}),
      counted: countTrips(channel, raw, from),
    },
    more: { wanted: more(errors.misses), other: more(errors.falses) },
  };
  return { ...judgement, words: words(judgement, channel) };
}

const more = ({ events, tries }: Share): number => moreReadings(events, tries, wantedShare);

function bestOf({ sets, side }: Measured, costs: Costs): Judgement['best'] {
  const kinds = new Set(sets.map((s) => s.intent === 'wanted'));
  const values = new Set(sets.flatMap((s) => s.counts));
  return kinds.size < 2 || values.size < 2 ? undefined : bestLine(sets, side, costs);
}

/** The noise of the quiet set that triggers most often, at the rate at which the channel reads. */
function worstNoise(
  channel: Channel,
  { sets, side }: Measured,
  raw: readonly ReadingSet[],
): (Noise & { set: string; perSecond: number }) | undefined {
  const found = sets.flatMap((set, i) => {
    const taken = raw[i]?.every;
    if (set.intent !== 'quiet' || set.counts.length < 2 || taken === undefined) return [];
    const noise = noiseOf(set.counts);
    const correlation = atRate(noise.correlation, taken, channel.every);
    const { threshold, hits, every } = channel;
    const at = { trips: side, threshold, hits, every };
    return [{ ...noise, set: set.name, perSecond: falseTriggers({ ...noise, correlation }, at) }];
  });
  return found.sort((a, b) => b.perSecond - a.perSecond || b.sd - a.sd)[0];
}

/** Correlation from one reading to the next at another rate: r^(T/T0), as for a first-order process. */
const atRate = (r: number, taken: number, every: number): number =>
  r <= 0 ? (every < taken ? 0 : r) : r ** (every / taken);

/** Trips of the channel itself on all that was not wanted, each set from a reset with its baseline learnt. */
function countTrips(
  channel: Channel,
  sets: readonly ReadingSet[],
  from: number | undefined,
): FalseRate['counted'] {
  let [trips, seconds] = [0, 0];
  const learnt = channel.baseline?.kind === 'learnt' ? channel.baseline.learn : 0;
  const start = { ...restingChannel, baseline: { counts: from, learnt } };
  for (const set of sets.filter((s) => s.intent !== 'wanted')) {
    seconds += set.counts.length * set.every;
    const times = set.counts.map((_, i) => i * set.every);
    let before = false;
    for (const { on } of channelCourse(channel, start, times, set.counts)) {
      if (on && !before) trips += 1;
      before = on;
    }
  }
  const atMostPerDay = seconds > 0 ? (perDay * upperCount(trips)) / seconds : undefined;
  return { trips, seconds, atMostPerDay };
}

/** Both errors when the mean of the last n readings is judged, and by how much later it knows. */
export interface Averaged {
  n: number;
  errors: LineErrors;
  /** s. */
  delay: number;
  /** Deviation of the noisiest quiet set. */
  sd: number | undefined;
}

/** What taking the mean of more readings does to both errors at the line as it is. */
export function averaging(
  channel: Channel,
  sets: readonly ReadingSet[],
  counts: readonly number[] = [1, 2, 4, 8, 16, 32],
): Averaged[] {
  return counts.flatMap((n) => {
    const filter = { by: 'mean', n } as const;
    const raw: Readings[] = sets.map((set) => ({ ...set, counts: kept(set) }));
    const measured = measure({ ...channel, filter }, raw);
    if (!measured) return [];
    const deviations = measured.sets
      .filter((s) => s.intent === 'quiet' && s.counts.length > 1)
      .map((s) => noiseOf(s.counts).sd);
    return [
      {
        n,
        errors: errorsAt(measured.sets, measured.side, channel.threshold),
        delay: filterDelay(filter) * channel.every,
        sd: deviations.length > 0 ? Math.max(...deviations) : undefined,
      },
    ];
  });
}
