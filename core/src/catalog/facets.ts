import type { Brief } from '../design/index.js';
import type { Params, SolvedPart } from './part-kind.js';
import type { Quantity } from './surroundings.js';

/** A light-emitting junction: something has to limit its current. */
export interface Junction<V = Params, K extends string = string> {
  anode: K;
  cathode: K;
  /** Tells it from others in the same part. */
  name?: string;
  /** People are to see its light. */
  visible?: boolean;
  /** Forward voltage, V. */
  volts(params: V): number;
  maxAmps(params: V): number;
}

/** A winding: it kicks back at switch-off and wants a diode across its terminals. */
export interface Coil<V = Params, K extends string = string> {
  plus: K;
  minus: K;
  /** H. */
  henries?(params: V): number;
  /** It moves something from this voltage on, V. */
  pullIn?(params: V): number;
  /** It surely lets go below this voltage, V. */
  dropOut?(params: V): number;
}

/** A terminal at which a part gives a voltage. */
export interface SupplyOutput<V = Params, K extends string = string> {
  at: K;
  /** Nominal, V. */
  volts(params: V): number;
  /** The parameter that says so, where it is what the maker sets. */
  param?: keyof V & string;
}

/** A switch that a gate voltage opens, and the resistance it then has. */
export interface Mosfet<V = Params, K extends string = string> {
  gate: K;
  drain: K;
  source: K;
  /** V. */
  threshold(params: V): number;
  onOhms(params: V): number;
}

/** Currents of a thyristor, A: what fires it, what it latches at, what holds it. */
export interface Thyristor<V = Params, K extends string = string> {
  anode: K;
  gate: K;
  cathode: K;
  trigger(params: V): number;
  latching(params: V): number;
  holding(params: V): number;
  maxAmps(params: V): number;
}

