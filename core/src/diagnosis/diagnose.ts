import { check, gatherEvidence, isOpen, type Evidence, type Finding } from '../check/index.js';
import type { Design, Scene } from '../design/index.js';
import { Attempts, harmOf, type Attempt } from './attempt.js';
import type { Candidate } from './candidate.js';
import { nearest, remedies } from './candidates.js';
import { Looks } from './looks.js';
import { rootsOf, type Root } from './roots.js';
import { Trials } from './trials.js';

/** What is wrong with a design, roots first. */
export interface Diagnosis {
  roots: Root[];
  /** What is only worth knowing and can be mended without harm. */
  asides: Root[];
}

/** Tries the usual slips and what rules propose, and sorts what was found into roots and what follows from them. */
export function diagnose(
  design: Design,
  scene: Scene | undefined,
  evidence: Evidence = gatherEvidence(design, scene),
): Diagnosis {
  const found = check(evidence);
  const open = found.filter(isOpen);
  const attempts =
    open.length > 0 ? new Attempts(design, scene, evidence.quiet.solution) : undefined;
  const looks = new Looks(design, scene, evidence, found);
  const tried = attempts ? new Trials(design, open, attempts, looks).all() : [];
  const worst = open.filter((f) => !attempts?.open.some((o) => o.id === f.id));
  const more = nearest(design, worst).flatMap((c) => tryWorst(found, worst, c, looks));
  return {
    roots: rootsOf(found, [...tried, ...more], looks),
    asides: asidesOf(found, looks),
  };
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
