import type { Element } from './element.js';
import { nodeFields } from './element-nodes.js';
import type { InnerPart, Inside, PartKind, PartState, Params } from './part-kind.js';

/** A part inside a module. */
export const inner = (
  id: string,
  name: string,
  kind: PartKind,
  params: Params = {},
): InnerPart => ({ id, name, kind, params });

/** Ends that wires join, by the name that stands for them all: a terminal of the module, or an inner joint. */
function joints(wires: ReturnType<Inside['wires']>): (end: string) => string {
  const up = new Map<string, string>();
  const root = (end: string): string => {
    let at = end;
    for (let next = up.get(at); next !== undefined; next = up.get(at)) at = next;
    return at;
  };
  const outer = (end: string): boolean => !end.includes('.');
  for (const [a, b] of wires) {
    const [ra, rb] = [root(a), root(b)];
    if (ra === rb) continue;
    // A terminal of the module gives its name to everything that is joined with it.
    if (outer(rb)) up.set(ra, rb);
    else up.set(rb, ra);
  }
  return (end) => {
    const name = root(end);
    return outer(name) ? name : `#${name}`;
  };
}

/**
 * The electrical model of a module: that of every part inside it, with their nodes joined as its wires say.
 * An inner part feels what the module feels.
 */
export function moduleElements(inside: Inside, params: Params, state: PartState): Element[] {
  const joint = joints(inside.wires(params));
  return inside.parts(params).flatMap(({ id, kind, params: own }: InnerPart) => {
    const node = (local: string): string =>
      local.startsWith('#') ? `#${id}${local}` : joint(`${id}.${local}`);
    const wired = { ...state, pins: {}, wired: () => true };
    return kind.elements(withDefaults(kind.params, own), wired).map((element) => {
      const fields = nodeFields[element.type] as readonly string[];
      const moved = fields.map((f) => [f, node((element as never)[f])] as const);
      return { ...element, ...Object.fromEntries(moved) } as Element;
    });
  });
}

/** A kind's defaults with some values over them. */
export const withDefaults = (
  params: readonly { id: string; default: number }[],
  own: Params,
): Params => ({ ...Object.fromEntries(params.map((p) => [p.id, p.default])), ...own });
