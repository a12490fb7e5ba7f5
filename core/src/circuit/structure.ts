import { DisjointSets } from '../design/index.js';
import { elementNodes, kindOfElement, signalNode, type Element } from '../element/index.js';

/** An element with its part and its nodes as circuit-wide names. */
export interface PlacedElement {
  part: string;
  element: Element;
  node: (local: string) => string;
}

/** What can be said of a circuit before solving it. */
export interface Structure {
  /** Nodes with no way for direct current to reach the reference, by island; without those apart on purpose. */
  islands: string[][];
  /** Nodes that nothing at all ties to the reference: no voltage can be told there. */
  lost: ReadonlySet<string>;
  /**
   * One node of each group that only an input or an isolating part ties to the rest, and of each with a supply that hangs on
   * junctions alone: it needs holding.
   */
  anchors: readonly string[];
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
  // By direct current; by that where nothing blocks; by that or capacitors; by any part but the isolating ones; by any part.
  const [paths, firm, held] = [new DisjointSets(), new DisjointSets(), new DisjointSets()];
  const [near, tied] = [new DisjointSets(), new DisjointSets()];
  const forced = new DisjointSets();
  const loop = new Set<string>();
  const supplies: string[] = [];
  for (const { part, element, node } of placed) {
    const kind = kindOfElement(element);
    for (const [a, b] of kind.conducts(element)) {
      paths.join(node(a), node(b));
      held.join(node(a), node(b));
      if (!kind.blocks) firm.join(node(a), node(b));
      if (kind.gives) supplies.push(node(a));
    }
    for (const [a, b] of kind.holds?.(element) ?? []) held.join(node(a), node(b));
    const signal = signalNode(element);
    if (signal !== undefined && reference !== undefined)
      for (const groups of [paths, held, near]) groups.join(node(signal), reference);
    const own = elementNodes(element);
    const away = [...(kind.apart?.(element) ?? []), ...(signal === undefined ? [] : [[signal]])];
    for (const local of own) {
      tied.join(node(own[0] ?? local), node(local));
      if (!away.flat().includes(local)) near.join(node(own[0] ?? local), node(local));
    }
    for (const group of away)
      for (const local of group) near.join(node(group[0] ?? local), node(local));
    for (const [a, b] of kind.forces?.(element) ?? [])
      if (!forced.join(node(a), node(b))) loop.add(part);
  }
  const names = [...nodes];
  const home = (groups: DisjointSets): ((name: string) => boolean) => {
    const root = reference === undefined ? undefined : groups.root(reference);
    return (name) => groups.root(name) === root;
  };
  const [byPath, byHold, byNear, byTie] = [home(paths), home(held), home(near), home(tied)];
  const isFirm = home(firm);
  const lost = new Set(names.filter((n) => !byTie(n)));
  const stray = names.filter((n) => !byPath(n) && (byNear(n) || lost.has(n)));
  const loose = names.filter((n) => !byHold(n) && !lost.has(n));
  const hanging = supplies.filter((n) => byHold(n) && !isFirm(n) && !lost.has(n));
  return {
    islands: [...grouped(paths, stray).values()],
    lost,
    anchors: [...grouped(held, loose).values(), ...grouped(firm, hanging).values()].flatMap(
      (island) => island.slice(0, 1),
    ),
    sourceLoop: [...loop],
  };
}

function grouped(groups: DisjointSets, names: readonly string[]): Map<string, string[]> {
  const islands = new Map<string, string[]>();
  for (const name of names) {
    const root = groups.root(name);
    islands.set(root, [...(islands.get(root) ?? []), name]);
  }
  return islands;
}
