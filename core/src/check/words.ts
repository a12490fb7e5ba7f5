import { decimals, formatQuantity } from '../quantity/index.js';

/** Numbers as findings say them. */
export const volts = (value: number): string => formatQuantity(value, 'V');
export const amps = (value: number): string => formatQuantity(value, 'A');
export const ohms = (value: number): string => formatQuantity(value, 'Ω');
export const watts = (value: number): string => formatQuantity(value, 'W');
export const percent = (share: number): string => `${decimals(100 * share, share < 0.1 ? 1 : 0)} %`;

/** "a, b and c". */
export const list = (items: readonly string[]): string =>
  items.length < 2
    ? items.join('')
    : `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;
