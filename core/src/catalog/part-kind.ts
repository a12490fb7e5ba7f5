import type { Asked } from './asked.js';
import type { Chopped } from './chopped.js';
import type { Unit } from '../quantity/index.js';
import type { PinMode, PinSkill } from '../design/index.js';
import type { Element } from '../element/index.js';
import type { Facets } from './facets.js';
import type { Stimulus, Quantity } from './surroundings.js';

/** What a sensor is first taken for, by those who begin (common practice). */
export interface FirstSensor {
  /** After "Notice …". */
  notices: string;
  /** How it is then called. */
  named: string;
  /** Kind of happening that must be noticed. */
  wanted: string;
  /** How often it is read, s: what comes slowly need not be read fast. */
  every: number;
}

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

/** A value of a parameter as a kind sees it: a number in SI units, or the word of a choice. */
export type Value = number | string;

/** All parameters of a part: the kind's defaults with the part's own values over them. */
export type Params = Readonly<Record<string, Value>>;

/** The same as a document has them: choices by the place of their word. */
export type Numbers = Readonly<Record<string, number>>;

/** The same, told from the parameters of a kind: each under its own name, choices as their words. */
export type ValuesOf<P extends readonly Param[]> = {
  readonly [Q in P[number] as Q['id']]: Q extends { choices: readonly (infer W)[] }
    ? W
    : string extends Q['id']
      ? Value
      : number;
};

