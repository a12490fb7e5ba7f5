import { applyEdit, type Design, type Edit, type Point } from '@yurei/core/design';

/**
 * Moves what stands on the plan.
 *
 * @param key "part B1", "way h1 0" for a point of a happening's way, "entrance 0", "spot 0", "guarded", "tree 0", "wall 0 from" or
 * "room 0 2" for an end or a corner
 * @returns undefined where nothing is called so
 */
export function movePoint(
  { parts, scenes, plan }: Design,
  scene: string | undefined,
  key: string,
  to: (from: Point) => Point,
): Edit | undefined {
  const [kind, id = '', index] = key.split(' ');
  if (kind === 'part') {
    const place = parts.find((p) => p.id === id)?.place;
    return place && { type: 'place-part', id, place: { ...place, ...to(place) } };
  }
  if (kind === 'guarded')
    return plan.guarded && { type: 'set-plan', plan: { ...plan, guarded: to(plan.guarded) } };
  if (kind === 'entrance') {
    const entrances = plan.entrances?.map((p, i) => (i === Number(id) ? to(p) : p));
    return entrances && { type: 'set-plan', plan: { ...plan, entrances } };
  }
  if (kind === 'spot') {
    const spots = plan.spots?.map((s, i) =>
      i === Number(id) ? { ...s, at: { ...s.at, ...to(s.at) } } : s,
    );
    return spots && { type: 'set-plan', plan: { ...plan, spots } };
  }
  if (kind === 'tree') {
    const trees = plan.trees?.map((t, i) => (i === Number(id) ? { ...t, at: to(t.at) } : t));
    return trees && { type: 'set-plan', plan: { ...plan, trees } };
  }
  if (kind === 'wall' && (index === 'from' || index === 'to')) {
    const walls = plan.walls.map((w, i) =>
      i === Number(id) ? { ...w, [index]: to(w[index]) } : w,
    );
    return { type: 'set-plan', plan: { ...plan, walls } };
  }
  if (kind === 'room') {
    const rooms = plan.rooms?.map((room, i) => {
      if (i !== Number(id)) return room;
      return { ...room, outline: room.outline.map((p, c) => (c === Number(index) ? to(p) : p)) };
    });
    return rooms && { type: 'set-plan', plan: { ...plan, rooms } };
  }
  const happening = scenes.find((s) => s.id === scene)?.happenings.find((h) => h.id === id);
  if (!scene || !happening?.path) return undefined;
  const path = happening.path.map((p, i) => (i === Number(index) ? to(p) : p));
  return { type: 'put-happening', scene, happening: { ...happening, path } };
}

/** The design with something of it elsewhere, as while it is dragged. */
export function moved(
  design: Design,
  scene: string | undefined,
  key: string,
  point: Point,
): Design {
  const edit = movePoint(design, scene, key, () => point);
  return edit ? applyEdit(design, edit) : design;
}
