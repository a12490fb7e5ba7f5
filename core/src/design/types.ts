/**
 * The design document: everything a maker decides about one circuit, in SI units, as plain JSON.
 * Nets and results are never stored; they follow from this. See docs/design-file.md.
 */
export interface Design {
  format: 'yurei-design';
  version: 1;
  title: string;
  purpose: string;
  /** Where it will stand, in the maker's words. */
  site: string;
  parts: Part[];
  wires: Wire[];
  controller: { pins: PinUse[] };
  channels: Channel[];
  outputs: Output[];
  rules: Rule[];
  scenes: Scene[];
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

export interface Part {
  id: string;
  kind: string;
  name: string;
  /** Only what differs from the kind's defaults, in SI units. */
  params: Record<string, number>;
  place?: Place;
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

/** What a controller pin is set up as by the firmware. */
export type PinMode = 'analogue' | 'input' | 'pull-up' | 'output';

export interface PinUse {
  pin: TerminalRef;
  mode: PinMode;
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
  ambient: {
    /** Horizontal illuminance, lx. */
    daylight: number;
  };
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
  /** Straight way on the site plan, for kinds that move. */
  from?: Point;
  to?: Point;
}

/** The newest document version this program writes. */
export const currentVersion = 1;
