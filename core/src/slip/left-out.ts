import type { SlipKind } from './slip.js';

/** A wire that was forgotten. */
export const wires: SlipKind = {
  id: 'wire',
  label: 'A wire left out',
  undoesItself: false,
  all: ({ wires: all }) =>
    all.map(({ id, from, to }) => ({
      says: `No wire from ${from} to ${to}`,
      label: `Take the wire from ${from} to ${to} away`,
      undoes: `${from} and ${to} are joined`,
      about: [from, to],
      edit: { type: 'remove-wire', id },
    })),
};

/** A part that was forgotten, with its wires. */
export const parts: SlipKind = {
  id: 'part',
  label: 'A part left out',
  undoesItself: false,
  all: ({ parts: all, wires: joined }) =>
    all.map(({ id, name }) => ({
      says: `No ${id}`,
      label: `Take ${id} away`,
      undoes: `${name} is too much`,
      about: [
        id,
        ...joined.flatMap(({ from, to }) =>
          from.startsWith(`${id}.`) ? [to] : to.startsWith(`${id}.`) ? [from] : [],
        ),
      ],
      edit: { type: 'remove-part', id },
    })),
};
