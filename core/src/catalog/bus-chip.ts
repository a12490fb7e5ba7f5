import { across } from './solved-values.js';
import type { Element } from '../element/index.js';
import type { Held } from './asked.js';
import { supplyLimits, type Limit } from './limit.js';
import type { Curve, Param, SolvedPart, Terminal } from './part-kind.js';
import { draws } from './sensor-output.js';

/** The terminals of a chip on a two-wire bus. */
export const busTerminals = [
  { id: 'VCC', label: 'VCC', role: 'supply-in' },
  { id: 'GND', label: 'GND', role: 'ground' },
  { id: 'SDA', label: 'SDA', role: 'signal-out' },
  { id: 'SCL', label: 'SCL', role: 'signal-in' },
] as const satisfies readonly Terminal[];

/** The lines over which a chip on a bus is asked and answers. */
export const busLines = ['SDA', 'SCL'] as const;

/** Where the readings of a chip on a bus begin among its registers. */
export const busRegister = (register: number) =>
  ({
    id: 'register',
    label: 'First register of its readings',
    unit: '',
    default: register,
    min: 0,
    max: 255,
    whole: true,
  }) as const satisfies Param;

/** How a program takes a reading of a chip on a bus: words from a register on, after those of the readings before it. */
export const busAsked = (holds: Held, after = 0) =>
  ({
    by: 'register',
    address: (p: { address: number }) => p.address,
    register: (p: { register: number }) => p.register + 2 * after,
    holds,
  }) as const;

/** What every chip on a bus is asked: its address and what it draws. */
export const busParams = (address: number, amps: number) =>
  [
    { id: 'address', label: 'Address', unit: '', default: address, min: 3, max: 119, whole: true },
    { id: 'own', label: 'Own current', unit: 'A', default: amps, min: 1e-7, max: 0.5 },
  ] as const satisfies readonly Param[];

/** Its supply, and bus pins that are not to stand above it. */
export const busRatings = (volts: number): Limit<unknown, 'VCC' | 'GND' | 'SDA' | 'SCL'>[] => [
  ...supplyLimits('VCC', 'GND', volts, 0.3),
  { label: 'SDA above its supply', from: 'SDA', to: 'VCC', limit: 0.5 },
  { label: 'SCL above its supply', from: 'SCL', to: 'VCC', limit: 0.5 },
];

/** A load on the supply; bus pins that leak a little and are clamped to both rails. */
export function busElements(p: { own: number }, volts: number): Element[] {
  const clamp = (anode: string, cathode: string): Element => ({
    type: 'diode',
    anode,
    cathode,
    saturation: 1e-14,
    emission: 1,
  });
  const pins = ['SDA', 'SCL'].flatMap((pin): Element[] => [
    { type: 'resistor', a: pin, b: 'GND', ohms: 5e6 },
    clamp(pin, 'VCC'),
    clamp('GND', pin),
  ]);
  return [draws('VCC', 'GND', p.own, volts), ...pins];
}

/**
 * Whether a chip answers: its supply reaches its least, and both lines rest high, which they only do with
 * pull-ups.
 */
export const busWorks =
  (least: number) =>
  (part: SolvedPart<'VCC' | 'GND' | 'SDA' | 'SCL'>): boolean => {
    const supply = across(part, 'VCC', 'GND');
    const high = (line: 'SDA' | 'SCL'): boolean => across(part, line, 'GND') > 0.7 * supply;
    return supply >= least && high('SDA') && high('SCL');
  };

/** Said of every chip on a bus. */
export const busNotes: readonly string[] = [
  'Both bus lines need a pull-up to its supply, 2.2 to 10 kΩ; one pair serves the whole bus.',
  'Two chips with one address on one bus talk over each other.',
];

/** Said of those that programs take readings from. */
export const registerNote =
  'A program takes its readings as words of 16 bits, the high byte first, from the register given here: look into the data sheet of yours, which may want to be started first.';

/** The bench on which a chip on a bus is read: 3.3 V and pull-ups. */
export const busBench: Pick<Curve, 'feeds' | 'loads'> = {
  feeds: [['VCC', 'GND', 3.3]],
  loads: [
    ['VCC', 'SDA', 4.7e3],
    ['VCC', 'SCL', 4.7e3],
  ],
};
