import { decimals } from '@yurei/core/quantity';
export const percent = (share: number): string => `${decimals(100 * share, 1)} %`;
