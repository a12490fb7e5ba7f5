import {
  byWeight,
  check,
  gatherEvidence,
  terminalOpen,
  rules,
  type Evidence,
  type Finding,
  type Fix,
} from '../check/index.js';
import type { Solution } from '../circuit/index.js';
import { splitRef, type Design, type Edit, type Scene } from '../design/index.js';
import { changesOf, placesOf, type Candidate, type Cure } from './candidate.js';
import { nearest, remedies, stages } from './candidates.js';
import { meterShows } from './meter.js';
import {
  changed,
  findIn,
  harmOf,
  isOpen,
  tryOut,
  weightOf,
  weights,
  type Attempt,
} from './attempt.js';

/** Something wrong, with all that follows from it. */
export interface Root {
  finding: Finding;
  /** What is found besides and goes with it. */
  effects: Finding[];
  /** Changes that clear it and harm nothing, the likeliest first; none where there is nothing to choose between many by. */
  cures: Cure[];
}

/** What is wrong with a design, roots first. */
export interface Diagnosis {
  roots: Root[];
  /** What is only worth knowing and can be mended without harm. */
  asides: Root[];
}

/** More than so many changes are not tried. */
const most = 300;
/** After a change that clears everything so many others are tried: one may fit as well. */
const others = 12;
/** As usual as a wire from a loose end to a supply. */
const tellingUse = 0.3;
/** Of more changes that fit alike than this none is likely. */
const mostAlike = 4;

/** Tries the usual slips and what rules propose, and sorts what was found into roots and what follows from them. */
export function diagnose(
  design: Design,
  scene: Scene | undefined,
  evidence: Evidence = gatherEvidence(design, scene),
): Diagnosis {
  const found = check(evidence);
  const open = found.filter(isOpen);
  const near = evidence.quiet.solution;
  const before = open.length > 0 ? findIn(design, scene, near) : [];
  const attempts = before.some(isOpen) ? tryAll(design, scene, open, before, near) : [];
  const looks = new Looks(design, scene, evidence);
  const worst = open.filter((f) => !before.some((b) => b.id === f.id));
  const more = nearest(design, worst).flatMap((c) => tryWorst(found, worst, c, looks));
  const roots = rootsOf(found, [...attempts, ...more], looks);
  return { roots: bySeverity(roots), asides: asidesOf(found, looks) };
}

/** Goes through the candidates, stage by stage, until all is cleared and some more have been tried besides. */
function tryAll(
  design: Design,
  scene: Scene | undefined,
  open: readonly Finding[],
  before: readonly Finding[],
  near: Solution,
): Attempt[] {
  const attempts: Attempt[] = [];
  let tried = 0;
  let enough = Infinity;
  for (const stage of stages) {
    if (enough < Infinity) break;
    for (const candidate of stage(design, open)) {
      if (tried >= Math.min(enough, most)) return attempts;
      tried += 1;
      const attempt = helpful(tryOut(design, scene, before, candidate, near), (more) =>
        tryOut(design, scene, before, more, near),
      );
      if (!attempt) continue;
      attempts.push(attempt);
      if (leftBy(attempt, before).length === 0) enough = Math.min(enough, tried + others);
    }
  }
  return attempts;
}

/** An attempt that clears something and harms nothing, if need be together with what cures all that it brings to light. */
function helpful(
  attempt: Attempt | undefined,
  again: (candidate: Candidate) => Attempt | undefined,
): Attempt | undefined {
  if (!attempt) return undefined;
  if (attempt.harm.length === 0) return attempt;
  const { candidate, harm } = attempt;
  const fixes = harm.flatMap((f) => f.fix ?? []);
  if (candidate.kind !== 'remedy' || fixes.length < harm.length) return undefined;
  const both = again(together(candidate, fixes));
  return both?.harm.length === 0 ? both : undefined;
}

/** A remedy and what it makes necessary, as one change. */
function together(candidate: Candidate, fixes: readonly Fix[]): Candidate {
  const label = [candidate.label, ...fixes.map((f) => f.label)].join(', and ');
  const edit: Edit = { type: 'batch', label, edits: [candidate.edit, ...fixes.map((f) => f.edit)] };
  return { ...candidate, label, edit, about: placesOf(edit) };
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
    ? [{ candidate, cleared: new Set(cleared), harm }]
    : [];
}

/** A root counts by the worst that follows from it. */
const bySeverity = (roots: readonly Root[]): Root[] => {
  const worst = ({ finding, effects }: Root): Finding => gravest(finding, effects);
  return [...roots].sort((a, b) => byWeight(worst(a), worst(b)));
};

const gravest = (first: Finding, others: readonly Finding[]): Finding =>
  others.reduce((a, b) => (byWeight(b, a) < 0 ? b : a), first);

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

interface Look {
  evidence: Evidence;
  found: Finding[];
}

/** Changed designs looked at with their worst cases, each once. */
class Looks {
  private readonly known = new Map<Candidate, Look>();

  constructor(
    private readonly design: Design,
    private readonly scene: Scene | undefined,
    private readonly before: Evidence,
  ) {}

