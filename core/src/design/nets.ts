import { DisjointSets } from './disjoint-sets.js';
import type { Design, TerminalRef, Wire } from './types.js';

/** Terminals joined by wires. Its id is the first of its terminals in sorted order. */
export interface Net {
  id: TerminalRef;
  terminals: TerminalRef[];
  wires: Wire[];
}

/**
 * The nets that the wires make. Terminals without a wire belong to no net here.
 *
 * @returns nets sorted by id, terminals sorted within each; the same for any order of wires
 */
export function deriveNets(design: Pick<Design, 'wires'>): Net[] {
  const sets = new DisjointSets();
  for (const wire of design.wires) sets.join(wire.from, wire.to);
  const groups = new Map<TerminalRef, { terminals: Set<TerminalRef>; wires: Wire[] }>();
  for (const wire of design.wires) {
    const root = sets.root(wire.from);
    const group = groups.get(root) ?? { terminals: new Set(), wires: [] };
    group.terminals.add(wire.from).add(wire.to);
    group.wires.push(wire);
    groups.set(root, group);
  }
  return [...groups.values()]
    .flatMap(({ terminals, wires }): Net[] => {
      const sorted = [...terminals].sort();
      const [id] = sorted;
      return id === undefined ? [] : [{ id, terminals: sorted, wires }];
    })
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** A look-up from terminal to the id of its net; a terminal without wires is its own net. */
export function netIndex(nets: readonly Net[]): (ref: TerminalRef) => TerminalRef {
  const byTerminal = new Map(nets.flatMap((net) => net.terminals.map((t) => [t, net.id] as const)));
  return (ref) => byTerminal.get(ref) ?? ref;
}
