import { channelReader, highReading } from '../catalog/index.js';
import type { Channel, Design, Scene } from '../design/index.js';
import {
  readingGroup,
  readingGroups,
  roomBetween,
  type ReadingGroup,
  type Rehearsal,
} from '../rehearsal/index.js';

/** A scene and what came of it. */
export interface Played {
  scene: Scene;
  rehearsal: Rehearsal;
}

/** Less room than this is none, counts. */
const leastRoom = 2;
/** What must not set it off is clear of what must be noticed by at least this share of the way from rest. */
const clearShare = 0.1;
/** How much of the room between rest and what must be noticed the hysteresis takes, and how many standard deviations of noise. */
const hysteresisShare = 1 / 5;
const noiseWidths = 6;
/** What was felt may still be seen in readings for so long before it, s: they overlap. */
const before = 0.1;

/**
 * What a channel read: at rest, which is before anything was felt, as what comes after may last; and while each thing was
 * felt.
 */
export function groupsIn(played: readonly Played[], channel: string): ReadingGroup[] {
  const rest = played.flatMap(({ rehearsal: { readings, verdicts } }) => {
    const { times, values } = readings[channel] ?? { times: [], values: [] };
    const felt = Math.min(...verdicts.flatMap((v) => v.exposure?.start ?? []));
    return values.filter((_, i) => (times[i] ?? NaN) < felt - before);
  });
  const others = played.flatMap(({ scene, rehearsal }) =>
    readingGroups(rehearsal, scene, channel).filter((g) => g.kind !== 'quiet'),
  );
  return [...(rest.length > 0 ? [readingGroup('At rest', 'quiet', rest)] : []), ...others];
}

/**
 * The line in the middle between rest and what must be noticed; where what must not set it off lies clear of that, between
 * the two.
 *
 * @param noise standard deviation of a reading by itself, counts
 * @returns undefined where the noise would cross any line between the two
 */
export function lineBetween(
  groups: readonly ReadingGroup[],
  noise: number,
): Pick<Channel, 'trips' | 'threshold' | 'hysteresis'> | undefined {
  const calm = groups.map((g) => (g.kind === 'nuisance' ? { ...g, kind: 'quiet' as const } : g));
  const least = Math.ceil(noiseWidths * noise);
  for (const trips of ['above', 'below'] as const) {
    const [room, clear] = [roomBetween(groups, trips), roomBetween(calm, trips)];
    if (!room || room.width < Math.max(leastRoom, 2 * least)) continue;
    const apart = clear && clear.width >= Math.max(clearShare * room.width, 2 * least);
    const taken = apart ? clear : room;
    const share = Math.round(taken.width * hysteresisShare);
    return { trips, threshold: taken.middle, hysteresis: Math.max(1, least, share) };
  }
  return undefined;
}

/** A channel with the line that its readings give it. */
export function withLine(design: Design, channel: Channel, played: readonly Played[]): Channel {
  const reader = channelReader(design, channel.pin);
  const groups = groupsIn(played, channel.id);
  if (reader?.by === 'level') return { ...channel, ...levelFrom(groups) };
  return { ...channel, ...(lineBetween(groups, reader?.noise ?? 0) ?? beyondRest(groups)) };
}

/** Of what is only high or low: the level that it does not have at rest. */
function levelFrom(groups: readonly ReadingGroup[]): Partial<Channel> {
  const rest = groups.find((g) => g.kind === 'quiet');
  const trips = rest && rest.mean > highReading / 2 ? 'below' : 'above';
  return { trips, threshold: highReading / 2, hysteresis: highReading / 5 };
}

/** Where nothing stands out from rest: a line that rest alone does not reach. */
function beyondRest(groups: readonly ReadingGroup[]): Partial<Channel> {
  const rest = groups.find((g) => g.kind === 'quiet');
  if (!rest) return {};
  const beyond = Math.ceil(Math.max(noiseWidths * rest.sd, leastRoom));
  return {
    trips: 'above',
    threshold: Math.round(rest.high) + beyond,
    hysteresis: Math.max(1, Math.round(beyond / 2)),
  };
}
