import {
  actuatorDead,
  check,
  gatherEvidence,
  isOpen,
  outputWithoutEffect,
  rules,
  contactAlone,
  terminalOpen,
  type Evidence,
  type Finding,
  type Severity,
  type State,
} from '../check/index.js';
import { kindOf } from '../catalog/index.js';
import { voltsAt, type Solution } from '../circuit/index.js';
import { Rig } from '../rehearsal/index.js';
import {
  applyEdit,
  EditError,
  terminalRef,
  type Design,
  type Edit,
  type Scene,
} from '../design/index.js';
import { branchOf, islandsOf, meet, type Islands } from '../wiring/index.js';
import { mending, placesOf, type Candidate } from './candidate.js';

/** As usual as a wire from a loose end to a supply. */
const tellingUse = 0.3;

/** No island in particular: all of a design is looked at. */
const everywhere: ReadonlySet<string> = new Set();

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

/** Changes tried on copies of a design, worst cases left out: that is enough to compare two, and much sooner there. */
export class Attempts {
  /** What something has to be done about. */
  readonly open: readonly Finding[];
  private readonly base: Evidence;
  private readonly before: readonly Finding[];
  private readonly islands: Islands;

  /** @param standing how the circuit stands at rest */
  constructor(
    private readonly design: Design,
    private readonly scene: Scene | undefined,
    private readonly standing: Solution,
  ) {
    this.islands = islandsOf(design);
    this.base = this.look(design, everywhere);
    this.before = check(this.base);
    this.open = this.before.filter(isOpen);
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
    const near = this.look(other, seen);
    const gone = notIn(check(near, asked), wanted);
    if (gone.length === 0) return undefined;
    const after = check(near);
    if (tellsNothing(candidate, notIn(after, this.within(candidate)))) return undefined;
    if (seen.size === 0) return this.attempt(candidate, other, after, seen);
    if (!mending(candidate, this.harm(after, seen))) return undefined;
    // What is changed at what all share may move readings elsewhere, though no volts.
    const isShared = this.islandsOf(candidate).size === 0;
    if (!isShared && this.staysBeyond(seen, near))
      return this.attempt(candidate, other, after, seen);
    return this.attempt(candidate, other, check(this.look(other, everywhere)), everywhere);
  }

  /** What a change came to, as far as it was looked at. */
  private attempt(
    candidate: Candidate,
    other: Design,
    after: readonly Finding[],
    seen: ReadonlySet<string>,
  ): Attempt {
    const told = ({ about }: Finding): boolean =>
      seen.size === 0 || [...this.islands.of(about)].some((island) => seen.has(island));
    const cleared = notIn(after, this.open).filter(told);
    return {
      candidate,
      local: seen.size > 0 && seen.size === this.islandsOf(candidate).size,
      cleared: new Set(cleared.map((f) => f.id)),
      harm: [...this.harm(after, seen), ...bypassed(other, cleared, after)],
    };
  }

  private harm(after: readonly Finding[], seen: ReadonlySet<string>): Finding[] {
    return harmOf(this.before, after).filter((f) => meet(seen, this.islands.of(f.about)));
  }

  /** Whether volts are beyond some islands what they were before a change: then what is found there is as well. */
  private staysBeyond(seen: ReadonlySet<string>, near: Evidence): boolean {
    const refs = this.design.parts
      .flatMap((part) => kindOf(part).terminals.map(({ id }) => terminalRef(part.id, id)))
      .filter((ref) => ![...this.islands.of([ref])].some((island) => seen.has(island)));
    return inPairs(this.base, near).every(([was, is]) =>
      refs.every((ref) => isAlike(voltsAt(was.solution, ref), voltsAt(is.solution, ref))),
    );
  }

  private look(design: Design, islands: ReadonlySet<string>): Evidence {
    const rig = new Rig(design, this.scene);
    rig.startNear(this.standing);
    const known = new Set(this.design.parts.map((p) => p.id));
    const added = design.parts.filter(({ id }) => !known.has(id)).map((p) => p.id);
    const only = islands.size > 0 ? { only: new Set([...this.islands.on(islands), ...added]) } : {};
    return gatherEvidence(design, this.scene, rig, { worst: false, ...only });
  }

  private islandsOf({ about, edit }: Candidate): Set<string> {
    return this.islands.of([...about, ...placesOf(edit)]);
  }

  /** The islands of a change and of findings; everywhere where one of these is at what all share. */
  private seenFrom(candidate: Candidate, findings: readonly Finding[]): ReadonlySet<string> {
    const told = findings.map((f) => this.islands.of(f.about));
    if (told.some((islands) => islands.size === 0)) return everywhere;
    return new Set([this.islandsOf(candidate), ...told].flatMap((islands) => [...islands]));
  }
}

/** The states that are looked at of two designs, each of one with that of the other. */
function inPairs(one: Evidence, other: Evidence): (readonly [State, State])[] {
  const states = ({ quiet, off, fired, happening, alone }: Evidence): State[] => [
    ...[quiet, off, fired],
    ...happening,
    ...alone.values(),
  ];
  const others = states(other);
  return states(one).flatMap((state, i) => (others[i] ? [[state, others[i]] as const] : []));
}

/** Less than this, as a share of itself and in V, is no difference for what rules find. */
const slight = { share: 5e-3, volts: 5e-3 };

const isAlike = (a = 0, b = 0): boolean =>
  Math.abs(a - b) <= slight.volts + slight.share * Math.abs(a);

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
