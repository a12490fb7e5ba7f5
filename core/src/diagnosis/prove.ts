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

/** A scene without a change and with it. */
export interface Compared {
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
export function proofOf(scenes: readonly Compared[]): Proof {
  const proof: Proof = { better: [], worse: [], reveals: [], same: 0 };
  for (const compared of scenes) compare(proof, compared);
  return proof;
}

/** Goes through every scene without a change and with it. */
export const prove = (design: Design, edit: Edit): Proof =>
  proofOf(
    design.scenes.map((scene) => ({
      scene,
      before: outcomesOf(design, scene),
      after: outcomesOf(design, scene, edit),
    })),
  );

const anyNoticed = ({ verdicts }: Outcomes): boolean =>
  verdicts.some((v) => v.outcome === 'noticed');

function compare(proof: Proof, { scene, before, after }: Compared): void {
  const { better, worse, reveals } = proof;
  const loud = !anyNoticed(before) && anyNoticed(after) ? reveals : worse;
  for (const { happening, name, outcome } of before.verdicts) {
    const now = after.verdicts.find((v) => v.happening === happening)?.outcome;
    const verdict = `${scene.name}: “${name}” ${now ?? 'gone'}`;
    if (now === undefined || wentWrong(now) === wentWrong(outcome)) proof.same += 1;
    else if (!wentWrong(now)) better.push(verdict);
    else (now === 'missed' ? worse : loud).push(verdict);
  }
  const more = after.spurious.length - before.spurious.length;
  if (more > 0) loud.push(`${scene.name}: fires at nothing`);
  if (more < 0) better.push(`${scene.name}: fires less at nothing`);
  if (after.halted && !before.halted) worse.push(`${scene.name}: ${after.halted.because}`);
}
