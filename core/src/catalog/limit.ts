import { across, into as ampsInto } from './solved-values.js';
import type { Params, Rating } from './part-kind.js';

/** A number, or one that follows from the parameters. */
type Worth<V> = number | ((params: V) => number);

/** A limit of a part as data. */
export type Limit<V = Params, K extends string = string> =
  /** On the voltage from one terminal to another, in that direction, V. */
  | { label: string; from: K; to: K; limit: Worth<V> }
  /** On the current into a terminal, either way, A. */
  | { into: K; limit: Worth<V>; bears?: number }
  /** On the current that a source gives at a terminal, A. */
  | { label: string; outOf: K; limit: Worth<V>; bears?: number }
  /** On the power turned into heat, W. */
  | { heat: Worth<V>; label?: string }
  | Rating<V, K>;

const worth =
  (limit: Worth<Params>) =>
  (params: Params): number =>
    typeof limit === 'number' ? limit : limit(params);

/** The limit as a stress that is computed and held against it. */
export function ratingOf(about: Limit): Rating {
  if ('stress' in about) return about;
  if ('heat' in about) {
    const { heat, label = 'heat' } = about;
    return { id: 'power', label, unit: 'W', limit: worth(heat), stress: (part) => part.watts };
  }
  if ('outOf' in about) {
    const { label, outOf, limit, bears } = about;
    return {
      bears,
      id: `amps-${outOf}`,
      label,
      unit: 'A',
      outOf,
      limit: worth(limit),
      stress: (part) => -ampsInto(part, outOf),
    };
  }
  if ('into' in about) {
    const { into, limit, bears } = about;
    return {
      bears,
      id: `amps-${into}`,
      label: `current at ${into}`,
      unit: 'A',
      into,
      limit: worth(limit),
      stress: (part) => Math.abs(ampsInto(part, into)),
    };
  }
  const { label, from, to, limit } = about;
  return {
    id: `volts-${from}-${to}`,
    label,
    unit: 'V',
    across: { from, to },
    limit: worth(limit),
    stress: (part) => across(part, from, to),
  };
}

/** Supply limits that nearly every part has: the most it stands, and the most the wrong way round, V. */
export const supplyLimits = <K extends string>(
  from: K,
  to: K,
  most: number,
  reversed: number,
): [Limit<unknown, K>, Limit<unknown, K>] => [
  { label: 'supply', from, to, limit: most },
  { label: 'supply reversed', from: to, to: from, limit: reversed },
];
