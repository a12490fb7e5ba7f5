import { byWeight, isOpen, rules, type Finding } from '../check/index.js';
import { splitRef } from '../design/index.js';
import { tellsNothing, weightOf, weights, type Attempt } from './attempt.js';
import { rankOf, type Candidate, type Cure } from './candidate.js';
import type { Looks } from './looks.js';

/** Something wrong, with all that follows from it. */
export interface Root {
  finding: Finding;
  /** What is found besides and goes with it. */
  effects: Finding[];
  /** Changes that clear it and harm nothing, the likeliest first; none where there is nothing to choose between many by. */
  cures: Cure[];
}

/** Of more changes that fit alike than this none is likely. */
const mostAlike = 4;

/**
 * Roots one after the other: the change that clears most of what is left tells the next.
 *
 * @returns the roots, and whether nothing that is wrong is left without a cure: guesses are doubtful else, see `withoutGuesses`
 */
export function rootsOf(
  found: readonly Finding[],
  attempts: readonly Attempt[],
  looks: Looks,
): { roots: Root[]; isSure: boolean } {
  const roots: Root[] = [];
  let left = found.filter(isOpen);
  for (;;) {
    const next = nextRoot(left, attempts, looks);
    if (!next) break;
    roots.push(next.root);
    left = left.filter((f) => !next.gone.includes(f));
  }
  // What nothing clears stands for itself.
  const alone = left.map((finding) => ({ finding, effects: [], cures: [] }));
  return {
    roots: bySeverity([...roots, ...alone]),
    isSure: !left.some((f) => f.severity === 'error'),
  };
}

/** What the change that clears most tells of; worst cases are only looked at for changes that are chosen. */
function nextRoot(
  left: readonly Finding[],
  attempts: readonly Attempt[],
  looks: Looks,
): { root: Root; gone: readonly Finding[] } | undefined {
  const useful = attempts
    .filter((t) => isLikely(t, left))
    .sort((a, b) => worth(b, left) - worth(a, left) || rank(a) - rank(b));
  for (const best of useful) {
    const candidate = looks.harmless(best.candidate);
    const gone = candidate ? looks.clearedBy(candidate, left) : [];
    const [first, ...effects] = rootFirst(gone, best.candidate);
    if (!first) continue;
    const finding = asSevereAs(first, effects);
    const cures = alike(best, useful, left).flatMap((t) => {
      const c = looks.harmless(t.candidate);
      return c ? [looks.cure(c, gone.length, finding, t.local && c === t.candidate)] : [];
    });
    return { root: { finding, effects, cures }, gone };
  }
  return undefined;
}

/** The change that clears most and others that do as well; none where there are too many. */
function alike(best: Attempt, useful: readonly Attempt[], left: readonly Finding[]): Attempt[] {
  const { label } = best.candidate;
  const fit = useful.filter(
    (t) =>
      t.candidate.label !== label && worth(t, left) === worth(best, left) && rank(t) === rank(best),
  );
  const apart = [...new Map(fit.map((t) => [t.candidate.label, t])).values()];
  return apart.length >= mostAlike ? [] : [best, ...apart];
}

/** What an attempt clears of what is left, by weight. */
const worth = (attempt: Attempt, left: readonly Finding[]): number =>
  left.filter((f) => attempt.cleared.has(f.id)).reduce((sum, f) => sum + weightOf(f), 0);

/** A root with what rules propose alone. */
export const withoutGuesses = (root: Root): Root => ({
  ...root,
  cures: root.cures.filter((c) => c.kind === 'remedy'),
});

/** A root counts by the worst that follows from it. */
const bySeverity = (roots: readonly Root[]): Root[] => {
  const worst = ({ finding, effects }: Root): Finding => gravest(finding, effects);
  return [...roots].sort((a, b) => byWeight(worst(a), worst(b)));
};

const gravest = (first: Finding, others: readonly Finding[]): Finding =>
  others.reduce((a, b) => (byWeight(b, a) < 0 ? b : a), first);

/** A guess has to clear an error, as long as there is one: what only tidies up beside it may be wrong. */
function isLikely(attempt: Attempt, left: readonly Finding[]): boolean {
  const clears = worth(attempt, left);
  const cleared = left.filter((f) => attempt.cleared.has(f.id));
  if (tellsNothing(attempt.candidate, cleared)) return false;
  const severe = left.some((f) => f.severity === 'error');
  return clears > 0 && (attempt.candidate.kind === 'remedy' || !severe || clears >= weights.error);
}

/** A cause is as severe as the worst of what is sure to follow from it, else of what may. */
function asSevereAs(finding: Finding, effects: readonly Finding[]): Finding {
  const [first, ...others] = [finding, ...effects].filter((f) => f.severity === 'error');
  const { severity, consequence } = first ? gravest(first, others) : gravest(finding, effects);
  return { ...finding, severity, consequence };
}

const rank = ({ candidate }: Attempt): number => rankOf(candidate);

/**
 * What tells of the cause before what follows from it: what is wrong with the wiring at the place of the cure, in the order of
 * the rules, from what keeps a circuit from working at all; then what is worst.
 */
function rootFirst(gone: readonly Finding[], { about }: Candidate): Finding[] {
  const places = new Set([...about, ...about.map((place) => splitRef(place).part)]);
  const far = (f: Finding): number => (f.about.some((place) => places.has(place)) ? 0 : 1);
  const wired = (f: Finding): number => (f.concern === 'wiring' ? far(f) : 1);
  return [...gone].sort(
    (a, b) =>
      wired(a) - wired(b) ||
      (wired(a) === 0 ? orderOf(a) - orderOf(b) : 0) ||
      weightOf(b) - weightOf(a) ||
      far(a) - far(b) ||
      orderOf(a) - orderOf(b),
  );
}

const codes = rules.map((r) => r.code);
const orderOf = ({ code }: Finding): number => codes.indexOf(code);
