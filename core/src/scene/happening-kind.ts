import type { Param, Params, PartKind, Quantity } from '../catalog/index.js';
import type { Place, Point, RaisedPoint, Recording } from '../design/index.js';
import type { Body } from './body/body.js';

/** A part's sense of one quantity, as a scene meets it. */
export interface Receiver {
  quantity: Quantity;
  place: Place;
  /** Radius of the opening, pad or mat, m. */
  radius: number;
  /** Half-angle of the receiving cone, degrees; all around when left out. */
  halfAngle?: number;
  /** From one of a motion detector's zones to the next alike, degrees. */
  zone?: number;
  /** Nothing farther away is felt, m. */
  reach?: number;
  /** What a stand-in for recorded readings plays. */
  recording?: Recording;
}

/** A happening at one moment. */
export interface Moment<V = Params> {
  params: V;
  /** Seconds from its start. */
  t: number;
  /** The way it takes, for kinds that go along one. */
  path: readonly Point[];
  /** Where it is, or begins; out of all reach for one that is given no place. */
  at: RaisedPoint;
}

/** What a happening gives a receiver, in the quantity's unit; undefined for nothing. */
export type Contribution<V = Params> = {
  // A method: kinds that know their own parameters are kinds all the same.
  at(now: Moment<V>, receiver: Receiver): number | undefined;
}['at'];

/** What a happening does at a moment to what it is aimed at. */
export interface Alteration {
  /** A value of a part goes this share of the way from what it was to another. */
  value?: { to: number; share: number };
  /** A wire, or every terminal of a part, joins nothing. */
  open?: boolean;
  /** All terminals of a part are joined. */
  bridged?: boolean;
  /** Another battery has taken its place, with this share of its charge. */
  renewed?: number;
  /** What is left of all that a sensor sees or hears. */
  left?: number;
  /** A part stands elsewhere by so many metres, and looks elsewhere by so many degrees. */
  shift?: { x: number; y: number; turn: number };
}

/** Where and when something is; what is left out is open. */
export interface Circumstances {
  outdoors?: boolean;
  by?: 'day' | 'night';
}

/** What is at stake where it has to be noticed. */
export type Danger = 'fire' | 'gas' | 'intruder';

/** A kind of thing that can happen, in physical units. One file per kind. */
export interface HappeningKind<V = Params> {
  kind: string;
  label: string;
  summary: string;
  /** What a maker might type to find it. */
  words: readonly string[];
  /** What it mostly is to an alarm; wanted when left out. */
  usually?: 'nuisance';
  /** Where and when it happens only; anywhere and at any time where left out. */
  only?: Circumstances;
  params: readonly Param[];
  where: 'everywhere' | 'point' | 'path';
  /** How far in front of what feels it it mostly passes or is, m; where that does not matter, left out. */
  passes?: number;
  /** How long it lasts, s. */
  lasts(now: Omit<Moment<V>, 't'>): number;
  /** The solid thing it is about, if there is one and it is there at the moment. */
  body?(now: Moment<V>): Body | undefined;
  /** What it gives a receiver, before any lens. */
  contributes?: { readonly [Q in Quantity]?: Contribution<V> };
  /** By how much it warms all the air, and with it every part, K. */
  warms?(now: Moment<V>): number;
  /** What it has let run into the tank by then, L. */
  filled?(now: Moment<V>): number;
  /** When, from its start, what it gives jumps in its course, s. */
  turns?(now: Omit<Moment<V>, 't'>): number[];
  /** Whether anything of it is left after its end. */
  lingers?: boolean;
  /** What it is aimed at, where it does something to the design itself. */
  aims?: 'value' | 'part' | 'wire';
  /** Whether it means anything to a kind of part; to any when left out. */
  suits?(kind: PartKind): boolean;
  /** What it does to that; nothing before it begins. */
  alters?(now: Moment<V>): Alteration;
  /** From when to when, from its start, that is the same all the time, s. */
  steady?(now: Omit<Moment<V>, 't'>): readonly [number, number];
  /** Whether it opens what it is aimed at or joins what is apart: the circuit has a contact for it. */
  breaks?: 'open' | 'across';
  /** The controller's program stands still meanwhile. */
  hangs?: boolean;
  /** No message by radio is heard meanwhile. */
  jams?: boolean;
  /** What is at stake where it has to be noticed. */
  danger?: Danger;
  /** What to keep in mind when it is tried for real. */
  cautions?: readonly string[];
  /** Where model and numbers come from. */
  source: string;
}
