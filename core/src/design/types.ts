import type { Brief } from './brief.js';
import type { Place, Plan, Point } from './plan.js';
import type { Counter, Machine, Notice, Output, Rule, Sequence, Sleep } from './program.js';

/**
 * The design document: everything a maker decides about one circuit, in SI units, as plain JSON.
 * Nets and results are never stored; they follow from this. See docs/design-file.md.
 */
export interface Design {
  format: 'yurei-design';
  version: 12;
  title: string;
  purpose: string;
  /** Where it will stand, in the maker's words. */
  site: string;
  /** What is wanted of it. */
  brief: Brief;
  plan: Plan;
  parts: Part[];
  wires: Wire[];
  groups: Group[];
  controller: Controller;
  channels: Channel[];
  outputs: Output[];
  counters: Counter[];
  machines: Machine[];
  /** The first active rule that drives an output decides over it. */
  rules: Rule[];
  sequences: Sequence[];
  notices: Notice[];
  scenes: Scene[];
  recordings: Recording[];
  readings: ReadingSet[];
  accepted: Accepted[];
  notes: string;
}

/** One terminal of one part, written "R1.a". */
export type TerminalRef = string;

/** Readings taken elsewhere that a stand-in plays back, by straight lines between them. */
export interface Recording {
  id: string;
  name: string;
  /** s, ascending. */
  times: number[];
  /** V. */
  values: number[];
}

export interface Part {
  id: string;
  kind: string;
  name: string;
  /** Only what differs from the kind's defaults, in SI units. */
  params: Record<string, number>;
  place?: Place;
  /** It acts to show how things stand, and does not count as firing. */
  indicates?: boolean;
  /** Id of the recording that a part for recorded readings plays. */
  recording?: string;
}

export interface Wire {
  id: string;
  from: TerminalRef;
  to: TerminalRef;
  colour?: string;
  /** Metres. */
  length?: number;
  /** Copper cross-section, m². */
  gauge?: number;
}

/** Parts that belong together; the picture can show them as one card. */
export interface Group {
  id: string;
  name: string;
  /** Part ids; a part is in one group at most. */
  parts: string[];
  collapsed: boolean;
}

/** What a controller pin can do beyond being an input or an output. */
export type PinSkill =
  'analogue' | 'pwm' | 'interrupt' | 'data' | 'clock' | 'serial in' | 'serial out' | 'touch';

/** What a controller pin is set up as by the firmware. */
export type PinMode = 'analogue' | 'input' | 'pull-up' | 'output';

export interface PinUse {
  pin: TerminalRef;
  mode: PinMode;
  /** What the firmware wants of it besides. */
  skill?: PinSkill;
}

export interface Controller {
  pins: PinUse[];
  sleep?: Sleep;
  /** The controller resets itself when it has not run a pass for so long, s. */
  watchdog?: number;
  code?: OwnCode;
}

/** Code of the maker's own in the language of the program, by the place in which it stands there. */
export interface OwnCode {
  /** Before everything that does something: what it brings, its own variables and functions. */
  top?: string;
  /** Once, at the end of the start. */
  start?: string;
  /** At the end of each pass. */
  pass?: string;
  /** Whenever a rule begins or ends, a mode changes or a notice is sent: `kind`, `of` and `what` tell of it. */
  event?: string;
}

/**
 * A reading that is turned into yes or no. In which order its fields are applied, and what each does at the
 * first reading and at the edges, is written in docs/rules.md.
 */
export interface Channel {
  id: string;
  name: string;
  pin: TerminalRef;
  /** Above or below the threshold, or away from the baseline on either side. */
  trips: 'above' | 'below' | 'away';
  /** Converter counts; with a baseline, the distance from it. */
  threshold: number;
  /** Distance between tripping and clearing, in what the threshold is in. */
  hysteresis: number;
  /** Seconds between readings. */
  every: number;
  /** Readings in a row that must agree before the channel trips. */
  hits: number;
  /** Readings in a row that must agree before the channel clears. */
  misses: number;
  /** Reads at once too when the level of its digital pin changes so. */
  edge?: 'rising' | 'falling' | 'change' | 'low';
  /** An edge is only remembered, and stands for the next reading. */
  remembers?: boolean;
  /** Seconds for which outputs that feed sensors are on before a reading. */
  powerUp?: number;
  filter?: Filter;
  baseline?: Baseline;
  /** Seconds for which it stays tripped at least. */
  stretch?: number;
  /** Seconds after it has cleared in which it cannot trip again. */
  lockOut?: number;
  /** Tells rules the opposite. */
  invert?: boolean;
  /** How many false alarms are as bad as one miss; 1 if it is not said. Weighs the best line. */
  missCost?: number;
}

