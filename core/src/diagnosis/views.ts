import { check, gatherEvidence, type Evidence, type Finding } from '../check/index.js';
import type { Solution } from '../circuit/index.js';
import { once, type Design, type Scene } from '../design/index.js';
import { Rig } from '../rehearsal/index.js';
import { islandsOf } from '../wiring/index.js';

/** Names of islands; undefined for all of a design. */
export type Seen = ReadonlySet<string> | undefined;

/** A design, or one that was made of it by a change, as far as it is looked at. */
export interface View {
  design: Design;
  evidence: Evidence;
  /** What is found there. */
  readonly found: readonly Finding[];
  /** Where parts are tried through their ranges; the rest is told for all of it. */
  readonly seen: Seen;
}

/** A design and its changes, worst cases left out: that is enough to compare two, and much sooner there. */
export class Views {
  readonly base: View;
  private readonly partly = new Map<string, readonly Finding[]>();

  /** @param standing how the circuit stands at rest */
  constructor(
    private readonly design: Design,
    private readonly scene: Scene | undefined,
    private readonly standing: Solution,
  ) {
    this.base = this.of(design, () => undefined);
  }

  /** @param islands where parts are tried through their ranges; asked once all else is looked at */
  of(design: Design, islands: (evidence: Evidence) => Seen): View {
    const rig = new Rig(design, this.scene);
    rig.startNear(this.standing);
    const seen = once(() => islands(evidence));
    const only = (): ReadonlySet<string> | undefined => this.partsOn(design, seen());
    const evidence = gatherEvidence(design, this.scene, rig, { worst: false, only });
    const found = once(() => check(evidence));
    return {
      ...{ design, evidence },
      get found() {
        return found();
      },
      get seen() {
        return seen();
      },
    };
  }

  /** What is found in the design as it is by looking only so far. */
  before(seen: Seen): readonly Finding[] {
    if (!seen) return this.base.found;
    const key = JSON.stringify([...seen].sort());
    const found = this.partly.get(key) ?? check(this.baseOn(seen));
    this.partly.set(key, found);
    return found;
  }

  private baseOn(seen: Seen): Evidence {
    const { evidence } = this.base;
    const on = this.partsOn(this.design, seen);
    const sweeps = new Map([...evidence.sweeps].filter(([id]) => on?.has(id)));
    return { ...evidence, sweeps };
  }

  /** Ids of the parts on some islands, of what all share and of what a change adds. */
  private partsOn({ parts }: Design, seen: Seen): ReadonlySet<string> | undefined {
    if (!seen) return undefined;
    const islands = islandsOf(this.design);
    const on = islands.on(seen);
    const beyond = parts.map(({ id }) => id).filter((id) => islands.of([id]).size === 0);
    return new Set([...on, ...beyond]);
  }
}
