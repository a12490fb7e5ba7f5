import { channelReader } from '../catalog/index.js';
import {
  applyEdit,
  type Channel,
  type Design,
  type Edit,
  type Happening,
  type Scene,
} from '../design/index.js';
import { rehearse, wentWrong, type Path } from '../rehearsal/index.js';
import { happeningSpan } from '../scene/index.js';
import { arrangePins, boardsOf } from '../wiring/index.js';
import { withLine, type Played } from './line.js';

/** A channel as it does best, with what else it takes, and how it then does. */
export interface Tuned {
  edit: Edit;
  design: Design;
  channel: Channel;
  played: Played[];
}

/** Readings while what must be noticed is felt, and how often a sensor is read at most, s. */
const readingsMeanwhile = 10;
const fastest = 0.005;
/** A scene has at most so many of them: long ones are read more slowly, or none would be done in time. */
const mostReadings = 30_000;
/** At least so often, s: what lasts no minute may come in pulses, and not in step with whole seconds. */
const slowest = { brief: 0.3, lasting: 1 };
const lasting = 60;

/**
 * Sets a channel so that what must be noticed is, as far as it can be: where it is read, its line, how many readings in a
 * row it takes, and whether it reads on an edge what is too short to be read in passing. All is sought on the settled
 * circuit and then rehearsed in time; what goes wrong there is sought once more among what was read in time. The first
 * that does all right is taken, else the one with fewest mistakes.
 *
 * @param design with a rule that follows a channel of that id
 * @param channels the same channel, read from one terminal or another: at least one
 * @param every how often it is read, s; by how long what must be noticed is felt where it is left out
 */
export function tune(
  design: Design,
  channels: readonly [Channel, ...Channel[]],
  scenes: readonly Scene[],
  every?: number,
): Tuned {
  const settled = best(channels.map((c) => () => settledBest(design, c, scenes, every)));
  // What is not felt is not noticed in any way.
  if (!isFelt(settled.played)) return settled;
  const again = (edit: Edit) => () => tried(design, edit, settled.channel.id, scenes, 'time');
  const inTime = again(settled.edit)();
  if (mistakesIn(inTime.played) === 0) return inTime;
  const relined = withLine(design, settled.channel, inTime.played);
  const others = settings(design, { ...relined, hits: usualHits }).filter(
    (edit) => JSON.stringify(edit) !== JSON.stringify(settled.edit),
  );
  return best([() => inTime, ...others.map(again)]);
}

/** Readings in a row that must agree, as long as fewer are not better. */
const usualHits = 3;

/** The best way to read a terminal, by the settled circuit. */
function settledBest(
  design: Design,
  at: Channel,
  scenes: readonly Scene[],
  every: number | undefined,
): Tuned {
  const { channel, played } = paced(design, at, scenes, every);
  const lined = withLine(design, channel, played);
  const ways = isFelt(played) ? settings(design, lined) : [put(lined)];
  return best(ways.map((edit) => () => tried(design, edit, channel.id, scenes, 'fast')));
}

/** The first without a mistake, else the one with fewest; what stands after that is not tried. */
function best(tries: readonly (() => Tuned)[]): Tuned {
  let found: { tuned: Tuned; mistakes: number } | undefined;
  for (const next of tries) {
    const tuned = next();
    const mistakes = mistakesIn(tuned.played);
    if (!found || mistakes < found.mistakes) found = { tuned, mistakes };
    if (mistakes === 0) break;
  }
  if (!found) throw new RangeError('There is nothing to try.');
  return found.tuned;
}

const put = (channel: Channel): Edit => ({ type: 'put-channel', channel });

function tried(
  design: Design,
  edit: Edit,
  id: string,
  scenes: readonly Scene[],
  path: Path,
): Tuned {
  const done = applyEdit(design, edit);
  const channel = done.channels.find((c) => c.id === id);
  if (!channel) throw new RangeError(`There is no channel ${id}.`);
  return { edit, design: done, channel, played: play(done, scenes, path) };
}

const play = (design: Design, scenes: readonly Scene[], path: Path): Played[] =>
  scenes.map((scene) => ({ scene, rehearsal: rehearse(design, scene, undefined, path) }));

const mistakesIn = (played: readonly Played[]): number =>
  played.reduce(
    (sum, { rehearsal: { verdicts, spurious } }) =>
      sum + verdicts.filter((v) => wentWrong(v.outcome)).length + Math.min(1, spurious.length),
    0,
  );

const isWanted = ({ intent }: { intent: Happening['intent'] }): boolean => intent === 'wanted';

const isFelt = (played: readonly Played[]): boolean =>
  played.some(({ rehearsal }) => rehearsal.verdicts.some((v) => isWanted(v) && v.exposure));

/** A channel that reads what must be noticed several times while it is felt, and what it reads. */
function paced(
  design: Design,
  at: Channel,
  scenes: readonly Scene[],
  every: number | undefined,
): { channel: Channel; played: Played[] } {
  const spans = scenes.flatMap(({ happenings }) => happenings.filter(isWanted).map(happeningSpan));
  const longest = Math.max(...scenes.map((s) => s.duration));
  // In whole milliseconds.
  const least = Math.max(fastest, Math.ceil((1000 * longest) / mostReadings) / 1000);
  const first = { ...at, hits: usualHits, every: every ?? paceFor(spans, least) };
  const played = play(applyEdit(design, put(first)), scenes, 'fast');
  const felt = played.flatMap(({ rehearsal }) =>
    rehearsal.verdicts.filter(isWanted).flatMap((v) => v.exposure ?? []),
  );
  const needed = paceFor(felt, least);
  if (every !== undefined || needed >= first.every) return { channel: first, played };
  const channel = { ...first, every: needed };
  return { channel, played: play(applyEdit(design, put(channel)), scenes, 'fast') };
}

function paceFor(spans: readonly { start: number; end: number }[], least: number): number {
  const shortest = Math.min(...spans.map(({ start, end }) => end - start));
  const most = shortest > lasting ? slowest.lasting : slowest.brief;
  const pace = Number(Math.min(most, shortest / readingsMeanwhile).toPrecision(2));
  return Math.max(least, pace);
}

/** What there is to try of a channel: the plain way first. */
function settings(design: Design, channel: Channel): Edit[] {
  const once = { ...channel, hits: 1 };
  const byLevel = channelReader(design, channel.pin)?.by === 'level';
  return [put(channel), put(once), ...(byLevel ? [onEdge(design, once)] : [])];
}

/** Remembers an edge between two readings, at a pin that can interrupt. */
function onEdge(design: Design, channel: Channel): Edit {
  const edge = channel.trips === 'above' ? 'rising' : 'falling';
  const set = put({ ...channel, edge, remembers: true });
  const done = applyEdit(design, set);
  const moves = boardsOf(done).map((board) => arrangePins(done, board).edit);
  return { type: 'batch', label: 'read on an edge', edits: [set, ...moves] };
}
