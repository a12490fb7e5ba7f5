/**
 * The design document: everything a maker decides about one circuit, in SI units, as plain JSON.
 * Nets and results are never stored; they follow from this. See docs/design-file.md.
 */
export interface Design {
  format: 'yurei-design';
  version: 3;
  title: string;
  purpose: string;
  /** Where it will stand, in the maker's words. */
  site: string;
  plan: Plan;
  parts: Part[];
  wires: Wire[];
  groups: Group[];
  controller: { pins: PinUse[] };
  channels: Channel[];
  outputs: Output[];
  rules: Rule[];
  scenes: Scene[];
  recordings: Recording[];
  notes: string;
}

/** One terminal of one part, written "R1.a". */
export type TerminalRef = string;

/** A place on the site plan, metres from its south-west corner. */
export interface Point {
  x: number;
  y: number;
}

/** Where a part stands and which way it looks: degrees anticlockwise from east. */
export interface Place extends Point {
  facing: number;
}

/** The ground on which parts stand and things happen. */
export interface Plan {
  /** From west to east and from south to north, m. */
  width: number;
  depth: number;
  walls: Wall[];
}

/** A straight wall: nothing is seen through it. */
export interface Wall {
  from: Point;
  to: Point;
}

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

/**
 * A reading that is turned into yes or no. It trips when the counts pass `threshold` in the
 * direction of `trips` and clears only `hysteresis` counts back on the quiet side.
 */
export interface Channel {
  id: string;
  name: string;
  pin: TerminalRef;
  trips: 'above' | 'below';
  /** Converter counts. */
  threshold: number;
  /** Counts between tripping and clearing. */
  hysteresis: number;
  /** Seconds between readings. */
  every: number;
  /** Readings in a row that must agree before the channel trips. */
  hits: number;
  /** Readings in a row that must agree before the channel clears. */
  misses: number;
}

export interface Output {
  id: string;
  name: string;
  pin: TerminalRef;
  /** The pin level that switches the load on. */
  active: 'high' | 'low';
  /** Feeds sensors: on while they are read and off in between, whatever the rules say. */
  feeds?: boolean;
}

export interface Rule {
  id: string;
  match: 'any' | 'all';
  /** Channel ids. */
  channels: string[];
  /** Output id. */
  output: string;
  /** Seconds the output stays on after the channels have cleared. */
  hold: number;
  /** Stay on until switched off and on again. */
  latch: boolean;
}

export interface Scene {
  id: string;
  name: string;
  /** Seed of everything random in a rehearsal of this scene. */
  seed: number;
  /** Seconds. */
  duration: number;
  /** Only what differs from the usual surroundings, in SI units: light, weather, and what is felt at rest. */
  ambient: Record<string, number>;
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
  /** Where it happens on the plan: one point, or for kinds that move the points of their way. */
  path?: Point[];
}

/** The newest document version this program writes. */
export const currentVersion = 3;
