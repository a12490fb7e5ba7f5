import { splitRef, type Net, type Wire } from '../design/index.js';

/** One terminal of a net, with the wire over which it hangs on the one before it. */
interface Branch {
  part: string;
  terminal: string;
  parent: number;
  wire?: Wire;
  /** 1 where the wire runs from the parent to it, −1 where the other way. */
  sign: number;
}

const trees = new WeakMap<Net, readonly Branch[]>();

/** The terminals of a net as a tree, parents before children; worked out once. */
function treeOf(net: Net): readonly Branch[] {
  const known = trees.get(net);
  if (known) return known;
  const at = new Map<string, Wire[]>();
  for (const wire of net.wires) {
    for (const end of [wire.from, wire.to]) at.set(end, [...(at.get(end) ?? []), wire]);
  }
  const tree: Branch[] = [];
  const hang = (ref: string, parent: number, wire: Wire | undefined): void => {
    tree.push({ ...splitRef(ref), parent, wire, sign: wire?.to === ref ? 1 : -1 });
    const here = tree.length - 1;
    for (const next of at.get(ref) ?? []) {
      if (next !== wire) hang(next.from === ref ? next.to : next.from, here, next);
    }
  };
  hang(net.terminals[0], -1, undefined);
  trees.set(net, tree);
  return tree;
}

/**
 * The current in each wire of a net, from the currents its terminals feed in. Wires are taken as
 * equal and without resistance, so where they close a loop the share of each is not known: those
 * are left out.
 *
 * @param intoPart current into the part at a terminal, A
 * @param currents where to put them: A from the wire's `from` end to its `to` end, by wire id
 */
export function wireCurrents(
  net: Net,
  intoPart: (part: string, terminal: string) => number,
  currents: Record<string, number>,
): void {
  if (net.wires.length >= net.terminals.length) return;
  const tree = treeOf(net);
  const drawn = tree.map(({ part, terminal }) => intoPart(part, terminal));
  for (let i = tree.length - 1; i > 0; i--) {
    const { parent, wire, sign } = tree[i];
    if (wire) currents[wire.id] = sign * drawn[i];
    drawn[parent] += drawn[i];
  }
}
