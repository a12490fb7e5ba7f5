import fc from 'fast-check';
import type { Element } from '../element/index.js';

const node = fc.constantFrom('0', 'a', 'b', 'c', 'd', 'e');
const pair = fc.tuple(node, node).filter(([a, b]) => a !== b);
const between = (low: number, high: number): fc.Arbitrary<number> =>
  fc.double({ min: Math.log(low), max: Math.log(high), noNaN: true }).map(Math.exp);

const resistor = fc
  .tuple(pair, between(10, 1e6))
  .map(([[a, b], ohms]): Element => ({ type: 'resistor', a, b, ohms }));
const capacitor = fc
  .tuple(pair, between(1e-9, 1e-4))
  .map(([[a, b], farads]): Element => ({ type: 'capacitor', a, b, farads }));
const inductor = fc
  .tuple(pair, between(1e-4, 1), between(0.1, 100))
  .map(([[a, b], henries, ohms]): Element => ({ type: 'inductor', a, b, henries, ohms }));
const diode = pair.map(([anode, cathode]): Element => ({
  type: 'diode',
  anode,
  cathode,
  saturation: 1e-9,
  emission: 1.8,
}));
const transistor = fc
  .uniqueArray(node, { minLength: 3, maxLength: 3 })
  .map(([collector, base, emitter]): Element => ({
    type: 'bipolar',
    polarity: 'npn',
    collector,
    base,
    emitter,
    saturation: 1e-14,
    forwardGain: 100,
    reverseGain: 1,
  }));

/**
 * Random circuits on five nodes: a source behind 50 Ω that steps, a resistor from every node to ground,
 * and a handful of passive and active parts anywhere.
 */
export const arbitraryNetwork: fc.Arbitrary<Element[]> = fc
  .tuple(
    fc.double({ min: 1, max: 15, noNaN: true }),
    fc.array(fc.oneof(resistor, capacitor, inductor, diode, transistor), {
      minLength: 2,
      maxLength: 10,
    }),
  )
  .map(([volts, rest]): Element[] => [
    { type: 'voltage-source', plus: 'in', minus: '0', volts },
    { type: 'resistor', a: 'in', b: 'a', ohms: 50 },
    ...['a', 'b', 'c', 'd', 'e'].map((a): Element => ({ type: 'resistor', a, b: '0', ohms: 1e5 })),
    ...rest,
  ]);
