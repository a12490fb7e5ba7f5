import type { Element } from '../element/index.js';

/** On resistance at 5 V at the gate, Ω, gate threshold and rated drain voltage, V. */
interface Values {
  threshold: number;
  onOhms: number;
  maxVolts: number;
}

/** Ends and numbers that rules reckon with. */
export const mosfetFacet = {
  gate: 'g',
  drain: 'd',
  source: 's',
  threshold: (p: Values): number => p.threshold,
  onOhms: (p: Values): number => p.onOhms,
} as const;

/** Gate capacitance to source and drain, and drain to source, F. */
interface Capacitances {
  gateSource: number;
  gateDrain: number;
  drainSource: number;
}

/**
 * A power MOSFET with terminals d, g, s from `threshold`, `onOhms` (at 5 V) and `maxVolts`: half of the
 * stated resistance in the channel, half in leads and bulk; a body diode that breaks down a tenth above
 * the rating.
 */
export function powerMosfet(polarity: 'n' | 'p', p: Values, c: Capacitances): Element[] {
  const bulk = p.onOhms / 2;
  const beta = 1 / (bulk * Math.max(0.2, 5 - p.threshold));
  const [anode, cathode] = polarity === 'n' ? ['s', 'd'] : ['d', 's'];
  const { threshold } = p;
  return [
    { type: 'resistor', a: 'd', b: '#drain', ohms: bulk },
    { type: 'mosfet', polarity, drain: '#drain', gate: 'g', source: 's', threshold, beta },
    {
      type: 'diode',
      anode,
      cathode,
      saturation: 1e-11,
      emission: 1.1,
      breakdown: 1.1 * p.maxVolts,
    },
    { type: 'capacitor', a: 'g', b: 's', farads: c.gateSource },
    { type: 'capacitor', a: 'g', b: 'd', farads: c.gateDrain },
    { type: 'capacitor', a: 'd', b: 's', farads: c.drainSource },
  ];
}
