import type { Unit } from '../quantity/index.js';
import type { PinMode, PinSkill } from '../design/index.js';
import type { Element } from './element.js';
import type { Felt, Quantity } from './surroundings.js';

/** The stage columns of the picture, in the order in which a signal passes; feeds have their own lane. */
export const stages = ['feels', 'conditions', 'decides', 'drives', 'acts', 'feeds'] as const;
export type Stage = (typeof stages)[number];

export type TerminalRole =
  | 'supply-in'
  | 'supply-out'
  | 'ground'
  | 'signal-in'
  | 'signal-out'
  | 'passive'
  | 'coil'
  | 'contact'
  /** Behind the boundary to mains: only contacts made for it are joined to it, and nothing there is computed. */
  | 'mains'
  /** A controller pin: its direction is set by the firmware. */
  | 'pin';

export interface Terminal {
  id: string;
  label: string;
  role: TerminalRole;
  /** For a controller pin: what it can be set up as. */
  modes?: readonly PinMode[];
  /** What a controller pin can do besides. */
  can?: readonly PinSkill[];
  /** May stay open: the part does its work without it. */
  optional?: boolean;
  /** An output that pulses, not shown in the steady state: the terminal whose voltage is its high level. */
  highAt?: string;
  /** Why a controller pin is better left alone. */
  reserved?: string;
}

export interface Param {
  id: string;
  label: string;
  unit: Unit;
  default: number;
  /** Outside these the part cannot exist; such a value is refused. */
  min: number;
  max: number;
  /** Outside these a typing slip is likely; such a value is questioned. */
  usual?: readonly [number, number];
  /** Spread of real parts as a fraction, for the value itself. */
  tolerance?: number;
  /** Only whole numbers make sense. */
  whole?: boolean;
  /** What the whole numbers from 0 up mean. */
  choices?: readonly string[];
}

/** All parameters of a part: the kind's defaults with the part's own values over them. */
export type Params = Readonly<Record<string, number>>;

/** What a part is exposed to and told, from outside the circuit. */
export interface PartState {
  /** What it feels of its surroundings. */
  felt: Felt;
  /** Temperature of the part, °C. */
  celsius: number;
  /** How each controller pin in use is set up, and the level of those that are outputs. */
  pins: Readonly<Record<string, PinState>>;
  /** Whether anything is wired to a terminal: unused pins of large parts are left out. */
  wired: (terminal: string) => boolean;
}

export interface PinState {
  mode: PinMode;
  high: boolean;
}

/** A part as the solved circuit shows it; currents flow into the part. */
export interface SolvedPart {
  volts: Readonly<Record<string, number>>;
  amps: Readonly<Record<string, number>>;
  /** Power taken from the circuit, W; negative for a source. */
  watts: number;
}

export interface Rating {
  id: string;
  label: string;
  unit: Unit;
  limit: (params: Params) => number;
  /** The stress to hold against the limit, from solved values. */
  stress: (part: SolvedPart, params: Params) => number;
}

/** What a part answers to, and through which opening. What is left out stands for "from all around". */
export interface Sensing {
  /** The main one first. */
  quantities: readonly Quantity[];
  /** Half-angle of the receiving cone, degrees. */
  halfAngle?: (params: Params) => number;
  /** Factor on everything that falls in along the axis, from a lens in front. */
  gain?: (params: Params) => number;
  /** Radius of the opening, pad or mat, m: decides how gradually a shadow crosses it and what lies on it. */
  radius?: (params: Params) => number;
  /** Angle from one of a motion detector's zones to the next alike, degrees. */
  zone?: (params: Params) => number;
  /** Nothing farther away is felt, m. */
  reach?: (params: Params) => number;
  /** Standard deviation of what it feels where nothing changes, in the main quantity's unit. */
  noise?: (params: Params) => number;
  /** The terminal whose voltage rises when more is felt, with the sensor on top of its divider. */
  rises?: string;
}

/** What a part sends out through space to sensors. */
export interface Emission {
  quantity: 'light' | 'infrared' | 'carrier';
  halfAngle: (params: Params) => number;
  /** On-axis intensity: W/sr, for light cd. */
  intensity: (part: SolvedPart, params: Params) => number;
}

/** A number a controller takes from a part by other means than its converter: over a bus, or by timing a pulse. */
export interface Readout {
  id: string;
  label: string;
  /** The highest count it can give. */
  full: (params: Params) => number;
  /** Standard deviation of a reading, counts. */
  noise: (params: Params) => number;
  /** Counts before rounding, without noise. */
  counts: (felt: Felt, params: Params, part: SolvedPart) => number;
  /** Whether the part is fed well enough to answer. */
  works: (part: SolvedPart, params: Params) => boolean;
}

/** Where a part takes its power, and the least it works at; the most is among its ratings. */
export interface Feed {
  plus: string;
  minus: string;
  /** V. */
  least: (params: Params) => number;
  /** It warms something: weak supplies leave it cold and its readings wrong. */
  heater?: boolean;
}

