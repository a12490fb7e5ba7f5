import { hasPlace, isPutByHand, type PartKind } from '@yurei/core/catalog';
import { freshId } from '@yurei/core/design';
import type { DesignSession } from '../data/design-session';
import type { Selection } from '../data/selection';

/** Puts a new part of a kind on the bench, with its default values, and selects it. */
export function addPart(kind: PartKind, session: DesignSession, selection: Selection): void {
  const design = session.design();
  if (!design) return;
  const id = freshId(
    kind.prefix,
    design.parts.map((p) => p.id),
  );
  const placed = hasPlace(kind) && !isPutByHand(kind) ? { place: { x: 0, y: 0, facing: 0 } } : {};
  const name = kind.label.replace(/ \(.*\)$/, '');
  if (
    session.edit({ type: 'add-part', part: { id, kind: kind.kind, name, params: {}, ...placed } })
  ) {
    selection.pick('part', id);
  }
}
