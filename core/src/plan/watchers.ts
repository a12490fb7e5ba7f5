import { kindOf, type SolvedPart } from '../catalog/index.js';
import { Circuit } from '../circuit/index.js';
import type { Design, Place, Scene } from '../design/index.js';
import { beyond, levelsAtRest } from '../logic/index.js';
import { SensorSweep } from '../rehearsal/index.js';
import { momentIn, setStage, staysBelow, stimulusOn, type Now } from '../scene/index.js';
import type { Presence } from './presence.js';

/** A sensor on the plan with what it takes to trip the channel that it is read by. */
export interface Watcher {
  channel: string;
  part: string;
  /** Where it stands. */
  place: Place;
  /** The same for sensors that notice the same. */
  alike: string;
  /** The same sensor in another place. */
  at(place: Place): Watcher;
  /** Whether what is there trips it at any of some looks, all else at rest. */
  notices(looks: readonly Presence[]): boolean;
  /**
   * Whether it is clear without looking that what is there is not noticed, whichever way it goes: nearly everything on a plan is too
   * far from nearly every sensor. False tells nothing.
   */
  isUnfelt(looks: readonly Presence[]): boolean;
  /** What is felt depends on which way something goes. */
  byHeading: boolean;
}

/** Felt of how something crosses or comes nearer. */
const goesByHeading: ReadonlySet<string> = new Set(['heat', 'echo']);

/** How finely a sensor is followed, and how often a switching point is halved then: to a thousandth of a step. */
const steps = 60;
const halvings = 10;

/** What is to be felt by a part for a channel to trip: more than that, or less. */
export interface TripPoint {
  channel: string;
  part: string;
  at: number;
  more: boolean;
}

/**
 * What it takes to trip each channel, read off the solved circuit: the same wherever the sensors stand.
 *
 * @param scene whose light and air they are in
 */
export function tripPoints(design: Design, scene: Scene): TripPoint[] {
  const stage = setStage(design);
  const still = restIn(scene);
  const solved = solvedAtRest(design);
  return stage.sensors.flatMap((sensor) => {
    const sweep = new SensorSweep(design, sensor.part);
    if (sweep.range?.quantity !== sensor.receiver.quantity) return [];
    return crossingsOf(design, sensor.part.id, sweep, stimulusOn(stage, sensor, still, solved));
  });
}

/**
 * The sensors of a design that stand somewhere and trip a channel by something that comes near. One that trips at rest notices
 * nothing.
 *
 * @param scene whose light and air they are in
 * @param points of the design, where they are known already
 */
export function watchersOf(
  design: Design,
  scene: Scene,
  points: readonly TripPoint[] = tripPoints(design, scene),
): Watcher[] {
  const stage = setStage(design);
  const still = restIn(scene);
  const momentsOf = asMoments(still);
  const solved = solvedAtRest(design);
  return stage.sensors.flatMap((sensor): Watcher[] => {
    const { part, receiver } = sensor;
    const { place } = part;
    if (!place || kindOf(part).senses?.quantities[0] !== receiver.quantity) return [];
    const own = points.filter((p) => p.part === part.id);
    const { place: _, recording: __, ...feels } = receiver;
    return [...new Set(own.map((p) => p.channel))].map((channel): Watcher => {
      const trips = own.filter((p) => p.channel === channel);
      const alike = JSON.stringify([part.kind, feels, trips.map(({ at }) => at.toPrecision(3))]);
      // Of one that trips by less than at rest nothing can be said so.
      const least = trips.every(({ more }) => more) ? Math.min(...trips.map((t) => t.at)) : -1;
      const placed = (at: Place): Watcher => {
        const there = { ...sensor, receiver: { ...receiver, place: at } };
        let rest: number | undefined;
        const unfelt = ({ bodies, happening, air }: Now, body = bodies[0]): boolean =>
          body !== undefined &&
          bodies.length === 1 &&
          happening.length === 0 &&
          staysBelow(body, there.receiver, least / sensor.gain, air) &&
          (rest ??= stimulusOn(stage, there, still, solved)) === 0;
        const isTripped = (now: Now): boolean => {
          const felt = stimulusOn(stage, there, now, solved);
          return trips.some((trip) => (trip.more ? felt > trip.at : felt < trip.at));
        };
        let restless: boolean | undefined;
        const isUnfelt: Watcher['isUnfelt'] = (looks) =>
          momentsOf(looks).every((now) => unfelt(now));
        return {
          ...{ channel, part: part.id, place: at, alike, at: placed, isUnfelt },
          byHeading: goesByHeading.has(receiver.quantity),
          notices: (looks) =>
            !isUnfelt(looks) &&
            !(restless ??= isTripped(still)) &&
            momentsOf(looks).some(isTripped),
        };
      };
      return placed(place);
    });
  });
}

