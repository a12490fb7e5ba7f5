import type { Quantity } from '../../catalog/index.js';
import type { Place, Plan, RaisedPoint } from '../../design/index.js';
import { angularResponse } from '../angular-response.js';
import type { Receiver } from '../happening-kind.js';
import { coneResponse, sightOf, throughWalls, type Sight } from '../sight.js';
import { degrees, pressureAt, radians } from '../../quantity/index.js';
import type { Body } from './body.js';

/** CODATA 2022, W/(m²·K⁴). */
const stefanBoltzmann = 5.670374419e-8;
/** Rooms and gardens, K. */
const surfaceKelvin = 300;
const gravity = 9.80665;
/**
 * Two stages of a pyroelectric detector that pass no steady warmth, and the slowness of its element, Hz (from memory): with them
 * someone is noticed straight on from a third as far as across, 4 m for 12 m, as is told of such detectors (from memory).
 */
const pyroBand = { stages: 0.3, element: 10 } as const;
/** Speeds along the line of sight that a 10.5 GHz Doppler amplifier passes, m/s (from memory). */
const dopplerBand = [0.1, 3] as const;

/** What the excess of a body is told for, °C. */
const mildAir = 20;

/**
 * What a body's surface has over the air, K. Of someone warm by himself it falls in a straight line to nothing where the air is as
 * warm as skin.
 */
const excessIn = ({ excess, skin }: Body, air: number): number =>
  skin === undefined ? excess : (excess * (skin - air)) / (skin - mildAir);

/** First-order high-pass and low-pass in a row. */
const bandPass = (f: number, [low, high]: readonly [number, number]): number =>
  f <= 0 ? 0 : 1 / Math.sqrt((1 + (low / f) ** 2) * (1 + (f / high) ** 2));

/** What of warmth that alternates so fast, Hz, comes through a pyroelectric detector. */
const pyroPasses = (f: number): number =>
  f ** 2 / (f ** 2 + pyroBand.stages ** 2) / Math.sqrt(1 + (f / pyroBand.element) ** 2);

/** Parts of a body's velocity along and across the line of sight, m/s. */
function velocities(body: Body, sight: Sight): { along: number; across: number } {
  const turn = radians(body.heading - sight.bearing);
  const along = Math.abs(body.speed * Math.cos(turn));
  const across = Math.abs(body.speed * Math.sin(turn));
  // Seen from above, part of what comes nearer on the plan goes past.
  const past = along * Math.sqrt(Math.max(0, 1 - sight.level ** 2));
  return { along: along * sight.level, across: Math.hypot(across, past) };
}

/**
 * How fast the warmth on a detector alternates, Hz. Crossing, a body passes one pair of zones after the other. Coming straight at
 * it, what it sends in, as 1/d², grows by 2v/d of itself each second: v/(πd) as a frequency.
 */
function alternation(body: Body, receiver: Receiver, sight: Sight): number {
  const { along, across } = velocities(body, sight);
  const crossing = degrees(across / sight.distance) / (receiver.zone ?? 10);
  return Math.hypot(crossing, along / (Math.PI * sight.distance));
}

/** Warmth that alternates: the radiant exitance 4σT³·ΔT of the body through the solid angle of its area, as the band lets it by. */
function heat(body: Body, receiver: Receiver, sight: Sight, air: number): number {
  const exitance = 4 * stefanBoltzmann * surfaceKelvin ** 3 * Math.abs(excessIn(body, air));
  const share = (body.width * body.height) / (Math.PI * sight.distance ** 2);
  return exitance * Math.min(1, share) * pyroPasses(alternation(body, receiver, sight));
}

/** Amplitude of a moving radio echo, √σ/d² (radar equation), at the speed along the line of sight. */
const echo = (body: Body, _receiver: Receiver, sight: Sight): number =>
  (Math.sqrt(body.echo) / sight.distance ** 2) *
  bandPass(velocities(body, sight).along, dopplerBand);

/**
 * Irradiance that comes back per intensity sent: ρ·A/(π·(d² + s²)²) with as much of the body as the sent cone
 * meets, A = Ab·Ω·d²/(Ab + Ω·d²): 1/d² for a wall, 1/d⁴ for something small.
 */
export function reflection(
  area: number,
  reflectance: number,
  distance: number,
  halfAngle: number,
  spacing: number,
): number {
  const lit = 2 * Math.PI * (1 - Math.cos(radians(halfAngle))) * distance ** 2;
  const met = (area * lit) / (area + lit);
  return (reflectance * met) / (Math.PI * (distance ** 2 + spacing ** 2) ** 2);
}

