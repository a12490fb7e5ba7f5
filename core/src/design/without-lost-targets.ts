import type { Design, Happening } from './types.js';

/** Happenings aimed at a part or a wire that is gone are aimed at nothing any more; they stay, and say so. */
export function withoutLostTargets(design: Design): Design {
  const parts = new Set(design.parts.map((p) => p.id));
  const wires = new Set(design.wires.map((w) => w.id));
  const isLost = ({ target }: Happening): boolean =>
    (target?.part !== undefined && !parts.has(target.part)) ||
    (target?.wire !== undefined && !wires.has(target.wire));
  if (!design.scenes.some((s) => s.happenings.some(isLost))) return design;
  const kept = (happening: Happening): Happening => {
    if (!isLost(happening)) return happening;
    const { target: _lost, ...rest } = happening;
    return rest;
  };
  return {
    ...design,
    scenes: design.scenes.map((s) => ({ ...s, happenings: s.happenings.map(kept) })),
  };
}
