import { check, gatherEvidence, isOpen, type Evidence, type Finding } from '../check/index.js';
import type { Design, Scene } from '../design/index.js';
import { changed, harmOf } from './attempt.js';
import { mending, together, type Candidate, type Cure } from './candidate.js';
import { meterShows } from './meter.js';

interface Look {
  evidence: Evidence;
  found: Finding[];
}

/** Changed designs looked at with their worst cases, each once. */
export class Looks {
  private readonly known = new Map<Candidate, Look>();
  private readonly mended = new Map<Candidate, Candidate | undefined>();

  constructor(
    private readonly design: Design,
    private readonly scene: Scene | undefined,
    private readonly before: Evidence,
    private readonly found: readonly Finding[],
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

  /** A change that harms nothing, if need be with the parts that it adds set otherwise; undefined where that does not do. */
  harmless(candidate: Candidate): Candidate | undefined {
    if (!this.mended.has(candidate)) this.mended.set(candidate, this.mend(candidate));
    return this.mended.get(candidate);
  }

  private mend(candidate: Candidate): Candidate | undefined {
    const harm = this.harm(candidate);
    if (harm?.length === 0) return candidate;
    const fixes = candidate.kind === 'mistake' && harm ? mending(candidate, harm) : undefined;
    const both = fixes && together(candidate, fixes);
    return both && this.harm(both)?.length === 0 ? both : undefined;
  }

  private harm(candidate: Candidate): Finding[] | undefined {
    const after = this.after(candidate);
    return after && harmOf(this.found, after.found);
  }

  /** Those of some findings that a change clears. */
  clearedBy(candidate: Candidate, findings: readonly Finding[]): Finding[] {
    const after = this.after(candidate)?.found ?? this.found;
    const remains = new Set(after.filter(isOpen).map((f) => f.id));
    return findings.filter((f) => !remains.has(f.id));
  }

  /** What a change clears, with what the meter tells at its place and that of the finding. */
  cure(candidate: Candidate, clears: number, { about }: Finding, local = false): Cure {
    const after = this.after(candidate)?.evidence ?? this.before;
    const parts = about.filter((id) => this.before.wiring.part(id));
    const meter = meterShows(this.before, after, [...candidate.about, ...parts]);
    const { kind, says, label, edit } = candidate;
    const shown = { kind, says, label, about: candidate.about, edit, clears };
    const more = { ...(meter === undefined ? {} : { meter }), ...(local ? { local } : {}) };
    return { ...shown, ...more };
  }
}