type StimulusOfBody = (body: Body, receiver: Receiver, sight: Sight, air: number) => number;

const stimulus: Partial<Record<Quantity, StimulusOfBody>> = {
  heat: (body, receiver, sight, air) =>
    heat(body, receiver, sight, air) * coneResponse(sight, receiver.halfAngle),
  echo: (body, receiver, sight) =>
    echo(body, receiver, sight) * coneResponse(sight, receiver.halfAngle),
  reflection: (body, receiver, sight) =>
    reflection(
      body.width * body.height,
      body.reflectance,
      sight.distance,
      receiver.halfAngle ?? 30,
      receiver.radius,
    ) *
    coneResponse(sight, receiver.halfAngle) ** 2,
  force: (body, receiver, sight) =>
    sight.distance <= Math.max(receiver.radius, 0.01) ? body.mass * gravity : 0,
  vibration: (body, _receiver, sight) => body.footfall / Math.max(1, sight.distance),
  sound: (body, _receiver, sight) => pressureAt(body.loudness, sight.distance),
};

/** Whether a body by itself, or its shadow in a beam, can matter to a sense. */
export const bodyMatters = (quantity: Quantity): boolean =>
  quantity in stimulus || ['distance', 'light', 'infrared', 'carrier'].includes(quantity);

/**
 * What a receiver feels of a body by physics alone; undefined for what bodies have no part in or when
 * it stays beyond reach.
 *
 * @param air its temperature, °C
 */
export function stimulusOfBody(
  body: Body,
  receiver: Receiver,
  plan: Plan,
  air: number,
): number | undefined {
  const point = nearestOf(body, receiver.place);
  const sight = sightOf(receiver.place, point);
  if (sight.distance > (receiver.reach ?? Infinity)) return undefined;
  const value = openly(body, receiver, sight, air);
  // Walls are many, and mostly there is nothing to hold back.
  const left = value ? throughWalls(plan, receiver.place, point, receiver.quantity) : 1;
  return value === undefined || left === 0 ? undefined : value * left;
}

/** The part of something upright that is nearest in height. */
function nearestOf(body: Body, { z }: Place): RaisedPoint {
  if (z === undefined) return body;
  const { x, y, height, bottom = 0 } = body;
  return { x, y, z: Math.min(Math.max(z, bottom), bottom + height) };
}

/** The same where no wall is. */
function openly(body: Body, receiver: Receiver, sight: Sight, air: number): number | undefined {
  if (receiver.quantity !== 'distance')
    return stimulus[receiver.quantity]?.(body, receiver, sight, air);
  const inside = sight.angle <= (receiver.halfAngle ?? 180);
  return inside ? Math.max(0.01, sight.distance - (sight.level * body.width) / 2) : undefined;
}

/** Two ways to work out the same differ by rounding: what is surely below is so by a little. */
const sure = 1 - 1e-9;

/**
 * Whether a body by itself stays below a level, whichever way it goes and whatever stands between: it is too far away, too far
 * aside, or behind. Told of what falls with the square of the distance alone, and cheaply: it spares the whole look.
 */
export function staysBelow(body: Body, receiver: Receiver, level: number, air: number): boolean {
  const most = mostAtOne[receiver.quantity]?.(body, air);
  if (most === undefined) return false;
  const { x, y, z, facing } = receiver.place;
  const [dx, dy] = [body.x - x, body.y - y];
  const square = dx * dx + dy * dy;
  const surely = sure * level * square;
  if (most <= surely) return true;
  const { halfAngle } = receiver;
  if (halfAngle === undefined || z !== undefined || level < 0 || square === 0) return false;
  const ahead = dx * Math.cos(radians(facing)) + dy * Math.sin(radians(facing));
  if (ahead < 0) return true;
  const angle = degrees(Math.acos(Math.min(1, ahead / Math.sqrt(square))));
  return most * angularResponse(angle, halfAngle) <= surely;
}

/** The most that is felt of a body 1 m away, straight ahead and whichever way it goes. */
const mostAtOne: Partial<Record<Quantity, (body: Body, air: number) => number>> = {
  heat: (body, air) =>
    (4 *
      stefanBoltzmann *
      surfaceKelvin ** 3 *
      Math.abs(excessIn(body, air)) *
      body.width *
      body.height) /
    Math.PI,
  echo: (body) => Math.sqrt(body.echo),
};
