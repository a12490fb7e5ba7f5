import { kindOf } from '../catalog/index.js';
import { splitRef, type Design, type Target } from '../design/index.js';
import type { HappeningKind } from './happening-kind.js';

/** Something that a happening can be aimed at, in words. */
export interface Aim {
  target: Target;
  label: string;
}

/** All in a design that a kind of happening can be aimed at; nothing for kinds that are aimed at nothing. */
export function aimsOf(design: Design, kind: HappeningKind): Aim[] {
  const { aims } = kind;
  if (!aims) return [];
  if (aims === 'wire') {
    const names = new Map(design.parts.map((p) => [p.id, p.name]));
    const end = (ref: string): string => {
      const { part, terminal } = splitRef(ref);
      return `${names.get(part) ?? part} ${terminal}`;
    };
    return design.wires.map(({ id, from, to }) => ({
      target: { wire: id },
      label: `${end(from)} to ${end(to)}`,
    }));
  }
  const suited = design.parts.filter((part) => kind.suits?.(kindOf(part)) ?? true);
  return suited.flatMap((part): Aim[] =>
    aims === 'part'
      ? [{ target: { part: part.id }, label: part.name }]
      : kindOf(part).params.map(({ id, label }) => ({
          target: { part: part.id, param: id },
          label: `${part.name}: ${label.toLowerCase()}`,
        })),
  );
}

/** What a new happening is aimed at: by hand what is moved by hand, else the first there is. */
export function usualAim(design: Design, kind: HappeningKind): Target | undefined {
  const aims = aimsOf(design, kind);
  const byHand = aims.find(({ target }) => {
    const part = design.parts.find((p) => p.id === target.part);
    return part && kindOf(part).operatedByHand;
  });
  return (byHand ?? aims[0])?.target;
}
