import type { Unit } from '../quantity/index.js';
import type { PinMode } from '../design/index.js';
import type { Element } from './element.js';

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
  /** A controller pin: its direction is set by the firmware. */
  | 'pin';

export interface Terminal {
  id: string;
  label: string;
  role: TerminalRole;
  /** For a controller pin: what it can be set up as. */
  modes?: readonly PinMode[];
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
}

/** All parameters of a part: the kind's defaults with the part's own values over them. */
export type Params = Readonly<Record<string, number>>;

/** What a part is exposed to and told, from outside the circuit. */
export interface PartState {
  /** What a sensor feels, in the unit of its kind's `feels`. */
  felt: number;
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

/** What a sensor answers to, and how its reading comes about. */
export interface Sensing {
  quantity: 'infrared' | 'light';
  unit: Unit;
  /** Half-angle of the receiving cone, degrees. */
  halfAngle: (params: Params) => number;
  /** Factor on everything that falls in along the axis, from a lens in front. */
  gain: (params: Params) => number;
  /** Radius of the opening, m: decides how gradually a shadow crosses it. */
  radius: (params: Params) => number;
  /** Which way the terminal that is read goes when more is felt, with the sensor on top of its divider. */
  rises: string;
}

/** What a part sends out through space to sensors. */
export interface Emission {
  quantity: Sensing['quantity'];
  halfAngle: (params: Params) => number;
  /** On-axis intensity, W/sr. */
  intensity: (part: SolvedPart, params: Params) => number;
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
  ratings: readonly Rating[];
  elements: (params: Params, state: PartState) => Element[];
  /** The value shown on its card. */
  headline: (params: Params) => string;
  feels?: Sensing;
  emits?: Emission;
  acts?: Acting;
  converter?: Converter;
  inputs?: DigitalInputs;
  /** Its coil kicks back at switch-off and wants a diode across these terminals. */
  coil?: { plus: string; minus: string };
  /** It only conducts from the first terminal to the second. */
  conducts?: { from: string; to: string };
  /** The terminals of a transistor stage, for the check of its forced gain. */
  transistor?: { collector: string; base: string; emitter: string };
  /** Polarity, pin order, what fools it. */
  notes: readonly string[];
  cautions: readonly string[];
  /** Where model and numbers come from. */
  source: string;
  price: 'under 1' | '1 to 5' | '5 to 20' | 'over 20';
  /** Strokes in a 24 × 24 box, after the shapes of IEC 60617. */
  glyph: string;
}
