import type { Design, Scene } from '../design/index.js';
import { sweptFacts, withValue, type SweptParameter } from './swept-parameter.js';
import { rehearseTrial, type Trial } from './trial.js';
import { sampleTrial, type Corner, type Variation } from './vary.js';

/** One side of a map: what is swept, and over which values. */
export interface Axis {
  dial: SweptParameter;
  from: number;
  to: number;
  /** How many values, the two ends among them. */
  steps: number;
}

/** What is rehearsed over many trials. */
export interface Study {
  /** Id of the scene. */
  scene: string;
  vary: Variation;
  /** Seed of the first trial; those after it follow. */
  first: number;
  /** Trials of each case. */
  count: number;
  ask:
    | { for: 'nights' }
    /** Every pair of two swept values. */
    | { for: 'map'; axes: [Axis, Axis] }
    /** Air, supplies and strength at both ends of what they may be, all at once. */
    | { for: 'corners' }
    /** Another state of the design in the same scene, on the same seeds. */
    | { for: 'beside'; other: Design; label: string };
}

/** One state in which a study rehearses its trials. */
export interface Case {
  design: Design;
  corner: Corner;
  /** Steps along the two axes of a map. */
  at?: readonly [number, number];
  label: string;
}

/** A trial of one case, by its place among the cases. */
export interface CaseTrial {
  case: number;
  night: Trial;
}

/** The values of an axis: evenly spread, or by ratio where they span more than tenfold; whole where the parameter is. */
export function axisValues(design: Design, { dial: swept, from, to, steps }: Axis): number[] {
  const whole = sweptFacts(design, swept)?.param.whole === true;
  const byRatio = from > 0 && to > 0 && Math.max(from, to) / Math.min(from, to) > 10;
  return Array.from({ length: steps }, (_, i) => {
    const share = steps > 1 ? i / (steps - 1) : 0;
    const value = byRatio ? from * (to / from) ** share : from + share * (to - from);
    return whole ? Math.round(value) : Number(value.toPrecision(6));
  });
}

const cornerGroups = ['temperature', 'supply', 'strength'] as const;
const ends = {
  temperature: { [-1]: 'cold', 1: 'warm' },
  supply: { [-1]: 'weak supply', 1: 'strong supply' },
  strength: { [-1]: 'feeble', 1: 'forceful' },
} as const;

/** The states a study rehearses; plain trials have one. */
export function casesOf(design: Design, { ask, vary }: Pick<Study, 'ask' | 'vary'>): Case[] {
  if (ask.for === 'map') {
    const [one, other] = ask.axes;
    const [along, up] = [axisValues(design, one), axisValues(design, other)];
    return up.flatMap((y, row) =>
      along.map((x, column): Case => ({
        design: withValue(withValue(design, one.dial, x), other.dial, y),
        corner: {},
        at: [column, row],
        label: `${x}, ${y}`,
      })),
    );
  }
  if (ask.for === 'corners') {
    const groups = cornerGroups.filter((group) => vary[group] > 0);
    const corners = groups.reduce<Corner[]>(
      (all, group) =>
        all.flatMap((c) => [
          { ...c, [group]: -1 },
          { ...c, [group]: 1 },
        ]),
      [{}],
    );
    return corners.map((corner) => ({
      design,
      corner,
      label: groups.map((group) => ends[group][corner[group] as -1 | 1]).join(', ') || 'as it is',
    }));
  }
  const own: Case = { design, corner: {}, label: 'as it is' };
  return ask.for === 'beside' ? [{ design: ask.other, corner: {}, label: ask.label }, own] : [own];
}

/** One trial of one case of a study. */
export const caseTrial = (of: Case, scene: Scene, { vary }: Study, seed: number): Trial =>
  rehearseTrial(of.design, scene, vary, seed, of.corner);

/** A trial as it is kept: what was sampled is sampled again by its seed. */
export type KeptTrial = Omit<Trial, 'sampled'>;

export const withSampled = (of: Case, scene: Scene, { vary }: Study, trial: KeptTrial): Trial => ({
  ...trial,
  sampled: sampleTrial(of.design, scene, vary, trial.seed, of.corner).sampled,
});
