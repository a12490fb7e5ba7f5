import type { Finding } from '../check/index.js';
import type { Design, Edit } from '../design/index.js';
import type { Attempt, Attempts } from './attempt.js';
import { mending, rankOf, together, type Candidate } from './candidate.js';
import { stages } from './candidates.js';
import type { Looks } from './looks.js';

/** After a change that clears something so many others are tried for it: one may fit as well. */
const others = 12;

/** Candidates tried one after the other, as far as they can still tell something. */
export class Trials {
  /** Those that clear something and harm nothing. */
  private readonly made: Attempt[] = [];
  /** Those that clear something, but bring something else. */
  readonly spoiled: Attempt[] = [];
  private readonly tried = new Map<string, Attempt | undefined>();
  /** So many more are tried for a finding that something has cleared. */
  private readonly more = new Map<string, number>();
  private readonly errors: readonly Finding[];

  /** @param most more than so many changes are not tried */
  constructor(
    private readonly design: Design,
    private readonly open: readonly Finding[],
    private readonly attempts: Attempts,
    private readonly looks: Looks,
    private readonly most: number,
  ) {
    this.errors = attempts.open.filter((f) => f.severity === 'error');
  }

  /**
   * Goes through the candidates, stage by stage: each that may clear something, until all is cleared by some change and others
   * have been tried besides, as one of them may fit as well.
   */
  all(): readonly Attempt[] {
    for (const stage of stages) {
      if (this.attempts.open.every((f) => this.more.has(f.id))) break;
      for (const candidate of stage(this.design, this.open)) {
        if (this.tried.size >= this.most) return this.made;
        this.one(candidate);
      }
    }
    return this.made;
  }

  private one(candidate: Candidate): void {
    const { made, tried, more } = this;
    const may = this.attempts.within(candidate);
    const wanted = may.filter((f) => more.get(f.id) !== 0);
    const change = asOne(candidate.edit);
    const same = tried.get(change);
    // What a rule proposes may be what was forgotten: as a mistake it tells more.
    if (same && same.candidate.kind !== candidate.kind) {
      made.push({ ...same, candidate });
      tried.set(change, undefined);
    }
    if (wanted.length === 0 || tried.has(change)) return;
    for (const { id } of wanted) {
      const left = more.get(id);
      if (left) more.set(id, left - 1);
    }
    if (made.some((attempt) => this.outdoes(attempt, candidate, may))) return;
    const attempt = this.helpful(candidate, wanted);
    tried.set(change, attempt?.candidate === candidate ? attempt : undefined);
    if (!attempt) return;
    made.push(attempt);
    for (const id of attempt.cleared) if (!more.has(id)) more.set(id, others);
  }

  /**
   * Whether a change can be left untried: another that is likelier clears all that this one may clear, and harms nothing in the
   * worst case either, so that it is always chosen before it.
   */
  private outdoes(
    { candidate, cleared }: Attempt,
    other: Candidate,
    may: readonly Finding[],
  ): boolean {
    // A guess is not chosen as long as it leaves an error: then what a rule proposes is.
    const all = candidate.kind === other.kind ? may : [...may, ...this.errors];
    return (
      rankOf(candidate) < rankOf(other) &&
      all.every((f) => cleared.has(f.id)) &&
      this.looks.harmless(candidate) === candidate &&
      this.looks.clearedBy(candidate, all).length === all.length
    );
  }

  /** An attempt that clears something and harms nothing, if need be together with what cures all that it brings to light. */
  private helpful(candidate: Candidate, wanted: readonly Finding[]): Attempt | undefined {
    const attempt = this.attempts.try(candidate, wanted);
    if (!attempt || attempt.harm.length === 0) return attempt;
    const fixes = mending(candidate, attempt.harm);
    const both = fixes && this.attempts.try(together(candidate, fixes), wanted);
    if (both?.harm.length === 0) return both;
    this.spoiled.push(attempt);
    return undefined;
  }
}

/** An edit in words that are the same for two that do the same: a wire has no direction, and its colour does not matter. */
function asOne(edit: Edit): string {
  const each = edit.type === 'batch' ? edit.edits : [edit];
  const said = each.map((e) =>
    e.type === 'add-wire' ? [e.wire.from, e.wire.to].sort().join(' ') : JSON.stringify(e),
  );
  return said.sort().join('\n');
}
