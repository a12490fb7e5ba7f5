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
  const parent = new Map<TerminalRef, TerminalRef>();
  const find = (ref: TerminalRef): TerminalRef => {
    let root = ref;
    for (let up = parent.get(root); up !== undefined && up !== root; up = parent.get(root))
      root = up;
    for (let at = ref; at !== root;) {
      const up = parent.get(at) ?? root;
      parent.set(at, root);
      at = up;
    }
    return root;
  };
  for (const wire of design.wires) parent.set(find(wire.from), find(wire.to));

  const groups = new Map<TerminalRef, { terminals: Set<TerminalRef>; wires: Wire[] }>();
  for (const wire of design.wires) {
    const root = find(wire.from);
    const group = groups.get(root) ?? { terminals: new Set(), wires: [] };
    group.terminals.add(wire.from).add(wire.to);
    group.wires.push(wire);
    groups.set(root, group);
  }
  return [...groups.values()]
    .map(({ terminals, wires }) => {
      const sorted = [...terminals].sort();
      return { id: sorted[0], terminals: sorted, wires };
    })
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** A look-up from terminal to the id of its net; a terminal without wires is its own net. */
export function netIndex(nets: readonly Net[]): (ref: TerminalRef) => TerminalRef {
  const byTerminal = new Map(nets.flatMap((net) => net.terminals.map((t) => [t, net.id] as const)));
  return (ref) => byTerminal.get(ref) ?? ref;
}