/** What a part draws in one of its ways of being on. */
export interface Phase {
  label: string;
  /** At its nominal supply, A. */
  amps: (params: Params) => number;
}

/** How the part's characteristic curve is taken on a test bench. */
export interface Curve {
  /** What is changed: something felt, a parameter, or the voltage of a supply from one terminal to another. */
  vary: { felt: Quantity } | { param: string } | { plus: string; minus: string };
  from: number;
  to: number;
  scale: 'linear' | 'log';
  /** The part of the range in which it is meant to work. */
  operating: readonly [number, number];
  /** Supplies between terminals, V. */
  feeds?: readonly (readonly [plus: string, minus: string, volts: number])[];
  /** Resistors between terminals, Ω; a terminal may be named that is not the part's: a joint. */
  loads?: readonly (readonly [a: string, b: string, ohms: number])[];
  /** What is read: a voltage, a current into a terminal, a resistance, an inner quantity, a readout. */
  reads:
    | { volts: readonly [plus: string, minus: string] }
    | { amps: string }
    | { ohms: readonly [a: string, b: string] }
    | { inner: string; label: string; unit: Unit }
    | { readout: string };
}

/** What an actor does: whether it acts, how much, and the word for it. */
export interface Acting {
  word: string;
  active: (part: SolvedPart, params: Params) => boolean;
  /** One line that says why it acts or not, with numbers. */
  because: (part: SolvedPart, params: Params) => string;
}

/** An analogue-to-digital converter behind controller pins. */
export interface Converter {
  bits: (params: Params) => number;
  reference: (part: SolvedPart, params: Params) => number;
  /** Standard deviation of a reading, counts. */
  noise: (params: Params) => number;
  /** The capacitor that samples the pin: its size, how long it is joined, and through what. */
  sampling: (params: Params) => { farads: number; seconds: number; ohms: number };
}

/** The digital inputs of a controller: thresholds as shares of its supply. */
export interface DigitalInputs {
  supply: (part: SolvedPart) => number;
  /** Surely low up to here. */
  low: (params: Params) => number;
  /** Surely high from here. */
  high: (params: Params) => number;
}

/** A module's own circuit: kinds of parts with their values, and the wires between them. */
export interface Inside {
  parts: (params: Params) => readonly InnerPart[];
  /** Pairs of ends: "R1.a" for an inner part's terminal, "OUT" for one of the module's own. */
  wires: (params: Params) => readonly (readonly [string, string])[];
}

export interface InnerPart {
  id: string;
  name: string;
  kind: PartKind;
  params: Params;
}

/**
 * Everything Yurei knows about a kind of part. One file per kind; adding a part touches that file,
 * its test and the index.
 */
export interface PartKind {
  kind: string;
  label: string;
  /** One line for the tray and the catalogue. */
  summary: string;
  /** Letters that part ids start with, as drawings use them (IEC 81346 style). */
  prefix: string;
  /** What a maker might type to find it. */
  words: readonly string[];
  stage: Stage;
  /** Passive parts stand in the column of whatever they serve. */
  floats?: boolean;
  terminals: readonly Terminal[];
  params: readonly Param[];
  feed?: Feed;
  /** A bare chip: the capacitor it wants across its supply, F. */
  decouple?: number;
  /** Constant direct current eats its electrodes. */
  corrodes?: boolean;
  ratings: readonly Rating[];
  elements: (params: Params, state: PartState) => Element[];
  /** The value shown on its card. */
  headline: (params: Params) => string;
  feels?: Sensing;
  emits?: Emission;
  reads?: readonly Readout[];
  /** The parts a module is made of. */
  inside?: Inside;
  /** What it draws in each way of being on. */
  phases?: readonly Phase[];
  curve?: Curve;
  acts?: Acting;
  /** Which of its relays are pulled in, each with a name: what wears out by the times it is switched. */
  relays?: (part: SolvedPart) => Readonly<Record<string, boolean>>;
  converter?: Converter;
  inputs?: DigitalInputs;
  /** Below this supply of its own, V, it stops; back above, its program begins anew after so many seconds. */
  brownOut?: { below: number; starts: number };
  /** Its coil kicks back at switch-off and wants a diode across these terminals. */
  coil?: { plus: string; minus: string };
  /** It only conducts from the first terminal to the second. */
  conducts?: { from: string; to: string };
  /** The terminals of a transistor stage, for the check of its forced gain. */
  transistor?: { collector: string; base: string; emitter: string };
  /** Three legs in an order that differs between types: it is easily put in wrongly. */
  legsVary?: boolean;
  /** Polarity, pin order, what fools it. */
  notes: readonly string[];
  cautions: readonly string[];
  /** Where model and numbers come from. */
  source: string;
  price: 'under 1' | '1 to 5' | '5 to 20' | 'over 20';
  /** Strokes in a 24 × 24 box, after the shapes of IEC 60617. */
  glyph: string;
}
