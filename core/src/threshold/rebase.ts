import type { Baseline, Channel, LearntBaseline } from '../design/index.js';

type Rebased = Pick<Channel, 'trips' | 'threshold' | 'hysteresis'> & { baseline?: Baseline };

/** How a learnt baseline begins: the mean of so many readings, standing still while tripped. */
export const usualLearnt: LearntBaseline = {
  kind: 'learnt',
  learn: 15,
  follow: 0,
  freeze: true,
  unit: 'counts',
};

const whole = (value: number): number => Math.max(0, Math.round(value));

/**
 * Gives a channel a baseline, another one, or none. The level stays where it is: a count becomes a distance from the
 * baseline and back.
 *
 * @param rest counts that are read at rest, where a new baseline stands
 */
export function withBaseline(
  { trips, threshold, hysteresis, baseline: before }: Rebased,
  kind: Baseline['kind'] | undefined,
  rest: number,
): Rebased {
  const sign = trips === 'below' ? -1 : 1;
  const from = before?.kind === 'fixed' ? before.counts : rest;
  const one = before?.kind === 'learnt' && before.unit === 'per cent' ? rest / 100 : 1;
  const level = before ? from + sign * threshold * one : threshold;
  const band = whole(hysteresis * one);
  if (kind === undefined)
    return { trips: trips === 'away' ? 'above' : trips, threshold: whole(level), hysteresis: band };
  const baseline: Baseline = kind === 'fixed' ? { kind, counts: rest } : usualLearnt;
  return { trips, baseline, threshold: whole(sign * (level - rest)), hysteresis: band };
}

/**
 * Puts the threshold of a learnt baseline in another unit. The levels stay where they are, as near as whole numbers of
 * it allow.
 *
 * @param rest counts that are read at rest
 * @returns undefined where nothing is read at rest, of which a share could be told
 */
export function inUnit(
  { threshold, hysteresis }: Pick<Channel, 'threshold' | 'hysteresis'>,
  baseline: LearntBaseline,
  unit: LearntBaseline['unit'],
  rest: number,
): Pick<Channel, 'threshold' | 'hysteresis' | 'baseline'> | undefined {
  if (unit === baseline.unit) return { threshold, hysteresis, baseline };
  const factor = unit === 'per cent' ? 100 / rest : rest / 100;
  if (!Number.isFinite(factor) || factor === 0) return undefined;
  return {
    baseline: { ...baseline, unit },
    threshold: Math.max(1, Math.round(threshold * factor)),
    hysteresis: whole(hysteresis * factor),
  };
}