/** What others reckon with of a part: a rule, a block or a reckoning reads these and never asks which kind it is. */
export interface Facets<V = Params, K extends string = string> {
  /** Light-emitting junctions. */
  junctions?: readonly Junction<V, K>[];
  coil?: Coil<V, K>;
  /** It only conducts from the first terminal to the second. */
  conducts?: { from: K; to: K };
  /** It conducts so, and the other way above a voltage: it bounds the kick of a coil. */
  clamps?: { from: K; to: K };
  /** Two terminals with a resistance that the maker chooses by a parameter. */
  resistance?: { param: keyof V & string; ohms(params: V): number };
  capacitance?: {
    plus: K;
    minus: K;
    farads(params: V): number;
    maxVolts(params: V): number;
    polarised: boolean;
  };
  /** Capacitance that is not what it is chosen for, between its ends, F. */
  ownFarads?(params: V): number;
  transistor?: { collector: K; base: K; emitter: K };
  mosfet?: Mosfet<V, K>;
  thyristor?: Thyristor<V, K>;
  comparator?: { plus: K; minus: K; output: K; supply: K };
  regulator?: {
    input: K;
    output: K;
    ground: K;
    volts(params: V): number;
    dropOut(params: V): number;
  };
  /** Voltages that it gives, where the circuit is fed from it. */
  supplies?: readonly SupplyOutput<V, K>[];
  /** A source that can feed a fault: what it gives into a short, A. */
  faultSource?: { shortAmps(params: V): number };
  /** It goes on when the mains fails, until it is empty: capacity, A·h. */
  store?: {
    ampHours(params: V): number;
    /** The share of its charge with which it begins. */
    level: keyof V & string;
    /** Not to be charged below, °C. */
    chargedFrom?: number;
  };
  /** What it switches or carries for others, at most, A. */
  driver?: { maxAmps(params: V): number };
  fuse?: {
    through: K;
    param: keyof V & string;
    amps(params: V): number;
    /** Whether it has melted, where a voltage tells. */
    melted(part: SolvedPart<K>): boolean;
  };
  /** A lead that carries so much for good, A. */
  conductor?: { maxAmps(params: V): number };
  /** What it does its work at: V, and A where that follows from its own numbers. */
  load?: { volts?(params: V): number; amps?(params: V): number };
  /** Current in its first moments, A, from the one that flows later. */
  inrush?(part: SolvedPart<K>, params: V): number;
  /** Current while it is held fast, A. */
  stall?(params: V): number;
  /** In which of its phases it is, by the label. */
  now?(params: V): string;
  /** Own current while it works, A. */
  ownAmps?(params: V): number;
  /** An appliance beyond the boundary to mains: A, how many times that at first, and the fuse in its lead, A. */
  appliance?: { amps(params: V): number; inrush(params: V): number; fuse(params: V): number };
  /** Contacts made to switch loads, those of one relay together, and of more relays the input that moves each. */
  contacts?: readonly { maxAmps(params: V): number; terminals: readonly K[]; movedBy?: K }[];
  /** How often its contacts can be switched under load before they are worn. */
  switchings?: number;
  /** Electrodes that direct current eats: what flows through them, A, and the charge by which one is eaten up, A·s. */
  electrodes?: { amps(part: SolvedPart<K>, params: V): number; coulombs(params: V): number };
  /** A comparator of its own holds what is at one terminal against a trimmer: another goes low where it is beyond. */
  ownLine?: { reads: K; gives: K; at: keyof V & string; trips: 'above' | 'below' };
  /** What it wants around it before a controller can read it, where that is more than power or a load resistor. */
  frontEnd?: 'bridge' | 'heater' | 'charge' | 'touch' | 'plates';
  /** A controller for a first design: what it is then fed with, V, from an adapter or from cells, and at most. */
  firstFed?: { mains: number; battery: number; most: number };
  /** Under a lasting load above some of a quantity it reads more by a share a decade of time, as a parameter says. */
  creeps?: {
    under: Quantity;
    from(params: V): number;
    share(params: V): number;
    param: keyof V & string;
  };
  /** How it ages, in a few words (from memory); nothing of that is computed. */
  ages?: string;
  /** A ready board with electronics of its own, where its model does not name the parts inside. */
  ready?: true;
  /** What is done with it in a first design when something is noticed, what it is called there, and by which block it is switched. */
  answers?: {
    by: NonNullable<Brief['answer']>;
    named: string;
    stage?: string;
    params?: Readonly<Record<string, number>>;
  };
  /** The kind of part across from it whose beam it watches, where it is mostly used so. */
  beamFrom?: string;
  /** A contact at the end of a loop; where its resistors tell rest, tripped, cut and shorted apart, they, Ω. */
  loop?: { a: K; b: K; resistors?(params: V): { line: number; across: number } };
  /** Someone breaks its lead by hand. */
  operatedByHand?: boolean;
  /** An arm that turns what is fixed to it: how far it is turned, and at most, ° anticlockwise from where it rests. */
  arm?: { degrees(part: SolvedPart<K>, params: V): number; most(params: V): number };
  /** What it moves as it stands: L/min of water out of the tank (into it below 0), m³/s of air out of the room, W into it. */
  moves?: {
    water?(part: SolvedPart<K>, params: V): number;
    air?(part: SolvedPart<K>, params: V): number;
    heat?(part: SolvedPart<K>, params: V): number;
  };
  /** It keeps a door shut while it is fed. */
  locks?: { plus: K; minus: K };
  /** It breaks its own current again and again. */
  interruptsItself?: { plus: K; minus: K };
  /** A chip that is asked by address over two lines. */
  bus?: { data: K; clock: K; supply: K; param: keyof V & string; address(params: V): number };
  serial?: { sends: K; receives: K };
  /** Pairs of terminals between which it passes a line on; the two of a part with two where it does not say. */
  passes?: readonly (readonly [K, K])[];
  /** The outputs that are each worth reading; only the first one where it does not say. */
  outputs?: readonly K[];
  /** Its output stays so long after what set it off, s. */
  hold?(params: V): number;
  /** So long after power has come on it cannot be relied on, s. */
  warmUp?(params: V): number;
  /** What it gives changes by itself with time. */
  waves?(params: V): boolean;
  /** It stands for something that only a program does. */
  byProgram?: true;
  /** While it is on it shows what the program tells. */
  shows?: boolean;
  /** It watches over fire or gas, where people may rely on it. */
  lifeSafety?: boolean;
  /** Its cautions are about more than the circuit: they are never folded away. */
  grave?: boolean;
  /** Parameters with which a reading is brought to where it is wanted. */
  tunable?: readonly (keyof V & string)[];
  /** Three legs in an order that differs between types: it is easily put in wrongly. */
  legsVary?: boolean;
}
