import { applyEdit, type Design, type Edit, type Scene } from '../design/index.js';
import { judgeScene, wentWrong, type Outcomes } from '../rehearsal/index.js';

/** What a change does to the verdicts of all scenes, each in words. */
export interface Proof {
  better: string[];
  worse: string[];
  /** False alarms of a design that noticed nothing before: it was quiet because it was dead. */
  reveals: string[];
  /** So many verdicts stay as they are. */
  same: number;
}

/** Scenes are gone through as settled where a controller decides; a circuit that decides by itself is followed in time. */
const outcomes = (design: Design, scene: Scene): Outcomes =>
  judgeScene(design, scene, design.channels.length > 0 ? 'coarse' : 'time');

/** What every scene of a design came to, which is held against one change after the other. */
const known = new WeakMap<Design, Map<string, Outcomes>>();

function outcomesBefore(design: Design, scene: Scene): Outcomes {
  const all = known.get(design) ?? new Map<string, Outcomes>();
  known.set(design, all);
  const found = all.get(scene.id) ?? outcomes(design, scene);
  all.set(scene.id, found);
  return found;
}

/** Rehearses every scene without a change: what is proven of the same design afterwards begins there. */
export function foresee(design: Design): void {
  for (const scene of design.scenes) outcomesBefore(design, scene);
}

/** Rehearses every scene with and without a change. */
export function prove(design: Design, edit: Edit): Proof {
  const changed = applyEdit(design, edit);
  const proof: Proof = { better: [], worse: [], reveals: [], same: 0 };
  for (const scene of design.scenes) {
    const other = changed.scenes.find((s) => s.id === scene.id) ?? scene;
    compare(proof, scene.name, outcomesBefore(design, scene), outcomes(changed, other));
  }
  return proof;
}

const anyNoticed = ({ verdicts }: Outcomes): boolean =>
  verdicts.some((v) => v.outcome === 'noticed');

function compare(proof: Proof, scene: string, before: Outcomes, after: Outcomes): void {
  const { better, worse, reveals } = proof;
  const loud = !anyNoticed(before) && anyNoticed(after) ? reveals : worse;
  for (const { happening, name, outcome } of before.verdicts) {
    const now = after.verdicts.find((v) => v.happening === happening)?.outcome;
    const verdict = `${scene}: “${name}” ${now ?? 'gone'}`;
    if (now === undefined || wentWrong(now) === wentWrong(outcome)) proof.same += 1;
    else if (!wentWrong(now)) better.push(verdict);
    else (now === 'missed' ? worse : loud).push(verdict);
  }
  const more = after.spurious.length - before.spurious.length;
  if (more > 0) loud.push(`${scene}: fires at nothing`);
  if (more < 0) better.push(`${scene}: fires less at nothing`);
  if (after.halted && !before.halted) worse.push(`${scene}: ${after.halted.because}`);
}
