import type { Design, Edit } from '../design/index.js';
import { happeningKinds } from '../scene/index.js';
import type { SlipKind } from './slip.js';

/** The parameter by which a happening has a magnet's pole in front. */
const pole = 'pole';
const poled = new Set(
  happeningKinds.filter((k) => k.params.some((p) => p.id === pole)).map((k) => k.kind),
);

/** Every magnet of the scenes with its other pole in front. */
function turnAll({ scenes }: Design): Edit[] {
  return scenes.flatMap(({ id, happenings }) =>
    happenings
      .filter((h) => poled.has(h.kind))
      .map((h): Edit => {
        const turned = 1 - (h.params[pole] ?? 0);
        const happening = { ...h, params: { ...h.params, [pole]: turned } };
        return { type: 'put-happening', scene: id, happening };
      }),
  );
}

/** A magnet mounted with its other pole towards what feels it. */
export const poles: SlipKind = {
  id: 'pole',
  label: 'A magnet with its other pole in front',
  undoesItself: true,
  all: (design) => {
    const edits = turnAll(design);
    const says = 'Magnets with their other poles in front';
    if (edits.length === 0) return [];
    return [
      {
        says,
        label: 'Turn the magnets',
        undoes: 'The magnets have the wrong pole in front',
        about: [],
        edit: { type: 'batch', label: says, edits },
      },
    ];
  },
};
