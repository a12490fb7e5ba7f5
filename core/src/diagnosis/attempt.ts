import {
  actuatorDead,
  check,
  isOpen,
  outputWithoutEffect,
  rules,
  contactAlone,
  terminalOpen,
  type Evidence,
  type Finding,
  type Severity,
} from '../check/index.js';
import type { Solution } from '../circuit/index.js';
import { applyEdit, EditError, type Design, type Edit, type Scene } from '../design/index.js';
import { branchOf, islandsOf, meet, type Islands } from '../wiring/index.js';
import { isWiring, mending, placesOf, type Candidate } from './candidate.js';
import { movedAt, movedIslands } from './moved.js';
import { Views, type Seen, type View } from './views.js';

/** As usual as a wire from a loose end to a supply. */
const tellingUse = 0.3;

/** What a candidate does to all that was found. */
export interface Attempt {
  candidate: Candidate;
  /** Ids of the findings that it clears. */
  cleared: ReadonlySet<string>;
  /** Findings that it brings, or makes worse. */
  harm: readonly Finding[];
  /** No volts move by it beyond the islands it is made on, in no state that was looked at. */
  local: boolean;
}

/** Weights of findings: one error counts more than all the cautions of a design. */
export const weights: Record<Severity, number> = {
  error: 100,
  caution: 1,
  note: 0.01,
  fine: 0,
  safety: 0,
  accepted: 0,
};

export const weightOf = ({ severity }: Finding): number => weights[severity];

/** A design with a change; undefined where that cannot be made. */
export function changed(design: Design, edit: Edit): Design | undefined {
  try {
    return applyEdit(design, edit);
  } catch (error) {
    if (error instanceof EditError) return undefined;
    throw error;
  }
}

/** What tells only that nothing is wired somewhere. */
const looseOnly = [terminalOpen.code, contactAlone.code];

/** A wire from a loose end to just anywhere clears that it is loose, and nothing else: that tells nothing. */
export const tellsNothing = (
  { kind, usual = 0 }: Candidate,
  cleared: readonly Finding[],
): boolean =>
  kind === 'mistake' && usual < tellingUse && cleared.every((f) => looseOnly.includes(f.code));

/** Changes tried on copies of a design. */
export class Attempts {
  /** What something has to be done about. */
  readonly open: readonly Finding[];
  private readonly views: Views;
  private readonly islands: Islands;

  /** @param standing how the circuit stands at rest */
  constructor(
    private readonly design: Design,
    scene: Scene | undefined,
    standing: Solution,
  ) {
    this.islands = islandsOf(design);
    this.views = new Views(design, scene, standing);
    this.open = this.views.base.found.filter(isOpen);
  }

  /** Of the open findings those that a change may clear: it is made on an island of theirs, or at what all share. */
  within(candidate: Candidate): Finding[] {
    const changes = this.islandsOf(candidate);
    return this.open.filter(({ about }) => meet(changes, this.islands.of(about)));
  }

  /**
   * Makes a change and looks at what is found there, as far as it can have to do with it.
   *
   * @param wanted the findings for which it is tried, of those that it may clear
   * @returns nothing for a change that cannot be made, or that clears none of them, or none that would tell anything
   */
  try(candidate: Candidate, wanted: readonly Finding[]): Attempt | undefined {
    const other = changed(this.design, candidate.edit);
    if (!other) return undefined;
    const asked = rules.filter((rule) => wanted.some((f) => f.code === rule.code));
    const seen = this.seenFrom(candidate, wanted);
    const moved = (evidence: Evidence): Seen => this.movedBy(candidate, evidence);
    const near = this.views.of(other, seen ? () => seen : moved);
    if (notIn(check(near.evidence, asked), wanted).length === 0) return undefined;
    if (tellsNothing(candidate, this.cleared(near))) return undefined;
    if (!seen) return this.attempt(candidate, near);
    if (!mending(candidate, this.harm(near))) return this.attempt(candidate, near);
    // What is changed at what all share may move readings elsewhere, though no volts.
    const own = this.islandsOf(candidate).size;
    return own > 0 && this.staysBeyond(seen, near.evidence)
      ? this.attempt(candidate, near, seen.size === own)
      : this.attempt(candidate, this.views.of(other, moved));
  }

