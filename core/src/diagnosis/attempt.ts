import {
  actuatorDead,
  check,
  gatherEvidence,
  outputWithoutEffect,
  rules,
  type Evidence,
  type Finding,
  type Severity,
} from '../check/index.js';
import type { Solution } from '../circuit/index.js';
import { Rig } from '../rehearsal/index.js';
import { applyEdit, EditError, type Design, type Edit, type Scene } from '../design/index.js';
import { branchOf } from '../wiring/index.js';
import type { Candidate } from './candidate.js';

/** What a candidate does to all that was found. */
export interface Attempt {
  candidate: Candidate;
  /** Ids of the findings that it clears. */
  cleared: ReadonlySet<string>;
  /** Findings that it brings, or makes worse. */
  harm: readonly Finding[];
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

/** Whether a finding is one that something has to be done about. */
export const isOpen = (finding: Finding): boolean => weightOf(finding) >= 1;

/** What is found in a design, worst cases left out: enough to compare two, and much sooner there. */
export const findIn = (design: Design, scene: Scene | undefined, near: Solution): Finding[] =>
  check(evidenceNear(design, scene, near));

function evidenceNear(design: Design, scene: Scene | undefined, near: Solution): Evidence {
  const rig = new Rig(design, scene);
  rig.startNear(near);
  return gatherEvidence(design, scene, rig, false);
}

/** A design with a change; undefined where that cannot be made. */
export function changed(design: Design, edit: Edit): Design | undefined {
  try {
    return applyEdit(design, edit);
  } catch (error) {
    if (error instanceof EditError) return undefined;
    throw error;
  }
}

/**
 * Makes a change on a copy and looks at all that is found there.
 *
 * @param before what `findIn` finds without the change
 * @param near how the circuit stands without it
 * @returns nothing for a change that cannot be made, or that clears nothing
 */
export function tryOut(
  design: Design,
  scene: Scene | undefined,
  before: readonly Finding[],
  candidate: Candidate,
  near: Solution,
): Attempt | undefined {
  const other = changed(design, candidate.edit);
  if (!other) return undefined;
  const open = before.filter(isOpen);
  const evidence = evidenceNear(other, scene, near);
  const asked = rules.filter((rule) => open.some((f) => f.code === rule.code));
  const left = new Set(
    check(evidence, asked)
      .filter(isOpen)
      .map((f) => f.id),
  );
  const cleared = open.filter((f) => !left.has(f.id));
  if (cleared.length === 0) return undefined;
  const after = check(evidence);
  return {
    candidate,
    cleared: new Set(cleared.map((f) => f.id)),
    harm: [...harmOf(before, after), ...bypassed(other, cleared, after)],
  };
}

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
