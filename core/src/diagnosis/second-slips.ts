import type { Finding } from '../check/index.js';
import type { Design } from '../design/index.js';
import { changed, weightOf, type Attempt, type Attempts } from './attempt.js';
import { rankOf, together, type Candidate } from './candidate.js';
import type { Root } from './roots.js';
import type { Trials } from './trials.js';

/** Only what is as likely as one usual slip is taken for one of two. */
const likely = 1;
/** Of changes that bring something else to light so many are gone into. */
const mostFirst = 3;

/**
 * The root whose guess explains most, if one more mistake then explains all that is left: it is no worse a guess for what that
 * other mistake leaves.
 *
 * @param further the roots of a changed design
 */
export function firstOfTwo(
  design: Design,
  roots: readonly Root[],
  further: (design: Design) => readonly Root[],
): Root | undefined {
  const [root] = roots
    .filter(({ cures: [cure] }) => cure?.kind === 'mistake')
    .sort((a, b) => b.effects.length - a.effects.length);
  const other = root?.cures[0] && changed(design, root.cures[0].edit);
  const left = other && further(other).filter((r) => r.finding.severity === 'error');
  return left && left.length <= 1 && left.every((r) => r.cures.length > 0) ? root : undefined;
}

/**
 * Where nothing by itself cures an error, there may be two mistakes: what undoes one brings the other to light. Changes that
 * clear more than they bring are made, and what is then found is gone into once more.
 *
 * @param trials of it, with what they spoiled
 * @param further the roots of a changed design
 * @returns attempts at two changes at once that harm nothing
 */
export function secondSlips(
  design: Design,
  { spoiled }: Trials,
  attempts: Attempts,
  further: (design: Design) => readonly Root[],
): Attempt[] {
  const gains = (attempt: Attempt): number => gainOf(attempt, attempts.open);
  const first = spoiled
    .filter((attempt) => gains(attempt) > 0 && rankOf(attempt.candidate) < likely)
    .sort((a, b) => gains(b) - gains(a) || rankOf(a.candidate) - rankOf(b.candidate))
    .slice(0, mostFirst);
  return first.flatMap(({ candidate, harm }): Attempt[] => {
    const other = changed(design, candidate.edit);
    const both = other && withSecond(candidate, harm, further(other));
    const attempt = both && attempts.try(both, attempts.within(both));
    return attempt?.harm.length === 0 ? [attempt] : [];
  });
}

/** What an attempt clears less what it brings, by weight. */
function gainOf({ cleared, harm }: Attempt, open: readonly Finding[]): number {
  const sum = (findings: readonly Finding[]): number =>
    findings.reduce((total, f) => total + weightOf(f), 0);
  return sum(open.filter((f) => cleared.has(f.id))) - sum(harm);
}

/** A change with the likeliest cure of each root of what it brings to light; undefined where one of these has none. */
function withSecond(
  candidate: Candidate,
  harm: readonly Finding[],
  roots: readonly Root[],
): Candidate | undefined {
  const brought = new Set(harm.map((f) => f.id));
  const theirs = roots.filter(({ finding, effects }) =>
    [finding, ...effects].some((f) => brought.has(f.id)),
  );
  const cures = theirs.flatMap(({ cures: [cure] }) => cure ?? []);
  const isLikely = cures.every((c) => c.kind === 'mistake' && rankOf(c) <= likely);
  if (cures.length === 0 || cures.length < theirs.length || !isLikely) return undefined;
  const says = [candidate.says, ...cures.map((c) => c.says)].join(', and ');
  return { ...together(candidate, cures), says };
}
