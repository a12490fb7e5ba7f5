/** A place on the site plan, metres from its lower left corner: on an unturned plan, its south-west corner. */
export interface Point {
  x: number;
  y: number;
}

/** A place that may tell its height over the ground, m. Between places of which one does not, all is level. */
export interface RaisedPoint extends Point {
  z?: number;
}

/** Where a part stands and which way it looks: degrees anticlockwise from the right of the plan, and downwards from level. */
export interface Place extends RaisedPoint {
  facing: number;
  tilt?: number;
  /** The part on whose arm it is: it looks so while the arm is where it rests. */
  on?: string;
}

/** The ground on which parts stand and things happen. */
export interface Plan {
  /** From left to right and from bottom to top, m. */
  width: number;
  depth: number;
  /** Where north lies, degrees clockwise from the top of the plan. */
  north?: number;
  walls: Wall[];
  rooms?: Room[];
  trees?: Tree[];
  /** Where one can come in; anywhere at the edge where none is given. */
  entrances?: Point[];
  /** What is to be guarded. */
  guarded?: Point;
  /** Where an alarm has to be heard or a message received, or where it must not disturb. */
  spots?: Spot[];
  backdrop?: Backdrop;
}

/** A place at which sound and radio arrive. */
export interface Spot {
  name: string;
  /** Its height where that is told, m over the ground. */
  at: RaisedPoint;
  /** Level of all else that is heard there, dB(A). */
  background: number;
}

export const materials = [
  'brick',
  'concrete',
  'plasterboard',
  'wood',
  'glass',
  'metal',
  'earth',
] as const;
export type Material = (typeof materials)[number];

/** A straight wall: what passes it depends on what it is of. */
export interface Wall {
  from: Point;
  to: Point;
  /** Left out where it is not known: then nothing is seen through it, and of the rest half passes. */
  material?: Material;
  /** Of its top over the ground, m; left out for one as high as the room. */
  height?: number;
  openings?: Opening[];
}

export const openingKinds = ['door', 'window', 'gap'] as const;
export type OpeningKind = (typeof openingKinds)[number];

/** A part of a wall that is of something else: a closed door of boards, a pane of glass, or nothing. One goes through doors and gaps. */
export interface Opening {
  kind: OpeningKind;
  /** From the wall's first end to where it begins, and how wide it is, m. */
  along: number;
  width: number;
  /** Over the ground, m. */
  bottom: number;
  top: number;
}

/** A part of the plan with a name: its corners, one after the other around it. */
export interface Room {
  name: string;
  outline: Point[];
}

/** Leaves: nothing is seen through them, and they weaken radio. One goes underneath. */
export interface Tree {
  at: Point;
  /** Of its crown, m. */
  radius: number;
  height: number;
}

/** A picture under the plan. */
export interface Backdrop {
  /** A PNG, JPEG or SVG as a data URL. */
  image: string;
  /** Its upper left corner, and how wide it is, m. */
  x: number;
  y: number;
  width: number;
}