  /** @returns nothing for a change that cannot be made */
  after(candidate: Candidate): Look | undefined {
    const known = this.known.get(candidate);
    if (known) return known;
    const design = changed(this.design, candidate.edit);
    if (!design) return undefined;
    const evidence = gatherEvidence(design, this.scene);
    const look = { evidence, found: check(evidence) };
    this.known.set(candidate, look);
    return look;
  }

  /** What a change clears, with what the meter tells at its place and that of the finding. */
  cure(candidate: Candidate, clears: number, { about }: Finding): Cure {
    const after = this.after(candidate)?.evidence ?? this.before;
    const parts = about.filter((id) => this.before.wiring.part(id));
    const meter = meterShows(this.before, after, [...candidate.about, ...parts]);
    return { ...candidate, clears, ...(meter === undefined ? {} : { meter }) };
  }
}

/** What a change does not clear. */
const leftBy = ({ cleared }: Attempt, findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => isOpen(f) && !cleared.has(f.id));

/** What an attempt clears of what is left, by weight. */
const worth = (attempt: Attempt, left: readonly Finding[]): number =>
  left.filter((f) => attempt.cleared.has(f.id)).reduce((sum, f) => sum + weightOf(f), 0);

/** Roots one after the other: the change that clears most of what is left tells the next. */
function rootsOf(found: readonly Finding[], attempts: readonly Attempt[], looks: Looks): Root[] {
  const isHarmless = (candidate: Candidate): boolean => {
    const after = looks.after(candidate);
    return after !== undefined && harmOf(found, after.found).length === 0;
  };
  // What is cleared for certain: worst cases are only looked at for changes that are chosen.
  const clearedBy = (candidate: Candidate): Finding[] => {
    const remains = new Set(
      looks
        .after(candidate)
        ?.found.filter(isOpen)
        .map((f) => f.id),
    );
    return left.filter((f) => !remains.has(f.id));
  };
  const roots: Root[] = [];
  let left = found.filter(isOpen);
  for (;;) {
    const useful = attempts
      .filter((t) => isLikely(t, left))
      .sort((a, b) => worth(b, left) - worth(a, left) || rank(a) - rank(b));
    const best = useful.find(
      ({ candidate }) => isHarmless(candidate) && clearedBy(candidate).length > 0,
    );
    if (!best) break;
    const gone = clearedBy(best.candidate);
    const [first, ...effects] = rootFirst(gone, best.candidate);
    if (!first) break;
    const finding = asSevereAs(first, effects);
    const alike = useful.filter(
      (t) => worth(t, left) === worth(best, left) && rank(t) === rank(best),
    );
    const others = alike.filter((t) => t.candidate.label !== best.candidate.label);
    const apart = [...new Map(others.map((t) => [t.candidate.label, t])).values()];
    const fit = apart.length >= mostAlike ? [] : [best, ...apart];
    const cures = fit
      .filter((t) => isHarmless(t.candidate))
      .map((t) => looks.cure(t.candidate, gone.length, finding));
    roots.push({ finding, effects, cures });
    left = left.filter((f) => !gone.includes(f));
  }
  // What nothing clears stands for itself. As long as an error is among it, guesses about the rest are doubtful.
  const sure = !left.some((f) => f.severity === 'error');
  const told = sure ? roots : roots.map(withoutGuesses);
  return [...told, ...left.map((finding) => ({ finding, effects: [], cures: [] }))];
}

const withoutGuesses = (root: Root): Root => ({
  ...root,
  cures: root.cures.filter((c) => c.kind === 'remedy'),
});

/** A wire from a loose end to just anywhere clears that it is loose, and nothing else: that tells nothing. */
const isIdle = ({ candidate, cleared }: Attempt, left: readonly Finding[]): boolean =>
  candidate.kind === 'mistake' &&
  (candidate.usual ?? 0) < tellingUse &&
  left.every((f) => !cleared.has(f.id) || f.code === terminalOpen.code);

/** A guess has to clear an error, as long as there is one: what only tidies up beside it may be wrong. */
function isLikely(attempt: Attempt, left: readonly Finding[]): boolean {
  const clears = worth(attempt, left);
  if (isIdle(attempt, left)) return false;
  const severe = left.some((f) => f.severity === 'error');
  return clears > 0 && (attempt.candidate.kind === 'remedy' || !severe || clears >= weights.error);
}

/** A cause is as severe as the worst of what is sure to follow from it, else of what may. */
function asSevereAs(finding: Finding, effects: readonly Finding[]): Finding {
  const [first, ...others] = [finding, ...effects].filter((f) => f.severity === 'error');
  const { severity, consequence } = first ? gravest(first, others) : gravest(finding, effects);
  return { ...finding, severity, consequence };
}

/** One slip is one change, however many wires it moves; what rules propose counts by its changes. */
const rank = ({ candidate: { kind, edit, usual = 0 } }: Attempt): number =>
  (kind === 'mistake' ? 1 : 0.5 + changesOf(edit)) - usual;

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
