import {
  kindOf,
  paramsOf,
  surroundings,
  type Emission,
  type Params,
  type Quantity,
  type SolvedPart,
  type Surrounding,
} from '../catalog/index.js';
import type { Design, Part, Place, Plan, RaisedPoint, Scene, Target } from '../design/index.js';
import { ambientOf, daylightAt, lampAt, temperatureAt, type Ambient } from './ambient.js';
import { skyShare } from './angular-response.js';
import { infraredPerLux } from './daylight.js';
import { stimulusOfBody } from './body/stimulus-of-body.js';
import type { Body } from './body/body.js';
import { coverable } from './coverable.js';
import type { Alteration, HappeningKind, Moment, Receiver } from './happening-kind.js';
import { findHappeningKind, momentOf } from './happenings.js';
import { heightAt } from './obstacles.js';
import { distanceToStretch, shadedShare } from './shadow.js';
import { Spans, type Span } from './spans.js';
import { coneResponse, sightOf, throughWalls } from './sight.js';

/** Where parts without a place are taken to stand. */
const nowhere: Place = { x: 0, y: 0, facing: 0 };

/** One of a part's senses, with what it takes to work out what it feels. */
export interface Sensor {
  part: Part;
  receiver: Receiver;
  gain: number;
}

/** A part that sends something to sensors. */
export interface Source {
  part: Part;
  params: Params;
  place: Place;
  emission: Emission;
}

/** The senses and sources of a design and the plan they stand on, worked out once per design. */
export interface Stage {
  sensors: Sensor[];
  sources: Source[];
  plan: Plan;
}

/** Finds the senses and sources of a design. */
export function setStage(design: Design): Stage {
  const sensors = design.parts.flatMap((part): Sensor[] => {
    const { senses } = kindOf(part);
    if (!senses) return [];
    const params = paramsOf(part);
    return senses.quantities.map((quantity) => ({
      part,
      gain: senses.gain?.(params) ?? 1,
      receiver: {
        quantity,
        place: part.place ?? nowhere,
        halfAngle: senses.halfAngle?.(params),
        radius: senses.radius?.(params) ?? 0.005,
        zone: senses.zone?.(params),
        reach: senses.reach?.(params),
        recording: design.recordings.find((r) => r.id === part.recording),
      },
    }));
  });
  const sources = design.parts.flatMap((part): Source[] => {
    const emission = kindOf(part).emits;
    const place = part.place ?? (emission?.quantity === 'sound' ? undefined : nowhere);
    // What makes a sound is heard where it was put; light that was not put anywhere shines where sensors are that were not.
    return emission && place ? [{ part, params: paramsOf(part), place, emission }] : [];
  });
  return { sensors, sources, plan: design.plan };
}

/** A scene at one moment: what happens then, and what is solid. */
export interface Now {
  ambient: Ambient;
  t: number;
  /** The air, and what it would be without all that happens, °C. */
  air: number;
  outside: number;
  /** What has run into the tank, L. */
  filled: number;
  /** What parts have taken away of a quantity that is the same everywhere. */
  taken?: ReadonlyMap<Quantity, number>;
  seed: number;
  happening: { kind: HappeningKind; moment: Moment }[];
  bodies: Body[];
  /** What is done to the design, in the order in which it began. */
  altered: { target: Target; by: Alteration }[];
}

/** A scene with everything that is usual filled in: worked out once per scene, as every moment needs it. */
interface Prepared {
  ambient: Ambient;
  /** Those of which nothing is left at their end, and the others. */
  passing: Spans<Happens>;
  lingering: Spans<Happens>;
}
interface Happens extends Span {
  kind: HappeningKind;
  /** Its beginning. */
  first: Moment;
  target: Target;
}
const prepared = new WeakMap<Scene, Prepared>();

