import type { SolvedPart } from '../catalog/index.js';
import { Circuit } from '../circuit/index.js';
import type { Channel, Design, Scene } from '../design/index.js';
import { beyond, levelsAtRest } from '../logic/index.js';
import { countsAt, responseOf, stimulusAt, type Response } from '../rehearsal/index.js';
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

/** The response is followed in so many steps: a switching point is known to a hundredth. */
const steps = 400;

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
  return design.channels.flatMap((channel) =>
    stage.sensors.flatMap((sensor): Watcher[] => {
      const { part, receiver } = sensor;
      const response = part.place && responseOf(design, channel.id, part, steps);
      if (!response || response.quantity !== receiver.quantity) return [];
      const feels = (now: Now): number => stimulusOn(stage, sensor, now, solved);
      const trips = tripsFrom(channel, response, feels(still));
      if (!trips) return [];
      return [
        {
          channel: channel.id,
          part: part.id,
          byHeading: goesByHeading.has(receiver.quantity),
          notices: (body) => trips(feels({ ...still, bodies: [body] })),
        },
      ];
    }),
  );
}

/** Whether something felt trips a channel; undefined where nothing does, or it is tripped at rest. */
function tripsFrom(
  channel: Channel,
  response: Response,
  atRest: number,
): ((stimulus: number) => boolean) | undefined {
  const { points } = response;
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return undefined;
  const within = Math.min(last.stimulus, Math.max(first.stimulus, atRest));
  const rest = countsAt(response, within);
  if (rest === undefined) return undefined;
  const levels = levelsAtRest(channel, rest);
  if (levels.some((level) => beyond(level, rest))) return undefined;
  const crossings = levels.flatMap(({ trip }) => {
    const crossing = stimulusAt(response, trip);
    return crossing === undefined ? [] : [{ crossing, more: crossing > atRest }];
  });
  if (crossings.length === 0) return undefined;
  return (stimulus) =>
    crossings.some(({ crossing, more }) => (more ? stimulus > crossing : stimulus < crossing));
}