/** What stands for the reading: the mean or median of the last `n`, or a running average that takes in 1/n. */
export interface Filter {
  by: 'mean' | 'median' | 'exponential';
  n: number;
}

/** From where a threshold is measured: a fixed count, or what the controller learnt by itself. */
export type Baseline = FixedBaseline | LearntBaseline;

export interface FixedBaseline {
  kind: 'fixed';
  counts: number;
}

export interface LearntBaseline {
  kind: 'learnt';
  /** It is the mean of this many readings after a reset. */
  learn: number;
  /** Afterwards it follows the readings with this time constant, s; 0: it stays. */
  follow: number;
  /** It stands still while the channel is tripped. */
  freeze: boolean;
  /** Threshold and hysteresis are counts, or per cent of the baseline. */
  unit: 'counts' | 'per cent';
}

/** Readings of one channel taken in one situation, in their order. */
export interface ReadingSet {
  id: string;
  name: string;
  /** Channel id. */
  channel: string;
  /** What was the case: to be noticed, nothing, or something that must not fire. */
  intent: 'wanted' | 'quiet' | 'nuisance';
  origin: 'stand-in' | 'board' | 'file' | 'typed';
  /** When the first reading was taken, ISO 8601. */
  taken: string;
  /** Seconds between readings. */
  every: number;
  counts: number[];
  excluded: Exclusion[];
  conditions: Conditions;
  notes: string;
}

/** A reading that does not count, and why. */
export interface Exclusion {
  /** Its place in the set, from 0. */
  at: number;
  reason: string;
}

/** Under what readings were taken, as far as it is known. */
export interface Conditions {
  /** m. */
  distance?: number;
  /** From straight ahead, degrees. */
  angle?: number;
  /** lx. */
  light?: number;
  /** °C. */
  temperature?: number;
  /** V. */
  supply?: number;
  surface?: string;
}

/** A finding that is no mistake in this design, and why. */
export interface Accepted {
  /** Id of the finding: what is found, and where. */
  finding: string;
  /** As how severe it was accepted: found more severe than that, it is told again. */
  severity: 'error' | 'caution' | 'note';
  reason: string;
}

/** How a scene can begin. */
export const sceneStarts = ['settled', 'power-on'] as const;

export interface Scene {
  id: string;
  name: string;
  /** Seed of everything random in a rehearsal of this scene. */
  seed: number;
  /** Seconds. */
  duration: number;
  /** Only what differs from the usual surroundings, in SI units: light, weather, and what is felt at rest. */
  ambient: Record<string, number>;
  /** Mode ids by machine in which it begins, where they are not those after a reset. */
  modes?: Record<string, string>;
  /** Whether power came on long ago, as where it is left out, or comes on as the scene begins. */
  starts?: (typeof sceneStarts)[number];
  happenings: Happening[];
}

export interface Happening {
  id: string;
  kind: string;
  name: string;
  intent: 'wanted' | 'nuisance';
  /** Seconds from the start of the scene. */
  start: number;
  params: Record<string, number>;
  /** Id of what is wanted in the brief, which this tries. */
  need?: string;
  /** By what it is noticed, or what a nuisance must not bring about; left out: the usual, see docs/rules.md. */
  signs?: Sign[];
  /** Seconds after it was first felt within which it must be noticed. */
  within?: number;
  /** What it is aimed at, for kinds that do something to the design: a part, a value of one, or a wire. */
  target?: Target;
  /** Where it happens on the plan: one point, or for kinds that move the points of their way. */
  path?: Point[];
  /** How high over the ground it happens, m, of what stays where it is. */
  z?: number;
}

/** A part, a value of a part, or a wire, by their ids. */
export interface Target {
  part?: string;
  param?: string;
  wire?: string;
}

/** Something that tells that a happening was noticed. */
export type Sign =
  /** A part begins to act. */
  | { by: 'part'; part: string }
  /** A counter has gone up, or down if `step` is below 0. */
  | { by: 'counter'; counter: string; step: number }
  | { by: 'mode'; machine: string; mode: string }
  /** A notice is sent because what it tells has changed. */
  | { by: 'notice'; notice: string };

/** The newest document version this program writes. */
export const currentVersion = 12;