  /** What a change came to, as far as it was looked at. */
  private attempt(candidate: Candidate, view: View, local = false): Attempt {
    const cleared = this.cleared(view);
    return {
      ...{ candidate, local },
      cleared: new Set(cleared.map((f) => f.id)),
      harm: [...this.harm(view), ...bypassed(view.design, cleared, view.found)],
    };
  }

  /** What is found no more, of what is on the islands seen or is found by looking no farther. */
  private cleared({ found, seen }: View): Finding[] {
    const before = new Set(this.views.before(seen).map((f) => f.id));
    const isTold = (f: Finding): boolean => before.has(f.id) || this.isOn(seen, f);
    return notIn(found, this.open.filter(isTold));
  }

  /** What is worse than before on the islands seen or at what all share, and not only because less is looked at. */
  private harm({ found, seen }: View): Finding[] {
    const harm = harmOf(this.views.base.found, found).filter(
      (f) => this.isShared(f) || this.isOn(seen, f),
    );
    return seen ? harmOf(this.views.before(seen), harm) : harm;
  }

  private isOn(seen: Seen, { about }: Finding): boolean {
    return !seen || [...this.islands.of(about)].some((island) => seen.has(island));
  }

  private isShared({ about }: Finding): boolean {
    return this.islands.of(about).size === 0;
  }

  /** Whether volts are beyond some islands what they were before a change: then what is found there is as well. */
  private staysBeyond(seen: ReadonlySet<string>, near: Evidence): boolean {
    return movedAt(this.design, this.views.base.evidence, near).every((ref) =>
      [...this.islands.of([ref])].some((island) => seen.has(island)),
    );
  }

  /** Where something has moved by a change or is changed; all where only that tells. */
  private movedBy(candidate: Candidate, evidence: Evidence): Seen {
    const { about, edit } = candidate;
    if (!isWiring(edit) && this.islandsOf(candidate).size === 0) return undefined;
    const places = [...about, ...placesOf(edit)];
    const seen = movedIslands(this.design, places, this.views.base.evidence, evidence);
    // What all share may be judged by what anything does in its range.
    const found = new Set(this.views.before(seen).map((f) => f.id));
    const isTold = (f: Finding): boolean => found.has(f.id);
    const isSeen = (f: Finding): boolean => this.isShared(f) || this.isOn(seen, f);
    return this.open.filter(isSeen).every(isTold) ? seen : undefined;
  }

  private islandsOf({ about, edit }: Candidate): Set<string> {
    return this.islands.of([...about, ...placesOf(edit)]);
  }

  /** The islands of a change and of findings; undefined where one of these is at what all share. */
  private seenFrom(candidate: Candidate, findings: readonly Finding[]): Seen {
    const told = findings.map((f) => this.islands.of(f.about));
    if (told.some((islands) => islands.size === 0)) return undefined;
    return new Set([this.islandsOf(candidate), ...told].flatMap((islands) => [...islands]));
  }
}

/** Those of some findings that something still has to be done about nowhere among others. */
const notIn = (others: readonly Finding[], findings: readonly Finding[]): Finding[] => {
  const left = new Set(others.filter(isOpen).map((f) => f.id));
  return findings.filter((f) => !left.has(f.id));
};

/** Outputs that go on switching nothing where something has come alive: it does so past them, unless what they reach is dead still. */
function bypassed(
  design: Design,
  cleared: readonly Finding[],
  after: readonly Finding[],
): Finding[] {
  if (!cleared.some((f) => f.code === actuatorDead.code)) return [];
  const dead = after.filter((f) => f.code === actuatorDead.code).flatMap((f) => f.about);
  const awaits = ({ about }: Finding): boolean =>
    design.outputs
      .filter((o) => about.includes(o.id))
      .some((o) => branchOf(design, o.pin).some((part) => dead.includes(part)));
  return after.filter((f) => f.code === outputWithoutEffect.code && !awaits(f));
}

/** What is worse afterwards than before: new findings, and those that have become more severe. */
export function harmOf(before: readonly Finding[], after: readonly Finding[]): Finding[] {
  const was = new Map(before.map((f) => [f.id, weightOf(f)]));
  return after.filter((f) => isOpen(f) && weightOf(f) > (was.get(f.id) ?? 0));
}
