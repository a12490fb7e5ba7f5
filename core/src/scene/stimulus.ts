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
import type { Design, Part, Place, Plan, Point, Scene } from '../design/index.js';
import { ambientOf, daylightAt, lampAt, temperatureAt, type Ambient } from './ambient.js';
import { skyShare } from './angular-response.js';
import { infraredPerLux } from './daylight.js';
import { stimulusOfBody } from './body/stimulus-of-body.js';
import type { Body } from './body/body.js';
import type { HappeningKind, Moment, Receiver } from './happening-kind.js';
import { findHappeningKind, happeningValues } from './happenings.js';
import { distanceToStretch, shadedShare } from './shadow.js';
import { coneResponse, sightOf, walled } from './sight.js';

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
  seed: number;
  happening: { kind: HappeningKind; moment: Moment }[];
  bodies: Body[];
}

/** A scene with everything that is usual filled in: worked out once per scene, as every moment needs it. */
interface Prepared {
  ambient: Ambient;
  happenings: {
    kind: HappeningKind;
    start: number;
    lasts: number;
    params: Params;
    path: readonly Point[];
  }[];
}
const prepared = new WeakMap<Scene, Prepared>();

function prepare(scene: Scene): Prepared {
  const known = prepared.get(scene);
  if (known) return known;
  const happenings = scene.happenings.flatMap((h) => {
    const kind = findHappeningKind(h.kind);
    const { path = [], start } = h;
    const params = happeningValues(h);
    return kind ? [{ kind, start, lasts: kind.lasts({ params, path }), params, path }] : [];
  });
  const fresh = { ambient: ambientOf(scene), happenings };
  prepared.set(scene, fresh);
  return fresh;
}

/** Works out once what all sensors need to know of a moment. */
export function momentIn(scene: Scene, t: number): Now {
  const { ambient, happenings } = prepare(scene);
  const happening: Now['happening'] = [];
  const bodies: Body[] = [];
  for (const { kind, start, lasts, params, path } of happenings) {
    // What it gives may go on fading afterwards; a body is there only while its happening lasts.
    if (t < start) continue;
    const moment = { params, path, t: t - start };
    if (kind.contributes) happening.push({ kind, moment });
    const body = t > start + lasts ? undefined : kind.body?.(moment);
    if (body) bodies.push(body);
  }
  return { ambient, t, seed: scene.seed, happening, bodies };
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
  const { receiver } = sensor;
  const { min, max, combination } = surroundings[receiver.quantity];
  const join = joining[combination];
  let stimulus = atRest(sensor, now);
  const take = (value: number | undefined): void => {
    if (value !== undefined) stimulus = join(stimulus, value);
  };
  for (const { kind, moment } of now.happening) {
    take(given(stage, receiver, now.bodies, kind, moment));
  }
  for (const body of now.bodies) take(stimulusOfBody(body, receiver, stage.plan));
  for (const source of stage.sources) {
    take(received(stage, source, solved(source.part.id), receiver, now));
  }
  return Math.min(max, Math.max(min, stimulus * sensor.gain));
}

/** How one more cause joins what is felt already. */
const joining: Readonly<Record<Surrounding['combination'], (a: number, b: number) => number>> = {
  sum: (a, b) => a + b,
  power: Math.hypot,
  largest: Math.max,
  smallest: Math.min,
};

function atRest({ receiver }: Sensor, now: Now): number {
  const { ambient, t, seed } = now;
  switch (receiver.quantity) {
    case 'light':
      return daylightAt(ambient, t, seed) + lampAt(ambient, t);
    case 'infrared':
      return daylightAt(ambient, t, seed) * infraredPerLux * skyShare(receiver.halfAngle ?? 90);
    case 'temperature':
      return temperatureAt(ambient, t);
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
  const [origin] = moment.path;
  if (!value || kind.where !== 'point' || !origin || !seen.has(receiver.quantity)) return value;
  return walled(plan, origin, receiver.place)
    ? undefined
    : value * passing(bodies, origin, receiver);
}

/**
 * What comes of a source: of light the inverse square of the distance, and both cones: I·r(θ₁)·r(θ₂)/d²; of sound, which goes
 * around what stands between, its pressure as of a point source in the open: p/d.
 */
function received(
  { plan }: Stage,
  { emission, place, params }: Source,
  solved: SolvedPart | undefined,
  receiver: Receiver,
  { bodies }: Now,
): number | undefined {
  if (!solved || emission.quantity !== receiver.quantity) return undefined;
  const arriving = sightOf(receiver.place, place);
  const leaving = sightOf(place, receiver.place);
  const sent = emission.intensity(solved, params);
  if (emission.quantity === 'sound') return sent / arriving.distance;
  const direct =
    (sent *
      coneResponse(leaving, emission.halfAngle?.(params)) *
      coneResponse(arriving, receiver.halfAngle)) /
    arriving.distance ** 2;
  if (!(direct > 0) || walled(plan, place, receiver.place)) return undefined;
  return direct * passing(bodies, place, receiver);
}

/** Share of a sight line that gets past everything solid. */
function passing(bodies: readonly Body[], from: Point, to: Receiver): number {
  return bodies.reduce((share, body) => {
    const { distance, between: inside } = distanceToStretch(body, from, to.place);
    return inside ? share * (1 - shadedShare(distance, body.width / 2, to.radius)) : share;
  }, 1);
}