/** Looks as moments in which all else is at rest: one watcher after the other is asked about the same. */
function asMoments(still: Now): (looks: readonly Presence[]) => Now[] {
  let last: { looks: readonly Presence[]; moments: Now[] } | undefined;
  return (looks) => {
    if (last?.looks !== looks)
      last = { looks, moments: looks.map((look) => ({ ...still, ...look })) };
    return last.moments;
  };
}

const restIn = (scene: Scene): Now => momentIn({ ...scene, happenings: [] }, 0);

/** What every part does with nothing there, solved once it is asked for. */
function solvedAtRest(design: Design): (part: string) => SolvedPart {
  let circuit: Circuit | undefined;
  return (part) => {
    if (!circuit) {
      circuit = new Circuit(design);
      circuit.solve();
    }
    return circuit.values(part).update();
  };
}

/** Where the channels begin to trip as one sensor feels more or less than at rest; nothing of one that is tripped at rest. */
function crossingsOf(design: Design, part: string, sweep: SensorSweep, felt: number): TripPoint[] {
  const values = sweep.values(steps);
  const [first = 0, last = 0] = [values[0], values.at(-1)];
  const rest = Math.min(last, Math.max(first, felt));
  const atRest = sweep.at(rest);
  const answers = answering(sweep, values, atRest);
  const read = values.map((value) => ({ value, counts: sweep.at(value, answers) }));
  return design.channels.flatMap(({ id, ...channel }) => {
    const counts = atRest.get(id);
    if (counts === undefined || !answers(id)) return [];
    const levels = levelsAtRest(channel, counts);
    const trips = (there: ReadonlyMap<string, number>): boolean =>
      levels.some((level) => beyond(level, there.get(id) ?? counts));
    if (trips(atRest)) return [];
    const isTripped = (value: number): boolean => trips(sweep.at(value, (c) => c === id));
    return [true, false].flatMap((more): TripPoint[] => {
      const way = (more ? read : [...read].reverse()).filter(({ value }) =>
        more ? value > rest : value < rest,
      );
      const place = way.findIndex((r) => trips(r.counts));
      const found = way[place];
      if (!found) return [];
      const clear = way[place - 1]?.value ?? rest;
      return [{ channel: id, part, more, at: halved(clear, found.value, isTripped) }];
    });
  });
}

/** Channels that read something else somewhere in a sensor's range: at its ends, or in the middle of it. */
function answering(
  sweep: SensorSweep,
  values: readonly number[],
  atRest: ReadonlyMap<string, number>,
): (channel: string) => boolean {
  const looks = [0, 0.25, 0.5, 0.75, 1].flatMap((share) => {
    const value = values[Math.round(share * (values.length - 1))];
    return value === undefined ? [] : [sweep.at(value)];
  });
  return (channel) => looks.some((read) => read.get(channel) !== atRest.get(channel));
}

/** Where something becomes so between a value at which it is not and one at which it is. */
function halved(isNot: number, isSo: number, is: (value: number) => boolean): number {
  let [clear, found] = [isNot, isSo];
  for (let i = 0; i < halvings; i++) {
    const middle = (clear + found) / 2;
    if (is(middle)) found = middle;
    else clear = middle;
  }
  return (clear + found) / 2;
}
