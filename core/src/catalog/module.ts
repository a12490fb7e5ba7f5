import { DisjointSets } from '../design/index.js';
import { withNodes, type Element } from '../element/index.js';
import type { InnerPart, Inside, Param, PartKind, PartState, ValuesOf } from './part-kind.js';
import { valuesOf } from './values-of.js';

/** A part inside a module. */
export const inner = <const P extends readonly Param[]>(
  id: string,
  name: string,
  kind: PartKind & { readonly params: P },
  params: NoInfer<Partial<ValuesOf<P>>> = {},
): InnerPart => ({ id, name, kind, params });

/** Ends that wires join, by the name that stands for them all: a terminal of the module, or an inner joint. */
function joints(wires: ReturnType<Inside['wires']>): (end: string) => string {
  const sets = new DisjointSets();
  const outer = (end: string): boolean => !end.includes('.');
  // A terminal of the module gives its name to everything that is joined with it.
  for (const [a, b] of wires) {
    if (outer(sets.root(b))) sets.join(a, b);
    else sets.join(b, a);
  }
  return (end) => {
    const name = sets.root(end);
    return outer(name) ? name : `#${name}`;
  };
}

/**
 * The electrical model of a module: that of every part inside it, with their nodes joined as its wires say.
 * An inner part feels what the module feels.
 */
export function moduleElements<V>(inside: Inside<V>, params: V, state: PartState): Element[] {
  const wires = inside.wires(params);
  const joint = joints(wires);
  const ends = new Set(wires.flat());
  return inside.parts(params).flatMap(({ id, kind, params: own }: InnerPart) => {
    const node = (local: string): string =>
      local.startsWith('#') ? `#${id}${local}` : joint(`${id}.${local}`);
    const wired = (terminal: string): boolean => ends.has(`${id}.${terminal}`);
    return kind
      .elements(valuesOf(kind.params, own), { ...state, pins: {}, wired })
      .map((element) => withNodes(element, node));
  });
}
