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

/** Three different nodes under given names. */
const three = fc.uniqueArray(node, { minLength: 3, maxLength: 3 });
const zener = pair.map(([anode, cathode]): Element => ({
  type: 'diode',
  ...{ anode, cathode, saturation: 1e-9, emission: 1.8, breakdown: 4.7 },
}));
const thyristor = three.map(([anode, gate, cathode]): Element => ({
  type: 'thyristor',
  ...{ anode, gate, cathode, trigger: 2e-4, latching: 5e-3, holding: 3e-3 },
  ...{ dropVolts: 0.8, dropOhms: 0.5 },
}));
const relayCoil = fc.tuple(pair, fc.boolean()).map(([[plus, minus], latching]): Element => ({
  type: 'relay-coil',
  ...{ plus, minus, armature: 'arm', ohms: 120, henries: 0.1, pullIn: 0.02, dropOut: 6e-3 },
  ...{ operate: 1e-3, release: 1e-3, latching, polarised: latching },
}));
const contact = fc.tuple(pair, fc.boolean()).map(([[a, b], closed]): Element => ({
  type: 'contact',
  ...{ a, b, control: 'arm', rests: closed ? 'closed' : 'open', on: 0.5, off: 0.5 },
  ...{ ohms: 0.1, bounce: 5e-4 },
}));
const comparator = fc
  .tuple(three, fc.constantFrom('open-collector' as const, 'push-pull' as const))
  .map(([[plus, minus, output], stage]): Element => ({
    type: 'comparator',
    ...{ plus, minus, output, supply: 'in', ground: '0', stage, offset: 1e-3, hysteresis: 0.02 },
    ...{ bias: 2.5e-8, headroom: 1.5, sinkAmps: 0.016, sinkOhms: 50, delay: 1e-5 },
  }));
const opAmp = three.map(([plus, minus, output]): Element => ({
  type: 'op-amp',
  ...{ plus, minus, output, supply: 'in', ground: '0', gain: 1e5, bandwidth: 1e5, slew: 3e4 },
  ...{ offset: 1e-3, bias: 2e-8, marginHigh: 1.5, marginLow: 0.02, outputOhms: 100, limit: 0.02 },
}));
const timer = fc
  .uniqueArray(node, { minLength: 4, maxLength: 4 })
  .map(([trigger, threshold, output, discharge]): Element => ({
    type: 'timer-core',
    ...{ supply: 'in', ground: '0', trigger, threshold, upper: 'u', lower: 'l', reset: 'in' },
    ...{ output, discharge, dropHigh: 1.4, dropLow: 0.1, outputOhms: 10, dischargeOhms: 20 },
    delay: 1e-6,
  }));
const regulator = three.map(([input, output, ground]): Element => ({
  type: 'regulator',
  ...{ input, output, ground, volts: 3.3, dropOut: 0.4, outputOhms: 0.2, limit: 0.1 },
}));
const fuse = pair.map(([a, b]): Element => ({
  type: 'fuse',
  ...{ a, b, ohms: 0.5, carries: 0.02, melting: 1e-5 },
}));
const schmitt = pair.map(([input, output]): Element => ({
  type: 'schmitt',
  ...{ input, output, supply: 'in', ground: '0', inverts: true, rising: 0.6, falling: 0.35 },
  ...{ ohms: 100, delay: 1e-6 },
}));

/** What a circuit on five nodes stands on: a source behind 50 Ω, a resistor from every node to ground. */
const stands = (volts: number): Element[] => [
  { type: 'voltage-source', plus: 'in', minus: '0', volts },
  { type: 'resistor', a: 'in', b: 'a', ohms: 50 },
  ...['a', 'b', 'c', 'd', 'e'].map((a): Element => ({ type: 'resistor', a, b: '0', ohms: 1e5 })),
];

/** The same with parts that switch and amplify among them, and the divider that timers compare with. */
export const arbitrarySwitchingNetwork: fc.Arbitrary<Element[]> = fc
  .tuple(
    fc.double({ min: 4, max: 15, noNaN: true }),
    fc.array(fc.oneof(resistor, capacitor, inductor, diode, transistor), {
      minLength: 2,
      maxLength: 6,
    }),
    fc.array(
      fc.oneof(
        ...[zener, thyristor, contact, comparator],
        ...[opAmp, timer, regulator, fuse, schmitt],
      ),
      { minLength: 1, maxLength: 4 },
    ),
    relayCoil,
  )
  .map(([volts, passive, active, coil]): Element[] => [
    ...stands(volts),
    { type: 'resistor', a: 'in', b: 'u', ohms: 5e3 },
    { type: 'resistor', a: 'u', b: 'l', ohms: 5e3 },
    { type: 'resistor', a: 'l', b: '0', ohms: 5e3 },
    coil,
    ...passive,
    ...active,
  ]);

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
  .map(([volts, rest]): Element[] => [...stands(volts), ...rest]);