function prepare(scene: Scene): Prepared {
  const known = prepared.get(scene);
  if (known) return known;
  const happenings = scene.happenings.flatMap((h): Happens[] => {
    const kind = findHappeningKind(h.kind);
    const { target = {}, start } = h;
    if (!kind) return [];
    const first = momentOf(h, start);
    return [{ kind, start, end: start + kind.lasts(first), first, target }];
  });
  const fresh = {
    ambient: ambientOf(scene),
    passing: new Spans(happenings.filter(({ kind }) => !kind.lingers)),
    lingering: new Spans(happenings.filter(({ kind }) => kind.lingers)),
  };
  prepared.set(scene, fresh);
  return fresh;
}

/** Works out once what all sensors need to know of a moment. */
export function momentIn(scene: Scene, t: number): Now {
  const { ambient, passing, lingering } = prepare(scene);
  const happening: Now['happening'] = [];
  const bodies: Body[] = [];
  const altered: Now['altered'] = [];
  const outside = temperatureAt(ambient, t);
  let air = outside;
  let filled = (ambient.inflow / 60) * t;
  for (const { kind, start, end, first, target } of [
    ...lingering.sorted.filter(({ start }) => start <= t),
    ...passing.at(t),
  ]) {
    const moment = { ...first, t: t - start };
    if (kind.contributes) happening.push({ kind, moment });
    if (kind.alters) altered.push({ target, by: kind.alters(moment) });
    air += kind.warms?.(moment) ?? 0;
    filled += kind.filled?.(moment) ?? 0;
    const body = t > end ? undefined : kind.body?.(moment);
    if (body) bodies.push(body);
  }
  return { ambient, t, air, outside, filled, seed: scene.seed, happening, bodies, altered };
}

/**
 * What a sense feels at a moment: the surroundings, what the happenings and bodies add, and the sources in
 * its sight as far as nothing stands between; all through its cone and its lens.
 *
 * @param solved the emitters' last solved state: intensity follows their current
 * @returns in the unit of the quantity, within its limits
 */
export function stimulusOn(
  stage: Stage,
  sensor: Sensor,
  now: Now,
  solved: (part: string) => SolvedPart | undefined,
): number {
  const receiver = shifted(sensor, now);
  const { min, max, combination } = surroundings[receiver.quantity];
  const join = joining[combination];
  let stimulus = atRest(sensor, now);
  const take = (value: number | undefined): void => {
    if (value !== undefined) stimulus = join(stimulus, value);
  };
  for (const { kind, moment } of now.happening) {
    take(given(stage, receiver, now.bodies, kind, moment));
  }
  for (const body of now.bodies) take(stimulusOfBody(body, receiver, stage.plan, now.air));
  for (const source of stage.sources) {
    take(received(stage, source, solved(source.part.id), receiver, now));
  }
  if (receiver.quantity !== 'temperature') stimulus -= now.taken?.get(receiver.quantity) ?? 0;
  return Math.min(max, Math.max(min, covered(sensor, now, stimulus) * sensor.gain));
}

/** A quantity that is the same everywhere, as a scene alone gives it. */
export function everywhereAt(now: Now, quantity: Quantity): number {
  const part = { id: '', kind: '', name: '', params: {} };
  return stimulusOn(empty, { part, gain: 1, receiver: anywhere(quantity) }, now, () => undefined);
}
const empty: Stage = { sensors: [], sources: [], plan: { width: 1, depth: 1, walls: [] } };
const anywhere = (quantity: Quantity): Receiver => ({ quantity, place: nowhere, radius: 0.005 });

/** What is done to a part by what happens. */
const done = ({ altered }: Now, part: string): Alteration[] =>
  altered.filter(({ target }) => target.part === part).map(({ by }) => by);

/** A place after a part was knocked out of it. */
function placeOf(place: Place, now: Now, part: string): Place {
  return done(now, part).reduce(
    ({ x, y, facing }, { shift = unmoved }) => ({
      ...{ x: x + shift.x, y: y + shift.y },
      facing: facing + shift.turn,
    }),
    place,
  );
}
const unmoved = { x: 0, y: 0, turn: 0 };

function shifted({ part, receiver }: Sensor, now: Now): Receiver {
  if (now.altered.length === 0) return receiver;
  return { ...receiver, place: placeOf(receiver.place, now, part.id) };
}

