import type { SolvedPart } from '../catalog/index.js';
import {
  allStates,
  everyState,
  stresses,
  type Evidence,
  type State,
  type Sweep,
} from '../check/index.js';
import { beyond as passes, levelsAtRest } from '../logic/index.js';

/** A meter shows a difference from here on, V and A; a reading from here on, as a share of itself or of one count. */
const leastVolts = 0.05;
const leastAmps = 1e-3;
const leastShare = 0.02;

const differ = (a: number, b: number, least: number): boolean =>
  Math.abs(a - b) > Math.max(least, leastShare * Math.max(Math.abs(a), Math.abs(b)));

const sameKeys = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  a.size === b.size && [...a].every((k) => b.has(k));

/** What a meter shows at a part: volts between its first terminal and each other, and the current into each. */
function readings({ volts, amps }: SolvedPart): { volts: number[]; amps: number[] } {
  const at = Object.keys(amps);
  const [first = ''] = at;
  const from = volts[first] ?? 0;
  return { volts: at.map((t) => (volts[t] ?? 0) - from), amps: at.map((t) => amps[t] ?? 0) };
}

/** Whether a part stands otherwise; which way round a part with two terminals lies is not seen by itself. */
function standsOtherwise(one: SolvedPart, other: SolvedPart): boolean {
  const [a, b] = [readings(one), readings(other)];
  const size = a.amps.length === 2 ? Math.abs : (value: number): number => value;
  const differAt = (p: readonly number[], q: readonly number[], least: number): boolean =>
    p.length !== q.length || p.some((value, i) => differ(size(value), size(q[i] ?? NaN), least));
  return differAt(a.volts, b.volts, leastVolts) || differAt(a.amps, b.amps, leastAmps);
}

/** Whether a meter at any part, or anyone who looks on, can tell one state from another. */
function differs(a: State, b: State): boolean {
  if ((a.solution.method === 'none') !== (b.solution.method === 'none')) return true;
  if (!sameKeys(a.acting, b.acting)) return true;
  for (const [id, counts] of a.counts)
    if (differ(counts, b.counts.get(id) ?? NaN, 1) || !b.counts.has(id)) return true;
  return Object.entries(a.solution.parts).some(([id, part]) => {
    const other = b.solution.parts[id] as SolvedPart | undefined;
    return other !== undefined && standsOtherwise(part, other);
  });
}

/** Whether anything that is measured or seen differs in any state that is looked at. */
export function tellsApart(a: Evidence, b: Evidence): boolean {
  const [one, other] = [everyState(a), everyState(b)];
  return (
    one.length !== other.length ||
    one.some((state, i) => {
      const there = other[i];
      return !there || differs(state, there);
    })
  );
}

/**
 * In so many respects one does otherwise than the other: states in which it acts or answers otherwise, sensors to which it
 * answers otherwise at all, and ratings.
 */
export function distance(a: Evidence, b: Evidence): number {
  const differing = (one: readonly string[], other: readonly string[]): number =>
    one.filter((value, i) => value !== other[i]).length;
  const states = differing(...both(a, b, (e) => lookedAt(e).map((state) => doing(e, state))));
  const sweeps = differing(...both(a, b, (e) => inOrder(e).map((s) => all(e, s))));
  const [mine, yours] = [beyond(a), beyond(b)];
  const ratings = [...mine].filter((r) => !yours.has(r)).length;
  return states + sweeps + ratings + [...yours].filter((r) => !mine.has(r)).length;
}

const both = <T>(a: Evidence, b: Evidence, of: (e: Evidence) => T): [T, T] => [of(a), of(b)];

/** The sweeps by their parts, wherever these stand in the list: one that was put back stands last. */
const inOrder = ({ sweeps }: Evidence): Sweep[] =>
  [...sweeps].sort(([a], [b]) => (a < b ? -1 : 1)).flatMap(([, own]) => own);

const lookedAt = (e: Evidence): State[] => [...allStates(e), e.off, ...e.alone.values()];

/** All that is done in the course of a sweep, wherever in it. */
const all = (evidence: Evidence, { states }: Sweep): string =>
  [...new Set(states.flatMap((state) => doing(evidence, state).split(',')))].sort().join();

function doing({ design, quiet }: Evidence, { acting, counts }: State): string {
  const answers = design.channels.map((channel) => {
    const [now, rest] = [counts.get(channel.id), quiet.counts.get(channel.id)];
    if (now === undefined || rest === undefined) return '?';
    return `${channel.id} ${levelsAtRest(channel, rest).some((l) => passes(l, now))}`;
  });
  return [...[...acting].sort(), ...answers].join();
}

/** Ratings that are exceeded. */
const beyond = (evidence: Evidence): Set<string> =>
  new Set(
    stresses(evidence)
      .filter((s) => s.share > 1)
      .map((s) => `${s.part.id} ${s.label}`),
  );
