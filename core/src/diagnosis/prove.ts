import { applyEdit, type Design, type Edit, type Scene } from '../design/index.js';
import { judgeScene, type Outcome, type Outcomes } from '../rehearsal/index.js';

/** What a change does to the verdicts of all scenes, each in words. */
export interface Proof {
  better: string[];
  worse: string[];
  /** So many verdicts stay as they are. */
  same: number;
}

/** Scenes are gone through as settled where a controller decides; a circuit that decides by itself is followed in time. */
const outcomes = (design: Design, scene: Scene): Outcomes =>
  judgeScene(design, scene, design.channels.length > 0 ? 'fast' : 'time');

const isGood = (outcome: Outcome): boolean => outcome === 'noticed' || outcome === 'quiet';

/** Rehearses every scene with and without a change. */
export function prove(design: Design, edit: Edit): Proof {
  const changed = applyEdit(design, edit);
  const proof: Proof = { better: [], worse: [], same: 0 };
  for (const scene of design.scenes) {
    const other = changed.scenes.find((s) => s.id === scene.id) ?? scene;
    compare(proof, scene.name, outcomes(design, scene), outcomes(changed, other));
  }
  return proof;
}

function compare(proof: Proof, scene: string, before: Outcomes, after: Outcomes): void {
  for (const { happening, name, outcome } of before.verdicts) {
    const now = after.verdicts.find((v) => v.happening === happening)?.outcome;
    if (now === undefined || isGood(now) === isGood(outcome)) proof.same += 1;
    else (isGood(now) ? proof.better : proof.worse).push(`${scene}: “${name}” ${now}`);
  }
  const more = after.strays.length - before.strays.length;
  if (more > 0) proof.worse.push(`${scene}: fires at nothing`);
  if (more < 0) proof.better.push(`${scene}: fires less at nothing`);
  if (after.halted && !before.halted) proof.worse.push(`${scene}: ${after.halted.because}`);
}
