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

/** What several edits took away and put back again is aimed at as before: a wire that was only moved. */
export function withKeptTargets(before: Design, after: Design): Design {
  if (before.scenes === after.scenes) return after;
  const had = new Map(before.scenes.flatMap((s) => s.happenings.map((h) => [h.id + s.id, h])));
  const again = (happening: Happening, scene: string): Happening => {
    const was = had.get(happening.id + scene);
    if (!was?.target || happening.target) return happening;
    const { target: _target, ...rest } = was;
    return JSON.stringify(rest) === JSON.stringify(happening) ? was : happening;
  };
  const scenes = after.scenes.map((s) => ({
    ...s,
    happenings: s.happenings.map((h) => again(h, s.id)),
  }));
  return withoutLostTargets({ ...after, scenes });
}