/** What a part is exposed to and told, from outside the circuit. */
export interface PartState {
  /** What it feels of its surroundings. */
  stimulus: Stimulus;
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

/**
 * A part as the solved circuit shows it, by terminals and inner nodes; currents flow into the part. What is wired to
 * nothing has no value: see `at`, `across` and `into`.
 */
export interface SolvedPart<K extends string = string> {
  volts: Readonly<Partial<Record<K, number>>>;
  amps: Readonly<Partial<Record<K, number>>>;
  /** Power taken from the circuit, W; negative for a source. */
  watts: number;
}

/** A stress that is held against a limit. */
export interface Rating<V = Params, K extends string = string> {
  id: string;
  label: string;
  unit: Unit;
  /** Between which terminals a voltage is limited, in that direction. */
  across?: { from: K; to: K };
  /** Into which terminal a current is limited, either way. */
  into?: K;
  /** At which terminal the current that a source gives is limited. */
  outOf?: K;
  /** It is the sum over all pins of a controller. */
  ofAllPins?: true;
  /** How long it is borne: the stress counts as its mean over this time, s; `borne` where it does not say. */
  bears?: number;
  limit(params: V): number;
  /** The stress to hold against the limit, from solved values. */
  stress(part: SolvedPart<K>, params: V): number;
}

/** What a part answers to, and through which opening. What is left out stands for "from all around". */
export interface Sensing<V = Params, K extends string = string> {
  /** The main one first. */
  quantities: readonly Quantity[];
  /** Half-angle of the receiving cone, degrees. */
  halfAngle?(params: V): number;
  /** Factor on everything that falls in along the axis, from a lens in front. */
  gain?(params: V): number;
  /** Radius of the opening, pad or mat, m: decides how gradually a shadow crosses it and what lies on it. */
  radius?(params: V): number;
  /** Angle from one of a motion detector's zones to the next alike, degrees. */
  zone?(params: V): number;
  /** Nothing farther away is felt, m. */
  reach?(params: V): number;
  /** Standard deviation of what it feels where nothing changes, in the main quantity's unit. */
  noise?(params: V): number;
  /** The terminal whose voltage rises when more is felt, with the sensor on top of its divider. */
  rises?: K;
}

/** What a part sends out through space to sensors. */
export interface Emission<V = Params, K extends string = string> {
  /** Light of a kind, in a cone; or sound, all around. */
  quantity: 'light' | 'infrared' | 'carrier' | 'sound';
  /** Where it is sent in a cone, °; all around where it does not say. */
  halfAngle?(params: V): number;
  /** On-axis intensity: W/sr, for light cd; of sound the r.m.s. pressure at 1 m, Pa. */
  intensity(part: SolvedPart<K>, params: V): number;
  /** Of sound: as it is rated, dB re 20 µPa at 1 m, and its tone, Hz. */
  level?(params: V): { decibels: number; hertz: number };
}

/** How a part sends to a fellow by radio. */
export interface Radio {
  /** Hz. */
  carrier: number;
  /** Sent, and the faintest that its fellow receives, W. */
  power: number;
  faintest: number;
}

/** A number a controller takes from a part by other means than its converter: over a bus, or by timing a pulse. */
export interface Readout<V = Params, K extends string = string> {
  id: string;
  /** Its counts are picofarads. */
  picofarads?: boolean;
  /** Its counts name something, as the number of a tag does: nothing lies between two of them. */
  names?: boolean;
  label: string;
  /** The highest count it can give. */
  full(params: V): number;
  /** Standard deviation of a reading, counts. */
  noise(params: V): number;
  /** Counts before rounding, without noise. */
  counts(stimulus: Stimulus, params: V, part: SolvedPart<K>): number;
  /** The terminals through which it is asked and answers: without a way from them to a controller it does not. */
  through: readonly K[];
  /** Whether the part is fed well enough to answer. */
  works(part: SolvedPart<K>, params: V): boolean;
  /** How a program takes it; left out where that is another for each such part. */
  asked?: Asked<V, K>;
}

/** Where a part takes its power, and the least it works at; the most is among its ratings. */
export interface Feed<V = Params, K extends string = string> {
  plus: K;
  minus: K;
  /** V. */
  least(params: V): number;
  /** It warms something: weak supplies leave it cold and its readings wrong. */
  heater?: boolean;
}

/** What a part draws in one of its ways of being on. */
export interface Phase<V = Params> {
  label: string;
  /** At its nominal supply, A. */
  amps(params: V): number;
  /** Its program stands still until something wakes it. */
  asleep?: boolean;
  /** It is what a message is sent in: how long that takes, s. */
  sends?(params: V): number;
  /** It is what a message is written down in: how long that takes, s. */
  keeps?(params: V): number;
  /** Values that it has in this phase. */
  sets?(params: V): Partial<Params>;
}

/** How the part's characteristic curve is taken on a test bench. */
export interface Curve {
  /** What is changed: something felt, a parameter, or the voltage of a supply from one terminal to another. */
  vary: { stimulus: Quantity } | { param: string } | { plus: string; minus: string };
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
export interface Acting<V = Params, K extends string = string> {
  word: string;
  /** How those around come to know: they hear it, see it or find it done; a switch acts through what it switches. */
  does: 'sounds' | 'shines' | 'moves' | 'tells' | 'switches';
  /** That it acts tells nothing by itself. */
  indicates?: boolean;
  /** It is told by radio: jammed, nobody hears that it began. */
  byRadio?: boolean;
  /** Only a swing makes it act: in a steady state it never does. */
  inTime?: boolean;
  active(part: SolvedPart<K>, params: V): boolean;
  /** One line that says why it acts or not, with numbers. */
  because(part: SolvedPart<K>, params: V): string;
}

/** An analogue-to-digital converter behind controller pins. */
export interface Converter<V = Params, K extends string = string> {
  bits(params: V): number;
  reference(part: SolvedPart<K>, params: V): number;
  /** The parameter by which its reference is chosen, and its value for the own supply. */
  chosen?: { param: string; supply: number };
  /** Standard deviation of a reading, counts. */
  noise(params: V): number;
  /** The capacitor that samples the pin: its size, how long it is joined, and through what. */
  sampling(params: V): { farads: number; seconds: number; ohms: number };
}

/** The digital inputs of a controller: thresholds as shares of its supply. */
export interface DigitalInputs<V = Params, K extends string = string> {
  supply(part: SolvedPart<K>): number;
  /** What its pins run on, V, and what each may give, A. */
  nominal(params: V): number;
  maxAmps(params: V): number;
  /** Surely low up to here. */
  low(params: V): number;
  /** Surely high from here. */
  high(params: V): number;
}

/** A module's own circuit: kinds of parts with their values, and the wires between them. */
export interface Inside<V = Params> {
  parts(params: V): readonly InnerPart[];
  /** Pairs of ends: "R1.a" for an inner part's terminal, "OUT" for one of the module's own. */
  wires(params: V): readonly (readonly [string, string])[];
}

export interface InnerPart {
  id: string;
  name: string;
  kind: PartKind;
  /** Its own values; the kind's where it has none. */
  params: Partial<Params>;
}

/**
 * Everything Yurei knows about a kind of part. One file per kind; adding a part touches that file,
 * its test and the index.
 */
export interface PartKind<V = Params, K extends string = string> extends Facets<V, K> {
  kind: string;
  label: string;
  /** One line for the tray and the catalogue. */
  summary: string;
  /** Letters that part ids start with, as drawings use them (IEC 81346 style). */
  prefix: string;
  /** What a maker might type to find it. */
  words: readonly string[];
  stage: Stage;
  /** The usual sensor to begin with where this must be noticed. */
  first?: FirstSensor;
  /** Passive parts stand in the column of whatever they serve. */
  floats?: boolean;
  terminals: readonly Terminal[];
  /** Inner nodes that tell what goes on inside. */
  stateNodes?: readonly K[];
  params: readonly Param[];
  feed?: Feed<V, K>;
  /** A bare chip: the capacitor it wants across its supply, F. */
  decouple?: number;
  ratings: readonly Rating<V, K>[];
  elements(params: V, state: PartState): readonly Element[];
  /** The value shown on its card. */
  headline(params: V): string;
  senses?: Sensing<V, K>;
  emits?: Emission<V, K>;
  radio?(params: V): Radio;
  reads?: readonly Readout<V, K>[];
  /** The parts a module is made of. */
  inside?: Inside<V>;
  /** What it draws in each way of being on. */
  phases?: readonly Phase<V>[];
  curve?: Curve;
  acts?: Acting<V, K>;
  /** Which of its relays are pulled in, each with a name: what wears out by the times it is switched. */
  relays?(part: SolvedPart<K>): Readonly<Record<string, boolean>>;
  converter?: Converter<V, K>;
  inputs?: DigitalInputs<V, K>;
  /** Below this supply of its own, V, it stops; back above, its program begins anew after so many seconds. */
  brownOut?: { below: number; starts: number };
  /** The sort of program that it takes, where it takes one that is written. */
  program?: '8-bit board' | '40-pin chip' | 'radio board' | 'small computer';
  /** How often a dimmed pin is switched on and off, Hz, and in how many steps it is dimmed. */
  dims?: { hertz: number; steps: number };
  /** How it bears being dimmed by such a pin; left out where it follows the share of the time. */
  chopped?: Chopped;
  /** Where it is loudest, Hz. */
  resonance?(params: V): number;
  /** Polarity, pin order, what fools it. */
  notes: readonly string[];
  cautions: readonly string[];
  /** Where model and numbers come from. */
  source: string;
  price: 'under 1' | '1 to 5' | '5 to 20' | 'over 20';
  /** Strokes in a 24 × 24 box, after the shapes of IEC 60617. */
  glyph: string;
}
