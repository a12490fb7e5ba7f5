import { supplyLimits } from './limit.js';
import type { InnerPart, Inside, Param, Terminal } from './part-kind.js';
import { comparator393 } from './kinds/comparator-393.js';
import { led } from './kinds/led.js';
import { resistor } from './kinds/resistor.js';
import { trimmer } from './kinds/trimmer.js';
import { inner } from './module.js';

/** The terminals of a small sensor board with a comparator on it. */
export const comparatorTerminals = [
  { id: 'VCC', label: 'VCC', role: 'supply-in' },
  { id: 'GND', label: 'GND', role: 'ground' },
  { id: 'AO', label: 'AO', role: 'signal-out', optional: true },
  { id: 'DO', label: 'DO', role: 'signal-out', optional: true },
] as const satisfies readonly Terminal[];

/** The trimmer that every such board has. */
export const trimmerParam = (turn: number) =>
  ({
    id: 'turn',
    label: 'Trimmer, wiper from ground to supply',
    unit: '',
    default: turn,
    min: 0,
    max: 1,
  }) as const satisfies Param;

export const comparatorRatings = supplyLimits('VCC', 'GND', 15, 0.3);

interface OwnLine {
  reads: 'AO';
  gives: 'DO';
  at: 'turn';
  trips: 'below' | 'above';
}

/**
 * The inside of a sensor board: the sensor with what it needs gives AO; a comparator holds it against a
 * trimmer, pulls DO low when it trips and lights a lamp.
 *
 * @param sensor parts that give AO, wired to VCC, GND and AO
 * @param trips whether DO goes low when AO falls under the trimmer, or rises over it
 */
export function comparatorInside<V extends { turn: number }>(
  sensor: (params: V) => readonly InnerPart[],
  wires: readonly (readonly [string, string])[],
  trips: 'below' | 'above',
): Inside<V> & { ownLine: OwnLine } {
  const [reads, holds] = trips === 'below' ? ['U1.plus', 'U1.minus'] : ['U1.minus', 'U1.plus'];
  return {
    ownLine: { reads: 'AO', gives: 'DO', at: 'turn', trips },
    parts: (p) => [
      ...sensor(p),
      inner('RV1', 'Trimmer', trimmer, { ohms: 10e3, turn: p.turn }),
      inner('U1', 'Comparator', comparator393),
      inner('R8', 'Pull-up', resistor, { ohms: 10e3 }),
      inner('R9', 'Lamp resistor', resistor, { ohms: 1e3 }),
      inner('H1', 'Trip lamp', led),
    ],
    wires: () => [
      ...wires,
      ['AO', reads],
      ['RV1.w', holds],
      ['VCC', 'RV1.a'],
      ['GND', 'RV1.b'],
      ['VCC', 'U1.vcc'],
      ['GND', 'U1.gnd'],
      ['DO', 'U1.out'],
      ['VCC', 'R8.a'],
      ['DO', 'R8.b'],
      ['VCC', 'R9.a'],
      ['R9.b', 'H1.a'],
      ['DO', 'H1.k'],
    ],
  };
}

/** Said of every such board. */
export const comparatorNotes: readonly string[] = [
  'DO is low while it trips, and its lamp is lit.',
  'Setting it: make the condition, turn the trimmer until the lamp lights, then back until it just goes out.',
  'Its comparator has no hysteresis: at the threshold DO chatters.',
  'It tells AO and trimmer apart only up to 1.5 V under the supply: higher settings never trip, or always.',
];
