import type { Element } from '../element/index.js';

/** The terminals between which a sensor's output stage works. */
export interface Stage {
  output: string;
  supply: string;
  ground: string;
}

/** A node that stands still, against which signals are compared. */
export const constant = (node: string, value: number): Element => ({
  type: 'level',
  node,
  value,
  up: 0,
  down: 0,
});

/** A follower between the rails: the output goes where the input is, as far as it can. */
const follower = (input: string, { output, supply, ground }: Stage, ohms: number): Element => ({
  type: 'op-amp',
  plus: input,
  minus: output,
  output,
  supply,
  ground,
  gain: 1e4,
  bandwidth: 1e5,
  slew: 1e5,
  offset: 0,
  bias: 0,
  marginHigh: 0.05,
  marginLow: 0.01,
  outputOhms: ohms,
  limit: 0.01,
});

/** An output that stands at a share of the supply, 0 … 1, whatever the supply is. */
export function ratiometric(share: number, stage: Stage, ohms = 100): Element[] {
  const { supply, ground } = stage;
  const held = Math.min(0.999, Math.max(0.001, share));
  return [
    { type: 'resistor', a: supply, b: '#share', ohms: 1e6 * (1 - held) },
    { type: 'resistor', a: '#share', b: ground, ohms: 1e6 * held },
    follower('#share', stage, ohms),
  ];
}

/** An output that stands at the volts of a signal node. */
export const followed = (signal: string, stage: Stage, ohms = 100): Element[] => [
  follower(signal, stage, ohms),
];

export interface YesNo extends Stage {
  signal: string;
  /** Signal node to compare with. */
  limit: string;
  /** Half-width of the band in which nothing changes, in the signal's unit. */
  hysteresis: number;
  stage: 'open-collector' | 'push-pull';
  /** Which way the output goes when the signal stands above the limit. */
  whenOver: 'low' | 'high';
  /** Of a low output, Ω; with push-pull also of a high one. */
  ohms?: number;
  delay?: number;
}

/** A yes or no: whether a signal stands above its limit. */
export const yesNo = (about: YesNo): Element => ({
  type: 'comparator',
  plus: about.whenOver === 'high' ? about.signal : about.limit,
  minus: about.whenOver === 'high' ? about.limit : about.signal,
  output: about.output,
  supply: about.supply,
  ground: about.ground,
  stage: about.stage,
  offset: 0,
  hysteresis: about.hysteresis,
  bias: 0,
  // Signals are numbers, not voltages at inputs: no supply limits them.
  headroom: -1e9,
  sinkAmps: 0.025,
  sinkOhms: about.ohms ?? 50,
  delay: about.delay ?? 1e-5,
});

/** What a part draws for itself, as the resistance that draws it at its nominal voltage. */
export const draws = (plus: string, minus: string, amps: number, volts: number): Element => ({
  type: 'resistor',
  a: plus,
  b: minus,
  ohms: volts / Math.max(amps, 1e-12),
});
