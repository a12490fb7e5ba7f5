import { formatNominal, parseQuantity } from '../quantity/index.js';
import type { Param } from './part-kind.js';

/** A value that is fine, questionable, or impossible, with the reason in the maker's words. */
export type ParamVerdict =
  { verdict: 'fine' } | { verdict: 'doubt' | 'refuse'; reason: string; cure: string };

/**
 * Holds a value against what its parameter allows.
 *
 * @param value in SI units
 * @returns `refuse` outside the possible range, `doubt` outside the usual one
 */
export function checkParam(param: Param, value: number): ParamVerdict {
  const show = (v: number): string => formatNominal(v, param.unit);
  const range = (low: number, high: number): string => `${show(low)} … ${show(high)}`;
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    const reason = `${param.label} must be a number, not ${JSON.stringify(value)}`;
    return { verdict: 'refuse', reason, cure: `Write a number of ${param.unit || 'units'}.` };
  }
  if (value < param.min || value > param.max) {
    const reason = `${param.label} ${show(value)} is outside the possible ${range(param.min, param.max)}`;
    return { verdict: 'refuse', reason, cure: slip(param, value, param.min, param.max) };
  }
  if (param.whole && !Number.isInteger(value)) {
    const reason = `${param.label} ${show(value)} is not a whole number`;
    return { verdict: 'refuse', reason, cure: `Use ${Math.round(value)}.` };
  }
  if (param.usual && (value < param.usual[0] || value > param.usual[1])) {
    const reason = `${param.label} ${show(value)} is outside the usual ${range(...param.usual)}`;
    return { verdict: 'doubt', reason, cure: slip(param, value, ...param.usual) };
  }
  return { verdict: 'fine' };
}

/** Most wild values are a slipped prefix: offer the same digits a thousand up or down where that fits. */
function slip(param: Param, value: number, low: number, high: number): string {
  const fits = [1e-3, 1e3, 1e-6, 1e6]
    .map((factor) => Number((value * factor).toPrecision(12)))
    .find((v) => v >= low && v <= high);
  return fits === undefined
    ? `Give a value between ${formatNominal(low, param.unit)} and ${formatNominal(high, param.unit)}.`
    : `Was ${formatNominal(fits, param.unit)} meant?`;
}

/** Reads a typed value and holds it against its parameter. */
export function readParam(param: Param, text: string): { value?: number; verdict: ParamVerdict } {
  const parsed = parseQuantity(text, param.unit);
  if (!parsed.ok) return { verdict: { verdict: 'refuse', reason: parsed.reason, cure: '' } };
  return { value: parsed.value, verdict: checkParam(param, parsed.value) };
}
