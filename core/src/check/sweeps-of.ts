import { findSurrounding, kindOf, type Curve, type Quantity } from '../catalog/index.js';
import type { Part } from '../design/index.js';
import type { Unit } from '../quantity/index.js';

/** What a part is tried with: it feels something, or is turned by hand. */
export interface SweepRange {
  of: { quantity: Quantity } | { param: string };
  label: string;
  unit: Unit;
  /** It comes in whole numbers, each of which is tried, as the keys of a pad. */
  whole: boolean;
  /** One after the other, in the quantity's or the parameter's unit. */
  values: readonly number[];
}

/** So many values are tried from one end of a range to the other. */
const usualSteps = 5;
/** Of what comes in whole numbers each is tried, up to so many: the keys of a pad. */
const mostWhole = 32;
/** What a part feels besides is tried with this share of all that can be felt. */
const besides = 0.01;

const between = (
  { from, to, scale }: Pick<Curve, 'from' | 'to' | 'scale'>,
  steps: number,
): number[] =>
  Array.from({ length: steps }, (_, i) => {
    const share = i / (steps - 1);
    return scale === 'log' ? from * (to / from) ** share : from + share * (to - from);
  });

/**
 * Everything that makes a part give something else: what it feels, in the range of its characteristic curve and once
 * beyond it, and the knob by which it is set. Sources are left alone.
 */
export function sweepsOf(part: Part, steps = usualSteps): SweepRange[] {
  const { senses, curve, stage, params, waves } = kindOf(part);
  const vary = curve?.vary;
  if (!curve || !vary || 'plus' in vary) return [];
  if ('param' in vary) {
    if (stage !== 'feels' && stage !== 'conditions' && !waves) return [];
    const { label = vary.param, unit = '' } = params.find((p) => p.id === vary.param) ?? {};
    // A knob may stand alike at a few of its places.
    const values = between(curve, usualSteps);
    const turned: SweepRange = { of: vary, label: label.toLowerCase(), unit, whole: false, values };
    return [turned, ...(senses?.quantities ?? []).map(feltBesides)];
  }
  if (stage === 'feeds') return [];
  const others = (senses?.quantities ?? []).filter((q) => q !== vary.stimulus);
  return [felt(vary.stimulus, curve, steps), ...others.map(feltBesides)];
}

/** What a quantity is called, and its unit. */
const called = (quantity: Quantity): Pick<SweepRange, 'label' | 'unit'> => {
  const { label = quantity, unit = '' } = findSurrounding(quantity) ?? {};
  return { label: label.toLowerCase(), unit };
};

function felt(quantity: Quantity, curve: Curve, steps: number): SweepRange {
  const { from, to } = curve;
  const { max = to, whole: counted = false } = findSurrounding(quantity) ?? {};
  const beyond = Math.min(max, to + (to - from));
  const whole = counted && to - from <= mostWhole;
  const values = [...new Set([...between(curve, whole ? to - from + 1 : steps), beyond])];
  return { of: { quantity }, ...called(quantity), whole, values };
}

function feltBesides(quantity: Quantity): SweepRange {
  const { rest = 0, max = 1 } = findSurrounding(quantity) ?? {};
  const values = [rest, rest + besides * (max - rest)];
  return { of: { quantity }, ...called(quantity), whole: false, values };
}
