import { kindOf } from '../catalog/index.js';
import { splitRef, type Design, type TerminalRef, type Wire } from '../design/index.js';

/** One end of a wire, in words. */
export interface HookUpEnd {
  ref: TerminalRef;
  part: string;
  name: string;
  terminal: string;
}

/** A wire as it is put in by hand. */
export interface HookUp {
  id: string;
  from: HookUpEnd;
  to: HookUpEnd;
  /** As it was chosen; undefined where any will do. */
  colour?: string;
  /** Metres. */
  length?: number;
  /** Copper cross-section, m². */
  gauge?: number;
}

/** Every wire of a design with both its ends, ordered by part and terminal as the parts stand in the design. */
export function hookUpList({ parts, wires }: Pick<Design, 'parts' | 'wires'>): HookUp[] {
  const order = new Map(parts.map((p, i) => [p.id, i]));
  const end = (ref: TerminalRef): HookUpEnd => {
    const { part: id, terminal } = splitRef(ref);
    const part = parts.find((p) => p.id === id);
    const label = part && kindOf(part).terminals.find((t) => t.id === terminal)?.label;
    return { ref, part: id, name: part?.name ?? id, terminal: label ?? terminal };
  };
  const rank = (ref: TerminalRef): number => order.get(splitRef(ref).part) ?? Infinity;
  const inOrder = ({ from, to, ...wire }: Wire): Wire =>
    rank(from) <= rank(to) ? { ...wire, from, to } : { ...wire, from: to, to: from };
  return wires
    .map(inOrder)
    .sort((a, b) => rank(a.from) - rank(b.from) || rank(a.to) - rank(b.to))
    .map(({ from, to, ...about }) => ({ ...about, from: end(from), to: end(to) }));
}
