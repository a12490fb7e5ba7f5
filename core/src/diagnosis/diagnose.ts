import { check, gatherEvidence, isOpen, type Evidence, type Finding } from '../check/index.js';
import type { Design, Scene } from '../design/index.js';
import { Attempts, harmOf, type Attempt } from './attempt.js';
import type { Candidate } from './candidate.js';
import { nearest, remedies } from './candidates.js';
import { Looks } from './looks.js';
import { rootsOf, withoutGuesses, type Root } from './roots.js';
import { firstOfTwo, secondSlips } from './second-slips.js';
import { Trials } from './trials.js';

/** What is wrong with a design, roots first. */
export interface Diagnosis {
  roots: Root[];
  /** What is only worth knowing and can be mended without harm. */
  asides: Root[];
}

/** More than so many changes are not tried; where one of two mistakes is undone already, half as many. */
const most = { 1: 75, 2: 150 };

/** A diagnosis that counts on one mistake, and where that does not explain all what comes of counting on two. */
export interface FirstDiagnosis extends Diagnosis {
  /** Takes several times as long as what came before; undefined where there is nothing left to explain. */
  countOnTwo: (() => Diagnosis) | undefined;
}

/** Tries the usual slips and what rules propose, and sorts what was found into roots and what follows from them. */
export function diagnose(
  design: Design,
  scene: Scene | undefined,
  evidence: Evidence = gatherEvidence(design, scene),
): Diagnosis {
  const { countOnTwo, ...first } = diagnoseFirst(design, scene, evidence);
  return countOnTwo?.() ?? first;
}

/** The same as far as a single mistake explains it, which is known sooner. */
export function diagnoseFirst(
  design: Design,
  scene: Scene | undefined,
  evidence: Evidence = gatherEvidence(design, scene),
  mistakes: 1 | 2 = 2,
): FirstDiagnosis {
  const found = check(evidence);
  const open = found.filter(isOpen);
  const attempts =
    open.length > 0 ? new Attempts(design, scene, evidence.quiet.solution) : undefined;
  const looks = new Looks(design, scene, evidence, found);
  const trials = attempts && new Trials(design, open, attempts, looks, most[mistakes]);
  const tried = trials?.all() ?? [];
  const worst = open.filter((f) => !attempts?.open.some((o) => o.id === f.id));
  const more = nearest(design, worst).flatMap((c) => tryWorst(found, worst, c, looks));
  const made = [...tried, ...more];
  const one = rootsOf(found, made, looks);
  const asides = asidesOf(found, looks);
  if (one.isSure) return { roots: one.roots, asides, countOnTwo: undefined };
  const roots = one.roots.map(withoutGuesses);
  const countOnTwo = (): Diagnosis => ({ roots: rootsOfTwo(), asides });
  return { roots, asides, countOnTwo: trials && mistakes === 2 ? countOnTwo : undefined };

  /** What one mistake does not explain two may: guesses are told as far as they do. */
  function rootsOfTwo(): Root[] {
    if (!trials) return roots;
    const further = (other: Design): readonly Root[] =>
      diagnoseFirst(other, scene, undefined, 1).roots;
    const first = firstOfTwo(design, one.roots, further);
    if (first) return one.roots.map((root) => (root === first ? root : withoutGuesses(root)));
    const both = secondSlips(design, trials, attempts, further);
    const two = both.length > 0 ? rootsOf(found, [...made, ...both], looks) : one;
    return two.isSure ? two.roots : two.roots.map(withoutGuesses);
  }
}

/** What is only found in the worst case is tried with worst cases: that takes long, so only what is nearest. */
function tryWorst(
  found: readonly Finding[],
  worst: readonly Finding[],
  candidate: Candidate,
  looks: Looks,
): Attempt[] {
  const after = looks.after(candidate)?.found;
  if (!after) return [];
  const cleared = worst.filter((f) => !after.some((a) => a.id === f.id)).map((f) => f.id);
  const harm = harmOf(found, after);
  return cleared.length > 0 && harm.length === 0
    ? [{ candidate, cleared: new Set(cleared), harm, local: false }]
    : [];
}

/** Notes with what their rule proposes, where that harms nothing. */
function asidesOf(found: readonly Finding[], looks: Looks): Root[] {
  const notes = found.filter((f) => f.severity === 'note' && f.fix);
  const candidates = remedies(notes);
  return notes.flatMap((note, i): Root[] => {
    const candidate = candidates[i];
    if (!candidate) return [];
    const after = looks.after(candidate)?.found ?? found;
    const helps = !after.some((f) => f.id === note.id) && harmOf(found, after).length === 0;
    return helps ? [{ finding: note, effects: [], cures: [looks.cure(candidate, 1, note)] }] : [];
  });
}
