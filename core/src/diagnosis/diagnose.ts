import { check, gatherEvidence, isOpen, type Evidence, type Finding } from '../check/index.js';
import type { Design, Edit, Scene } from '../design/index.js';
import { Attempts, harmOf, type Attempt } from './attempt.js';
import { mending, together, type Candidate } from './candidate.js';
import { nearest, remedies, stages } from './candidates.js';
import { Looks } from './looks.js';
import { rootsOf, type Root } from './roots.js';

/** What is wrong with a design, roots first. */
export interface Diagnosis {
  roots: Root[];
  /** What is only worth knowing and can be mended without harm. */
  asides: Root[];
}

/** More than so many changes are not tried. */
const most = 150;
/** After a change that clears something so many others are tried for it: one may fit as well. */
const others = 12;

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
  const tried = attempts ? tryAll(design, open, attempts) : [];
  const looks = new Looks(design, scene, evidence, found);
  const worst = open.filter((f) => !attempts?.open.some((o) => o.id === f.id));
  const more = nearest(design, worst).flatMap((c) => tryWorst(found, worst, c, looks));
  return {
    roots: rootsOf(found, [...tried, ...more], looks),
    asides: asidesOf(found, looks),
  };
}

/**
 * Goes through the candidates, stage by stage: each that may clear something, until all is cleared by some change and others
 * have been tried besides, as one of them may fit as well.
 */
function tryAll(design: Design, open: readonly Finding[], attempts: Attempts): Attempt[] {
  const made: Attempt[] = [];
  const tried = new Map<string, Attempt | undefined>();
  /** So many more are tried for a finding that something has cleared. */
  const more = new Map<string, number>();
  for (const stage of stages) {
    if (attempts.open.every((f) => more.has(f.id))) break;
    for (const candidate of stage(design, open)) {
      const wanted = attempts.within(candidate).filter((f) => more.get(f.id) !== 0);
      const change = asOne(candidate.edit);
      const same = tried.get(change);
      // What a rule proposes may be what was forgotten: as a mistake it tells more.
      if (same && same.candidate.kind !== candidate.kind) {
        made.push({ ...same, candidate });
        tried.set(change, undefined);
      }
      if (wanted.length === 0 || tried.has(change)) continue;
      if (tried.size >= most) return made;
      for (const { id } of wanted) {
        const left = more.get(id);
        if (left) more.set(id, left - 1);
      }
      const attempt = helpful(attempts.try(candidate, wanted), (both) =>
        attempts.try(both, wanted),
      );
      tried.set(change, attempt?.candidate === candidate ? attempt : undefined);
      if (!attempt) continue;
      made.push(attempt);
      for (const id of attempt.cleared) if (!more.has(id)) more.set(id, others);
    }
  }
  return made;
}

/** An edit in words that are the same for two that do the same: a wire has no direction, and its colour does not matter. */
function asOne(edit: Edit): string {
  const each = edit.type === 'batch' ? edit.edits : [edit];
  const said = each.map((e) =>
    e.type === 'add-wire' ? [e.wire.from, e.wire.to].sort().join(' ') : JSON.stringify(e),
  );
  return said.sort().join('\n');
}

/** An attempt that clears something and harms nothing, if need be together with what cures all that it brings to light. */
function helpful(
  attempt: Attempt | undefined,
  again: (candidate: Candidate) => Attempt | undefined,
): Attempt | undefined {
  if (!attempt) return undefined;
  if (attempt.harm.length === 0) return attempt;
  const fixes = mending(attempt.candidate, attempt.harm);
  const both = fixes && again(together(attempt.candidate, fixes));
  return both?.harm.length === 0 ? both : undefined;
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
