import type { Channel, Scene } from '@yurei/core/design';
import type { Rehearsal } from '@yurei/core/rehearsal';

/** Readings that belong together because the same thing was going on. */
export interface Group {
  name: string;
  kind: 'quiet' | 'wanted' | 'nuisance';
  counts: number[];
  low: number;
  high: number;
}

/** A happening is kept apart from rest for this long after it is felt, s. */
const margin = 0.5;

/**
 * Sorts a channel's readings of a rehearsal by what was felt when they were taken: each happening for
 * as long as it is felt, and rest.
 */
export function groupsOf(rehearsal: Rehearsal, scene: Scene, channel: string): Group[] {
  const { times = [], values = [] } = rehearsal.readings[channel] ?? {};
  const felt = rehearsal.verdicts.flatMap((v) => (v.exposure ? [{ ...v, ...v.exposure }] : []));
  const rest = values.filter((_, i) =>
    felt.every((v) => times[i] < v.start - margin || times[i] > v.end + margin),
  );
  const happenings = scene.happenings.flatMap((happening): Group[] => {
    const verdict = felt.find((v) => v.happening === happening.id);
    if (!verdict) return [];
    const counts = values.filter((_, i) => times[i] >= verdict.start && times[i] <= verdict.end);
    return counts.length > 0 ? [group(happening.name, happening.intent, counts)] : [];
  });
  return [...(rest.length > 0 ? [group('At rest', 'quiet', rest)] : []), ...happenings];
}

function group(name: string, kind: Group['kind'], counts: number[]): Group {
  const low = counts.reduce((a, b) => Math.min(a, b));
  const high = counts.reduce((a, b) => Math.max(a, b));
  return { name, kind, counts, low, high };
}

/** At most `most` of a list, evenly spread, with its first and last. */
export function thin<T>(list: readonly T[], most: number): T[] {
  if (list.length <= most) return [...list];
  return Array.from(
    { length: most },
    (_, i) => list[Math.round((i * (list.length - 1)) / (most - 1))],
  );
}

/** What a channel must tell apart, and how much room lies between. */
export interface Room {
  /** The quiet reading nearest to tripping. */
  quiet: number;
  /** The furthest reading of the wanted happening that goes least far. */
  wanted: number;
  /** The middle between the two. */
  middle: number;
}

/** The room between rest and what is wanted; undefined while either has no reading. */
export function roomBetween(groups: readonly Group[], trips: Channel['trips']): Room | undefined {
  const rests = groups.filter((g) => g.kind === 'quiet');
  const wanteds = groups.filter((g) => g.kind === 'wanted');
  if (rests.length === 0 || wanteds.length === 0) return undefined;
  const above = trips === 'above';
  const quiet = above
    ? Math.max(...rests.map((g) => g.high))
    : Math.min(...rests.map((g) => g.low));
  const wanted = above
    ? Math.min(...wanteds.map((g) => g.high))
    : Math.max(...wanteds.map((g) => g.low));
  return { quiet, wanted, middle: Math.round((quiet + wanted) / 2) };
}
