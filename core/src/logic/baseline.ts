import type { Baseline } from '../design/index.js';

/** What a baseline remembers. */
export interface BaselineState {
  /** Where it stands, counts; undefined before the first reading. */
  counts: number | undefined;
  /** How many readings it was learnt from. */
  learnt: number;
}

export const restingBaseline: BaselineState = { counts: undefined, learnt: 0 };

/** Whether readings can be compared with a baseline yet. */
export const isLearnt = (baseline: Baseline | undefined, { learnt }: BaselineState): boolean =>
  baseline?.kind !== 'learnt' || learnt >= baseline.learn;

/** The count from which a channel measures, if it measures from one. */
export function baselineCounts(
  baseline: Baseline | undefined,
  state: BaselineState,
): number | undefined {
  return baseline?.kind === 'fixed' ? baseline.counts : state.counts;
}

/**
 * Takes a filtered reading into a learnt baseline: the mean of the first `learn`, then a running average
 * b + (v − b)·(1 − e^(−Δt/τ)), the exact course of a first-order lag between readings.
 *
 * @param since time since the reading before, s
 */
export function stepBaseline(
  baseline: Baseline | undefined,
  state: BaselineState,
  value: number,
  since: number,
  tripped: boolean,
): BaselineState {
  if (baseline?.kind !== 'learnt') return state;
  const { counts = 0, learnt } = state;
  if (learnt < baseline.learn)
    return { counts: counts + (value - counts) / (learnt + 1), learnt: learnt + 1 };
  if (baseline.follow === 0 || (baseline.freeze && tripped)) return state;
  return { counts: counts + (value - counts) * -Math.expm1(-since / baseline.follow), learnt };
}
