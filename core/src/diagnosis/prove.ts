import { applyEdit, type Design, type Edit, type Scene } from '../design/index.js';
import { judgeScene, wentWrong, type Outcomes } from '../rehearsal/index.js';
import type { Cure } from './candidate.js';
import { reachedBy } from './reach.js';

/** What a change does to the verdicts of all scenes, each in words. */
export interface Proof {
  better: string[];
  worse: string[];
  /** False alarms of a design that noticed nothing before: it was quiet because it was dead. */
  reveals: string[];
  /** So many verdicts stay as they are. */
  same: number;
}

/** A scene without a change and with it. */
export interface BothRuns {
  scene: Pick<Scene, 'name'>;
  before: Outcomes;
  after: Outcomes;
}

/**
 * What a scene comes to, with a change if any. It is gone through as settled and coarsely where a controller decides; a circuit
 * that decides by itself is followed in time.
 */
export function outcomesOf(design: Design, scene: Scene, edit?: Edit): Outcomes {
  const changed = edit ? applyEdit(design, edit) : design;
  const played = changed.scenes.find((s) => s.id === scene.id) ?? scene;
  return judgeScene(changed, played, changed.channels.length > 0 ? 'coarse' : 'time');
}

/** What a change does, from what every scene comes to without it and with it. */
export function proofOf(scenes: readonly BothRuns[]): Proof {
  const proof: Proof = { better: [], worse: [], reveals: [], same: 0 };
  for (const both of scenes) compare(proof, both);
  return proof;
}

/** What every scene of a design comes to, which one change after the other is held against. */
const known = new WeakMap<Design, readonly Outcomes[]>();

/** The part of a design in which a cure has to be proven; the design itself where that is all of it. */
export const provenIn = (design: Design, { edit, local }: Pick<Cure, 'edit' | 'local'>): Design =>
  local ? reachedBy(design, edit) : design;

/** Goes through every scene with a cure, and without it once for all cures. */
export function prove(whole: Design, cure: Pick<Cure, 'edit' | 'local'>): Proof {
  const design = provenIn(whole, cure);
  const { edit } = cure;
  const { scenes } = design;
  const unchanged = known.get(design) ?? scenes.map((scene) => outcomesOf(design, scene));
  known.set(design, unchanged);
  const both = scenes.flatMap((scene, i): BothRuns[] => {
    const before = unchanged[i];
    return before ? [{ scene, before, after: outcomesOf(design, scene, edit) }] : [];
  });
  return proofOf(both);
}

const anyNoticed = ({ verdicts }: Outcomes): boolean =>
  verdicts.some((v) => v.outcome === 'noticed');

function compare(proof: Proof, { scene, before, after }: BothRuns): void {
  const { better, worse, reveals } = proof;
  const loud = !anyNoticed(before) && anyNoticed(after) ? reveals : worse;
  for (const { happening, name, outcome } of before.verdicts) {
    const now = after.verdicts.find((v) => v.happening === happening)?.outcome;
    const verdict = `${scene.name}: “${name}” ${now ?? 'no longer followed so far'}`;
    if (now === undefined && !wentWrong(outcome)) worse.push(verdict);
    else if (now === undefined || wentWrong(now) === wentWrong(outcome)) proof.same += 1;
    else if (!wentWrong(now)) better.push(verdict);
    else (now === 'missed' ? worse : loud).push(verdict);
  }
  const more = after.spurious.length - before.spurious.length;
  if (more > 0) loud.push(`${scene.name}: fires at nothing`);
  if (more < 0) better.push(`${scene.name}: fires less at nothing`);
  if (after.halted && !before.halted) worse.push(`${scene.name}: ${after.halted.because}`);
}
