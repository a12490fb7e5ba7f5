import { checkParam, type Problem } from '../catalog/index.js';
import type { Design, Happening } from '../design/index.js';
import { findHappeningKind, happeningSpan } from './happenings.js';

/** Holds the scenes of a well-formed document against what can happen. */
export function checkScenes(design: Design): Problem[] {
  return design.scenes.flatMap((scene, s) =>
    scene.happenings.flatMap((happening, h) =>
      happeningProblems(happening, scene.duration).map((p) => ({
        ...p,
        place: `scenes[${s}] (${scene.id}).happenings[${h}] (${happening.id})${p.place}`,
      })),
    ),
  );
}

function happeningProblems(happening: Happening, duration: number): Problem[] {
  const kind = findHappeningKind(happening.kind);
  const refuse = (place: string, reason: string, cure: string): Problem => ({
    place,
    reason,
    cure,
    severity: 'refuse',
  });
  if (!kind) {
    return [
      refuse(
        '',
        `There is no happening "${happening.kind}"`,
        'Use a kind of happening that this version knows.',
      ),
    ];
  }
  const problems = Object.entries(happening.params).flatMap(([id, value]): Problem[] => {
    const param = kind.params.find((p) => p.id === id);
    if (!param) {
      const known = kind.params.map((p) => p.id).join(', ');
      return [
        refuse(
          `.params.${id}`,
          `${kind.label} has no parameter "${id}"`,
          `Use ${known}, or leave it out.`,
        ),
      ];
    }
    const verdict = checkParam(param, value);
    if (verdict.verdict === 'fine') return [];
    return [
      {
        place: `.params.${id}`,
        reason: verdict.reason,
        cure: verdict.cure,
        severity: verdict.verdict,
      },
    ];
  });
  const { from, to } = happening;
  const still = from && to && from.x === to.x && from.y === to.y;
  if (kind.moves && (!from || !to || still)) {
    problems.push(
      refuse(
        '',
        `${kind.label} needs a way from one point to another`,
        'Give two different points "from" and "to".',
      ),
    );
  }
  if (problems.length === 0 && happeningSpan(happening).start > duration) {
    problems.push(
      refuse('.start', 'It begins after the scene has ended', `Start it before ${duration} s.`),
    );
  }
  return problems;
}
