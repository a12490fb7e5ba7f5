import type { Candidate } from '@yurei/core/plan';

/** Tells the sensors that are compared apart. */
export const keyOf = ({ sensor, beam }: Candidate): string => (beam ? `${sensor} beam` : sensor);
