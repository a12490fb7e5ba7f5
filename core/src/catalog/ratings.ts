import type { Params, Rating } from './part-kind.js';

/** The power rating that every dissipating part has. */
export const wattsRating = (limit: (params: Params) => number): Rating => ({
  id: 'power',
  label: 'heat',
  unit: 'W',
  limit,
  stress: (part) => part.watts,
});

/** The largest current allowed into a terminal, either way. */
export const ampsRating = (terminal: string, limit: (params: Params) => number): Rating => ({
  id: `amps-${terminal}`,
  label: `current at ${terminal}`,
  unit: 'A',
  limit,
  stress: (part) => Math.abs(part.amps[terminal] ?? 0),
});

/** The largest voltage allowed from one terminal to another, in that direction. */
export const voltsRating = (
  plus: string,
  minus: string,
  label: string,
  limit: (params: Params) => number,
): Rating => ({
  id: `volts-${plus}-${minus}`,
  label,
  unit: 'V',
  limit,
  stress: (part) => (part.volts[plus] ?? 0) - (part.volts[minus] ?? 0),
});
