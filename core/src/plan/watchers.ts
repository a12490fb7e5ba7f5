import type { SolvedPart } from '../catalog/index.js';
import { Circuit } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { beyond, levelsAtRest } from '../logic/index.js';
import { SensorSweep } from '../rehearsal/index.js';
import { momentIn, setStage, stimulusOn, type Body, type Now } from '../scene/index.js';

/** A sensor on the plan with what it takes to trip the channel that it is read by. */
export interface Watcher {
  channel: string;
  part: string;
  /** Whether a body where it is trips it, all else at rest. */
  notices(body: Body): boolean;
  /** What is felt depends on which way the body goes. */
  byHeading: boolean;
}

/** Felt of how something crosses or comes nearer. */
const goesByHeading: ReadonlySet<string> = new Set(['heat', 'echo']);

/** How finely a sensor is followed, and how often a switching point is halved then: to a thousandth of a step. */
const steps = 60;
const halvings = 10;

/**
 * The sensors of a design that stand somewhere and trip a channel by something that comes near: each by what it takes in the
 * solved circuit. One that trips at rest notices nothing.
 *
 * @param scene whose light and air they are in
 */
export function watchersOf(design: Design, scene: Scene): Watcher[] {
  const stage = setStage(design);
  const still = momentIn({ ...scene, happenings: [] }, 0);
  const circuit = new Circuit(design);
  circuit.solve();
  const solved = (part: string): SolvedPart => circuit.values(part).update();
  return stage.sensors.flatMap((sensor): Watcher[] => {
    const { part, receiver } = sensor;
    const sweep = new SensorSweep(design, part);
    if (!part.place || sweep.range?.quantity !== receiver.quantity) return [];
    const feels = (now: Now): number => stimulusOn(stage, sensor, now, solved);
    const crossings = crossingsOf(design, sweep, feels(still));
    return design.channels.flatMap(({ id }): Watcher[] => {
      const own = crossings.filter((c) => c.channel === id);
      if (own.length === 0) return [];
      return [
        {
          ...{ channel: id, part: part.id },
          byHeading: goesByHeading.has(receiver.quantity),
          notices: (body) => {
            const felt = feels({ ...still, bodies: [body] });
            return own.some(({ at, more }) => (more ? felt > at : felt < at));
          },
        },
      ];
    });
  });
}

/** What is to be felt for a channel to trip: more than that, or less. */
interface Crossing {
  channel: string;
  at: number;
  more: boolean;
}

/** Where the channels begin to trip as one sensor feels more or less than at rest; nothing of one that is tripped at rest. */
function crossingsOf(design: Design, sweep: SensorSweep, felt: number): Crossing[] {
  const values = sweep.values(steps);
  const [first = 0, last = 0] = [values[0], values.at(-1)];
  const rest = Math.min(last, Math.max(first, felt));
  const atRest = sweep.at(rest);
  const read = values.map((value) => ({ value, counts: sweep.at(value) }));
  return design.channels.flatMap(({ id, ...channel }) => {
    const counts = atRest.get(id);
    if (counts === undefined) return [];
    const levels = levelsAtRest(channel, counts);
    const trips = (there: ReadonlyMap<string, number>): boolean =>
      levels.some((level) => beyond(level, there.get(id) ?? counts));
    if (trips(atRest)) return [];
    return [true, false].flatMap((more): Crossing[] => {
      const way = read.filter(({ value }) => (more ? value > rest : value < rest));
      const [near] = (more ? way : way.reverse()).filter((r) => trips(r.counts));
      if (!near) return [];
      const clear = [...way, { value: rest }].filter(({ value }) =>
        more ? value < near.value : value > near.value,
      );
      const from = more
        ? Math.max(...clear.map((c) => c.value))
        : Math.min(...clear.map((c) => c.value));
      return [{ channel: id, more, at: halved(from, near.value, (v) => trips(sweep.at(v))) }];
    });
  });
}

/** Where something becomes so between a value at which it is not and one at which it is. */
function halved(not: number, so: number, is: (value: number) => boolean): number {
  for (let i = 0; i < halvings; i++) {
    const middle = (not + so) / 2;
    if (is(middle)) so = middle;
    else not = middle;
  }
  return (not + so) / 2;
}