/** What a cover over a part lets through. */
const coverOf = (now: Now, part: string): number =>
  done(now, part).reduce((share, { left = 1 }) => share * left, 1);

/** What a cover close before a sensor measures as distance, m. */
const atCover = 0.01;

/** What is left of something felt by a sensor that is covered. */
function covered({ part, receiver }: Sensor, now: Now, stimulus: number): number {
  if (now.altered.length === 0 || !coverable.has(receiver.quantity)) return stimulus;
  const left = coverOf(now, part.id);
  if (receiver.quantity === 'distance') return left < 1 ? atCover : stimulus;
  return stimulus * left;
}

/** How one more cause joins what is felt already. */
const joining: Readonly<Record<Surrounding['combination'], (a: number, b: number) => number>> = {
  sum: (a, b) => a + b,
  power: Math.hypot,
  largest: Math.max,
  smallest: Math.min,
};

function atRest({ receiver }: Sensor, now: Now): number {
  const { ambient, t, air, filled, seed } = now;
  switch (receiver.quantity) {
    case 'light':
      return daylightAt(ambient, t, seed) + lampAt(ambient, t);
    case 'infrared':
      return daylightAt(ambient, t, seed) * infraredPerLux * skyShare(receiver.halfAngle ?? 90);
    case 'temperature':
      return air;
    case 'water':
      return ambient.water + (ambient.tank > 0 ? filled / (1000 * ambient.tank) : 0);
    case 'recorded':
      return receiver.recording?.values[0] ?? ambient['recorded'];
    default:
      return ambient[receiver.quantity];
  }
}

/** What passes a wall or a body: nothing of what is seen, all of the rest. */
const seen: ReadonlySet<Quantity> = new Set<Quantity>(['light', 'infrared', 'carrier', 'heat']);

function given(
  { plan }: Stage,
  receiver: Receiver,
  bodies: readonly Body[],
  kind: HappeningKind,
  moment: Moment,
): number | undefined {
  const value = kind.contributes?.[receiver.quantity]?.(moment, receiver);
  if (!value || kind.where !== 'point' || !seen.has(receiver.quantity)) return value;
  const left = throughWalls(plan, moment.at, receiver.place, receiver.quantity);
  return left > 0 ? value * left * passing(bodies, moment.at, receiver) : undefined;
}

/**
 * What comes of a source: of light the inverse square of the distance, and both cones: I·r(θ₁)·r(θ₂)/d²; of sound, which goes
 * around what stands between, its pressure as of a point source in the open: p/d.
 */
function received(
  { plan }: Stage,
  { emission, part, params, ...source }: Source,
  solved: SolvedPart | undefined,
  receiver: Receiver,
  now: Now,
): number | undefined {
  if (!solved || emission.quantity !== receiver.quantity) return undefined;
  const place = placeOf(source.place, now, part.id);
  const arriving = sightOf(receiver.place, place);
  const leaving = sightOf(place, receiver.place);
  const sent = emission.intensity(solved, params) * coverOf(now, part.id);
  if (emission.quantity === 'sound') return sent / arriving.distance;
  const direct =
    (sent *
      coneResponse(leaving, emission.halfAngle?.(params)) *
      coneResponse(arriving, receiver.halfAngle)) /
    arriving.distance ** 2;
  const left = throughWalls(plan, place, receiver.place, receiver.quantity);
  return direct * left > 0 ? direct * left * passing(now.bodies, place, receiver) : undefined;
}

/** Share of a sight line that gets past everything solid, over it or under it. */
function passing(bodies: readonly Body[], from: RaisedPoint, to: Receiver): number {
  return bodies.reduce((share, body) => {
    const { distance, share: along, between: inside } = distanceToStretch(body, from, to.place);
    const z = heightAt(from, to.place, along);
    const { bottom = 0, height } = body;
    const isMissed = z !== undefined && (z < bottom || z > bottom + height);
    return inside && !isMissed
      ? share * (1 - shadedShare(distance, body.width / 2, to.radius))
      : share;
  }, 1);
}
