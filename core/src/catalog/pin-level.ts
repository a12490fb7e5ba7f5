import { splitRef, type Design, type TerminalRef } from '../design/index.js';
import { findKind, paramsOf } from './catalog.js';
import type { SolvedPart } from './part-kind.js';

/** What a digital input makes of a voltage; between its thresholds it may read either. */
export type Level = 'low' | 'high' | 'either';

/**
 * What a controller pin reads as a digital input.
 *
 * @param volts at the pin
 * @param solved the controller as solved
 * @returns undefined when the pin's part has no digital inputs or no supply
 */
export function pinLevel(
  design: Design,
  pin: TerminalRef,
  volts: number,
  solved: SolvedPart,
): Level | undefined {
  const part = design.parts.find((p) => p.id === splitRef(pin).part);
  const inputs = part && findKind(part.kind)?.inputs;
  if (!part || !inputs) return undefined;
  const params = paramsOf(part);
  const supply = inputs.supply(solved);
  if (!(supply > 0)) return undefined;
  if (volts <= inputs.low(params) * supply) return 'low';
  return volts >= inputs.high(params) * supply ? 'high' : 'either';
}
