import { splitRef } from '@yurei/core/design';
import { openModule } from '@yurei/core/catalog';
import type { Design, Edit } from '@yurei/core/design';

/** The edit that puts a module's inner parts and wires in its place. */
export function takeApart(design: Design, id: string): Edit {
  const open = openModule(design, id);
  const known = new Set(design.parts.map((p) => p.id));
  const touched = (wire: { from: string; to: string }): boolean =>
    [wire.from, wire.to].some((end) => !known.has(splitRef(end).part));
  return {
    type: 'batch',
    label: 'Take apart',
    edits: [
      { type: 'remove-part', id },
      ...open.parts
        .filter((p) => !known.has(p.id))
        .map((part): Edit => ({ type: 'add-part', part })),
      ...open.wires.filter(touched).map((wire): Edit => ({ type: 'add-wire', wire })),
    ],
  };
}
