import type { Element } from '../catalog/index.js';

/** An element with its part and its nodes as circuit-wide names. */
export interface PlacedElement {
  part: string;
  element: Element;
  node: (local: string) => string;
}

/** Pairs of nodes between which direct current can flow. */
const conducting: { [T in Element['type']]: (e: Extract<Element, { type: T }>) => string[][] } = {
  resistor: (e) => [[e.a, e.b]],
  'voltage-source': (e) => [[e.plus, e.minus]],
  'current-source': () => [],
  diode: (e) => [[e.anode, e.cathode]],
  bipolar: (e) => [
    [e.base, e.emitter],
    [e.base, e.collector],
  ],
  regulator: (e) => [
    [e.input, e.ground],
    [e.output, e.ground],
  ],
};

/** Pairs of nodes whose difference is forced. */
const forcing = (e: Element): string[][] =>
  e.type === 'voltage-source' ? [[e.plus, e.minus]] : [];

/** Groups of nodes, joined pair by pair. */
class Groups {
  private readonly up = new Map<string, string>();

  root(node: string): string {
    let at = node;
    for (let next = this.up.get(at); next !== undefined; next = this.up.get(at)) at = next;
    return at;
  }

  /** False when the two were in one group already. */
  join(a: string, b: string): boolean {
    const [ra, rb] = [this.root(a), this.root(b)];
    if (ra !== rb) this.up.set(ra, rb);
    return ra !== rb;
  }
}

/** What can be said of a circuit before solving it. */
export interface Structure {
  /** Nodes with no way for direct current to reach the reference, by island. */
  islands: string[][];
  /** Parts whose ideal sources close a loop; such a circuit has no solution. */
  sourceLoop: string[];
}

/**
 * Looks for what would make the equations unsolvable.
 *
 * @param reference the node that counts as 0 V
 */
export function diagnoseStructure(
  placed: readonly PlacedElement[],
  nodes: Iterable<string>,
  reference: string | undefined,
): Structure {
  const paths = new Groups();
  const forced = new Groups();
  const loop = new Set<string>();
  for (const { part, element, node } of placed) {
    const pairs = conducting[element.type] as (e: Element) => string[][];
    for (const [a, b] of pairs(element)) paths.join(node(a), node(b));
    for (const [a, b] of forcing(element)) if (!forced.join(node(a), node(b))) loop.add(part);
  }
  const home = reference === undefined ? undefined : paths.root(reference);
  const islands = new Map<string, string[]>();
  for (const name of nodes) {
    const root = paths.root(name);
    if (root === home) continue;
    islands.set(root, [...(islands.get(root) ?? []), name]);
  }
  return { islands: [...islands.values()], sourceLoop: [...loop] };
}
