import type { Param, Sensing } from '../catalog/index.js';
import type { Happening, Place, Point } from '../design/index.js';

/** A sensor as a happening meets it. */
export interface Receiver {
  quantity: Sensing['quantity'];
  place: Place;
  halfAngle: number;
  /** Radius of the opening, m. */
  radius: number;
}

/** A kind of thing that can happen at a place, in physical units. One file per kind. */
export interface HappeningKind {
  kind: string;
  label: string;
  summary: string;
  params: readonly Param[];
  /** It goes along a straight way from one point to another. */
  moves: boolean;
  /** How long it lasts, s. */
  lasts: (happening: Happening, params: Readonly<Record<string, number>>) => number;
  /** Share of the sight line between a source and a receiver that it blocks, `t` s after its start. */
  blocks?: (
    happening: Happening,
    params: Readonly<Record<string, number>>,
    t: number,
    source: Point,
    receiver: Receiver,
  ) => number;
  /** What it adds at a receiver before any lens, in the receiver's unit, `t` s after its start. */
  adds?: (params: Readonly<Record<string, number>>, t: number, receiver: Receiver) => number;
  /** Where model and numbers come from. */
  source: string;
}
