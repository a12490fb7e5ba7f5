import { kindOf } from '../catalog/index.js';
import type { SlipKind } from './slip.js';

/** A magnet with its other pole towards what feels it, an element with the other rest state: a choice the other way. */
export const choices: SlipKind = {
  id: 'choice',
  label: 'A part of the other sort, or set the other way',
  undoesItself: true,
  chosen: true,
  all: ({ parts }) =>
    parts.flatMap((part) => {
      const two = kindOf(part).params.filter((p) => p.choices?.length === 2 && p.id !== 'now');
      return two.map(({ id, choices = [], label, default: usual }) => {
        const value = 1 - (part.params[id] ?? usual);
        const [is, was] = [choices[value], choices[1 - value]];
        return {
          says: `${part.id}: ${label.toLowerCase()} “${is}”`,
          label: `${part.id}: ${label.toLowerCase()} “${is}”`,
          undoes: `${part.name}: ${label.toLowerCase()} “${was}” does not fit`,
          about: [part.id],
          edit: { type: 'set-param', id: part.id, param: id, value },
        };
      });
    }),
};
