import { splitRef, type Design, type TerminalRef } from '../design/index.js';
import { findKind, paramsOf } from './catalog.js';
import { converterCounts, converterShare } from './converter-counts.js';
import type { SolvedPart } from './part-kind.js';

/** The converter behind a controller pin, with its part's parameters worked in. */
export interface PinConverter {
  part: string;
  /** The highest count it can give. */
  full: number;
  /** Standard deviation of a reading, counts. */
  noise: number;
  /** Reference voltage, V. */
  reference: (solved: SolvedPart) => number;
  /** Counts for a voltage at the pin, before rounding and within its range. */
  share: (volts: number, solved: SolvedPart) => number;
  /** Counts for a voltage at the pin, without noise. */
  counts: (volts: number, solved: SolvedPart) => number;
  /** How long a reading samples its pin, s. */
  window: number;
  /**
   * Voltage left on the sampling capacitor, V: it starts at what was read before and moves towards the
   * pin as far as the resistances let it.
   *
   * @param before voltage at the pin that was read before, V
   * @param ohms seen into the circuit at the pin
   */
  sampled: (volts: number, before: number, ohms: number) => number;
}

/** The converter that reads a pin; undefined when its part has none, or it does not reach that pin. */
export function pinConverter(design: Design, pin: TerminalRef): PinConverter | undefined {
  const { part: id, terminal } = splitRef(pin);
  const part = design.parts.find((p) => p.id === id);
  const kind = part && findKind(part.kind);
  const converter = kind?.converter;
  const analogue = kind?.terminals.find((t) => t.id === terminal)?.modes?.includes('analogue');
  if (!part || !converter || !analogue) return undefined;
  const params = paramsOf(part);
  const bits = converter.bits(params);
  const { farads, seconds, ohms: inner } = converter.sampling(params);
  const reference = (solved: SolvedPart): number => converter.reference(solved, params);
  return {
    part: id,
    full: 2 ** bits - 1,
    noise: converter.noise(params),
    reference,
    share: (volts, solved) => converterShare(volts, reference(solved), bits),
    counts: (volts, solved) => converterCounts(volts, reference(solved), bits),
    window: seconds,
    sampled: (volts, before, ohms) =>
      volts + (before - volts) * Math.exp(-seconds / ((Math.max(0, ohms) + inner) * farads)),
  };
}
