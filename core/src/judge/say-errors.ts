import { decimals, significant, toDigits } from '../quantity/index.js';
import { upperBound } from './binomial.js';

/** False triggers a day that are one in some thousand years: not worth a number. */
const rare = 1e-6;

/** A share as it is told: no more places than it deserves. */
export function percent(share: number): string {
  const value = 100 * share;
  return `${value === 0 || value >= 10 ? decimals(value, 0) : significant(value, 2)} %`;
}

/**
 * A share of errors with what the true one may be at most, 95 % sure and one-sided, as the number of readings that is wanted
 * is reckoned too.
 *
 * @example sayErrors(0, 7) // "0 % (0 of 7, ≤ 35 %)"
 */
export function sayErrors(events: number, tries: number): string {
  if (tries === 0) return 'no such readings';
  const bound =
    events === tries
      ? `≥ ${percent(1 - upperBound(0, tries))}`
      : `≤ ${percent(upperBound(events, tries))}`;
  return `${percent(events / tries)} (${events} of ${tries}, ${bound})`;
}

/**
 * False triggers as they are told.
 *
 * @example sayRate(0.1) // "once in 10 days"
 */
export function sayRate(perDay: number): string {
  if (perDay < rare) return 'practically never';
  if (perDay < 1 / 365) return `once in ${significant(1 / perDay / 365, 2)} years`;
  return perDay < 1 ? `once in ${significant(1 / perDay, 2)} days` : `${toDigits(perDay, 2)} a day`;
}
