import { freshId, type Design, type Edit, type Need } from '../design/index.js';
import { findHappeningKind } from '../scene/index.js';
import { firstDesign } from './first-design.js';
import type { Start } from './usual-starts.js';

/**
 * A first design for what is most often asked for, on an empty bench; what it must notice stands in the brief then.
 *
 * @returns one edit that undoes as one
 * @throws CannotBuild where a sensor has no usual front end
 */
export function makeStart(empty: Design, start: Start): Edit {
  const need = needOf(empty, start);
  const asked: Edit = { type: 'put-need', need };
  const design = { ...empty, brief: { ...empty.brief, needs: [...empty.brief.needs, need] } };
  const scene = `Notice ${start.notices}`;
  const { edit } = firstDesign(design, { ...start, needs: [need], scene });
  return { type: 'batch', label: `begin: notice ${start.notices}`, edits: [asked, edit] };
}

/** What must be noticed, as it usually is. */
function needOf({ brief: { needs } }: Design, { wanted }: Start): Need {
  const ids = needs.map((n) => n.id);
  const kind = findHappeningKind(wanted);
  if (!kind) throw new RangeError(`There is no happening "${wanted}".`);
  return { id: freshId('n', ids), intent: 'wanted', kind: wanted, name: kind.label, params: {} };
}
