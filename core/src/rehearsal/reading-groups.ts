import type { Channel, Happening, Scene } from '../design/index.js';
import { spreadOf, type Spread } from '../quantity/index.js';
import type { Rehearsal } from './rehearsal.js';
import { emptyTrace } from './traces.js';

/** Readings that belong together because the same thing was going on. */
export interface ReadingGroup extends Spread {
  name: string;
  kind: 'quiet' | Happening['intent'];
  counts: readonly number[];
}

/** A happening is kept apart from rest for this long before and after it is felt, s. */
const margin = 0.5;

/** A group of at least one reading. */
export const readingGroup = (
  name: string,
  kind: ReadingGroup['kind'],
  counts: readonly number[],
): ReadingGroup => ({ name, kind, counts, ...spreadOf(counts) });

/**
 * Sorts a channel's readings of a rehearsal by what was felt when they were taken: rest first, then each happening for
 * as long as it is felt. A happening that is never felt, or never read, has no group.
 */
export function readingGroups(
  { readings, verdicts }: Pick<Rehearsal, 'readings' | 'verdicts'>,
  scene: Pick<Scene, 'happenings'>,
  channel: string,
): ReadingGroup[] {
  const { times, values } = readings[channel] ?? emptyTrace();
  const points = values.map((value, i) => ({ value, t: times[i] ?? NaN }));
  const exposed = verdicts.flatMap((v) => (v.exposure ? [{ ...v, ...v.exposure }] : []));
  const rest = points
    .filter(({ t }) => exposed.every((v) => t < v.start - margin || t > v.end + margin))
    .map(({ value }) => value);
  const happenings = scene.happenings.flatMap((happening): ReadingGroup[] => {
    const verdict = exposed.find((v) => v.happening === happening.id);
    if (!verdict) return [];
    const counts = points
      .filter(({ t }) => t >= verdict.start && t <= verdict.end)
      .map(({ value }) => value);
    return counts.length > 0 ? [readingGroup(happening.name, happening.intent, counts)] : [];
  });
  return [...(rest.length > 0 ? [readingGroup('At rest', 'quiet', rest)] : []), ...happenings];
}

/** What a channel must tell apart, and how much room lies between. */
export interface Room {
  /** The quiet reading nearest to tripping, counts. */
  quiet: number;
  /** The furthest reading of the wanted happening that goes least far, counts. */
  wanted: number;
  /** How far what is wanted goes beyond what is quiet, counts; none or less where no line lies between. */
  width: number;
  /** The middle between the two, whole counts. */
  middle: number;
}

/** The room between rest and what is wanted; undefined while either has no reading. */
export function roomBetween(
  groups: readonly Pick<ReadingGroup, 'kind' | 'low' | 'high'>[],
  trips: Channel['trips'],
): Room | undefined {
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
  const width = above ? wanted - quiet : quiet - wanted;
  return { quiet, wanted, width, middle: Math.round((quiet + wanted) / 2) };
}
