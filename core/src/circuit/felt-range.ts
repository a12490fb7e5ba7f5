import { findSurrounding, type PartKind, type Quantity } from '../catalog/index.js';
import { curveOf } from './characteristic.js';

/** From where to where what a sensor feels is worth varying, and whether by equal steps or equal ratios. */
export interface FeltRange {
  low: number;
  high: number;
  scale: 'linear' | 'log';
}

/** The range of a quantity that a kind of part answers to: that of its curve, else all that can be felt. */
export function feltRange(kind: PartKind, quantity: Quantity): FeltRange {
  const curve = curveOf(kind);
  if ('stimulus' in curve.vary && curve.vary.stimulus === quantity)
    return { low: curve.from, high: curve.to, scale: curve.scale === 'log' ? 'log' : 'linear' };
  const { floor = 1e-3, max = 1 } = findSurrounding(quantity) ?? {};
  return { low: floor, high: max, scale: 'log' };
}
