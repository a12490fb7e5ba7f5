import { kindOf, paramsOf, type Emission, type Params, type SolvedPart } from '../catalog/index.js';
import type { Design, Happening, Part, Place, Point, Scene } from '../design/index.js';
import { angleBetween, angularResponse, skyShare } from './angular-response.js';
import type { Receiver } from './happening-kind.js';
import { findHappeningKind, happeningParams } from './happenings.js';

/**
 * Infrared of 800–1000 nm that comes with a lux of daylight: about 170 W/m² of the 1000 W/m² and
 * 110 klx of the reference sun (ASTM G173 spectrum; shares from memory), W/m² per lx.
 */
const infraredPerLux = 170 / 110e3;

/** Where parts without a place are taken to stand. */
const nowhere: Place = { x: 0, y: 0, facing: 0 };

/** A sensor of a design, with what it takes to work out what it feels. */
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

/** The sensors and sources of a design, worked out once per design. */
export interface Stage {
  sensors: Sensor[];
  sources: Source[];
}

/** Finds the sensors and sources of a design. */
export function setStage(design: Design): Stage {
  const sensors = design.parts.flatMap((part): Sensor[] => {
    const { feels } = kindOf(part);
    if (!feels) return [];
    const params = paramsOf(part);
    const receiver: Receiver = {
      quantity: feels.quantity,
      place: part.place ?? nowhere,
      halfAngle: feels.halfAngle(params),
      radius: feels.radius(params),
    };
    return [{ part, receiver, gain: feels.gain(params) }];
  });
  const sources = design.parts.flatMap((part): Source[] => {
    const emission = kindOf(part).emits;
    const place = part.place ?? nowhere;
    return emission ? [{ part, params: paramsOf(part), place, emission }] : [];
  });
  return { sensors, sources };
}

/**
 * What a sensor feels at a moment: daylight, what the happenings add, and the sources in its sight as
 * far as nothing stands between; all through its cone and its lens.
 *
 * @param t seconds from the start of the scene
 * @param solved the emitters' last solved state: intensity follows their current
 * @returns in the unit of the sensor's kind
 */
export function feel(
  stage: Stage,
  sensor: Sensor,
  scene: Scene,
  t: number,
  solved: (part: string) => SolvedPart | undefined,
): number {
  const { receiver } = sensor;
  let sum = daylightAt(receiver, scene.ambient.daylight);
  for (const happening of scene.happenings) {
    const kind = findHappeningKind(happening.kind);
    sum += kind?.adds?.(happeningParams(happening), t - happening.start, receiver) ?? 0;
  }
  for (const source of stage.sources) {
    const part = solved(source.part.id);
    if (!part || source.emission.quantity !== receiver.quantity) continue;
    const direct = irradiance(source, part, receiver);
    if (direct > 0) sum += direct * passing(scene.happenings, t, source.place, receiver);
  }
  return sum * sensor.gain;
}

function daylightAt(receiver: Receiver, lux: number): number {
  return receiver.quantity === 'light' ? lux : lux * infraredPerLux * skyShare(receiver.halfAngle);
}

/** Inverse square of the distance, and both cones: I·r(θ₁)·r(θ₂)/d². */
function irradiance(source: Source, solved: SolvedPart, receiver: Receiver): number {
  const dx = receiver.place.x - source.place.x;
  const dy = receiver.place.y - source.place.y;
  const distance = Math.max(Math.hypot(dx, dy), 0.01);
  const heading = (Math.atan2(dy, dx) * 180) / Math.PI;
  const leaving = angleBetween(heading, source.place.facing);
  const arriving = angleBetween(heading + 180, receiver.place.facing);
  return (
    (source.emission.intensity(solved, source.params) *
      angularResponse(leaving, source.emission.halfAngle(source.params)) *
      angularResponse(arriving, receiver.halfAngle)) /
    distance ** 2
  );
}

/** Share of a sight line that gets past everything that happens. */
function passing(happenings: readonly Happening[], t: number, from: Point, to: Receiver): number {
  return happenings.reduce((share, h) => {
    const blocks = findHappeningKind(h.kind)?.blocks;
    return blocks ? share * (1 - blocks(h, happeningParams(h), t - h.start, from, to)) : share;
  }, 1);
}
