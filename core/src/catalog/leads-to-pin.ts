import {
  deriveNets,
  splitRef,
  terminalRef,
  type Design,
  type TerminalRef,
} from '../design/index.js';
import { findKind } from './catalog.js';
import { nameNet, type NamedNet } from './net-name.js';

/** Nets by the terminals on them, and the parts of a design: worked out once. */
interface Lines {
  netOf: ReadonlyMap<TerminalRef, NamedNet>;
  kindOf: ReadonlyMap<string, ReturnType<typeof findKind>>;
}
const known = new WeakMap<Design, Lines>();

function linesOf(design: Design): Lines {
  const before = known.get(design);
  if (before) return before;
  const nets = deriveNets(design).map((net) => nameNet(design, net));
  const lines: Lines = {
    netOf: new Map(nets.flatMap((net) => net.terminals.map((ref) => [ref, net] as const))),
    kindOf: new Map(design.parts.map((part) => [part.id, findKind(part.kind)])),
  };
  known.set(design, lines);
  return lines;
}

/**
 * Whether every one of some terminals leads to a pin of a controller, by wires and parts that pass a line on, or lies on a
 * rail itself; and one of them at least leads to a pin.
 */
export function leadsToPin(design: Design, terminals: readonly TerminalRef[]): boolean {
  const lines = linesOf(design);
  const ends = terminals.map((ref) => endOf(lines, ref));
  return ends.every((end) => end !== 'open') && ends.some((end) => typeof end === 'object');
}

/** The pin of a controller to which a terminal leads so; undefined where it leads to none. */
export function pinReached(design: Design, terminal: TerminalRef): TerminalRef | undefined {
  const end = endOf(linesOf(design), terminal);
  return typeof end === 'object' ? end.pin : undefined;
}

function endOf(lines: Lines, from: TerminalRef): { pin: TerminalRef } | 'rail' | 'open' {
  const start = lines.netOf.get(from);
  if (!start) return 'open';
  if (start.nature !== 'signal') return 'rail';
  const seen = new Set<NamedNet>([start]);
  for (const net of seen)
    for (const ref of net.terminals) {
      const { part, terminal } = splitRef(ref);
      const kind = lines.kindOf.get(part);
      if (kind?.terminals.some(({ id, role }) => id === terminal && role === 'pin'))
        return { pin: ref };
      for (const far of passedTo(kind, terminal)) {
        const next = lines.netOf.get(terminalRef(part, far));
        if (next?.nature === 'signal') seen.add(next);
      }
    }
  return 'open';
}

/** Where a part passes a line on that comes to one of its terminals. */
function passedTo(kind: ReturnType<typeof findKind>, terminal: string): string[] {
  const { terminals = [], passes } = kind ?? {};
  const [one, other] = terminals;
  const pairs = passes ?? (one && other && terminals.length === 2 ? [[one.id, other.id]] : []);
  return pairs.flatMap(([a, b]) => (a === terminal ? [b] : b === terminal ? [a] : []));
}
