import { check, gatherEvidence, isOpen, type Evidence } from '../check/index.js';
import { applyEdit, splitRef, type Design, type Edit, type Scene } from '../design/index.js';
import type { Slip } from '../slip/index.js';
import type { Cure } from './candidate.js';
import { diagnose } from './diagnose.js';
import type { Root } from './roots.js';
import { distance, tellsApart } from './tells-apart.js';

/** What came of one slip made in a sound design. */
export interface Scored {
  /** What it changes: nothing that a meter or an onlooker tells, only values, or what the design does. */
  changes: 'nothing' | 'values' | 'doing';
  /** Something is found that is not found without it. */
  found: boolean;
  /** The first root, or the mistake it names, is at the place where the slip was made. */
  placed: boolean;
  /** The first cure leaves nothing to find, and the design does what it did. */
  cured: boolean;
  /** Cures that take the design farther from what it did. */
  harmful: number;
  /** The first root and its first cure, in words. */
  says: string;
}

/** A sound design with what is known of it. */
export interface Sound {
  design: Design;
  scene: Scene | undefined;
  evidence: Evidence;
  /** Ids of what is wrong in it as it is. */
  known: ReadonlySet<string>;
}

export function soundDesign(design: Design): Sound {
  const [scene] = design.scenes;
  const evidence = gatherEvidence(design, scene);
  return {
    design,
    scene,
    evidence,
    known: new Set(
      check(evidence)
        .filter(isOpen)
        .map((f) => f.id),
    ),
  };
}

/** A part with more terminals than this is a place only by its terminals. */
const mostTerminals = 6;

/** Whether two lists of places have one in common: terminals, or the same small part. */
function meet(design: Design, a: readonly string[], b: readonly string[]): boolean {
  const small = (place: string): string[] => {
    const { part } = splitRef(place);
    const terminals = new Set(
      design.wires.flatMap((w) => [w.from, w.to]).filter((ref) => splitRef(ref).part === part),
    );
    return terminals.size > mostTerminals ? [place] : [place, part];
  };
  const places = new Set(a.flatMap(small));
  return b.flatMap(small).some((place) => places.has(place));
}

/** What a cure makes of a design; a part that it puts where one was left out goes by that one's id, and stands in its place. */
function inItsPlace(sound: Design, bad: Design, edit: Edit): Design {
  const gone = sound.parts.find((p) => !bad.parts.some((q) => q.id === p.id));
  const added = applyEdit(bad, edit).parts.filter((p) => !bad.parts.some((q) => q.id === p.id));
  const put = added.find((p) => p.kind === gone?.kind);
  if (!gone || !put) return applyEdit(bad, edit);
  const as = JSON.stringify(edit)
    .replaceAll(`"${put.id}"`, `"${gone.id}"`)
    .replaceAll(`"${put.id}.`, `"${gone.id}.`);
  const cured = applyEdit(bad, JSON.parse(as) as Edit);
  const { id, place } = gone;
  return place && put.place ? applyEdit(cured, { type: 'place-part', id, place }) : cured;
}

/** Makes a slip and looks at what is said of it. */
export function scoreSlip(sound: Sound, slip: Slip): Scored {
  const { design, scene, known } = sound;
  const bad = applyEdit(design, slip.edit);
  const evidence = gatherEvidence(bad, scene);
  const apart = tellsApart(sound.evidence, evidence);
  const before = distance(sound.evidence, evidence);
  const { roots } = diagnose(bad, scene, evidence);
  const [root] = roots.filter((r) => !known.has(r.finding.id)) as (Root | undefined)[];
  const cure = root?.cures.at(0);
  const after = (c: Cure): Evidence => gatherEvidence(inItsPlace(design, bad, c.edit), scene);
  const far = (c: Cure): number => distance(sound.evidence, after(c));
  const clean = (c: Cure): boolean =>
    check(after(c)).every((f) => !isOpen(f) || known.has(f.id)) && far(c) === 0;
  return {
    changes: !apart ? 'nothing' : before === 0 ? 'values' : 'doing',
    found: root !== undefined,
    placed:
      root !== undefined &&
      meet(design, slip.about, [...root.finding.about, ...(cure?.about ?? [])]),
    cured: cure !== undefined && clean(cure),
    harmful: roots.flatMap((r) => r.cures).filter((c) => far(c) > before).length,
    says: root ? `${root.finding.title} → ${cure?.label ?? 'no cure'}` : 'nothing found',
  };
}
