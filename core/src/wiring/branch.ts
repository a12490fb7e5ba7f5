import type { PartKind } from '../catalog/index.js';
import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { wiringOf } from './wiring.js';

/**
 * The parts that serve a controller pin alone: what is reached from it through signal nets, up to supplies,
 * grounds and controllers. Of a board of relays each input leads to the contacts that it moves.
 *
 * @param ends nets at which it ends as well
 */
export function branchOf(
  design: Design,
  pin: TerminalRef,
  ends: ReadonlySet<string> = new Set(),
): string[] {
  const wiring = wiringOf(design);
  const found = new Set<string>();
  const open = [pin];
  const seen = new Set<string>();
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    const net = wiring.net(here);
    if (seen.has(net) || ends.has(net) || wiring.nature(net) !== 'signal') continue;
    seen.add(net);
    for (const { part, kind, terminal } of wiring.ends(net)) {
      if (kind.terminals.some((t) => t.role === 'pin')) continue;
      found.add(part.id);
      open.push(...leadsOn(kind, terminal.id).map((t) => terminalRef(part.id, t)));
    }
  }
  return design.parts.map((p) => p.id).filter((id) => found.has(id));
}

/** The terminals of a part to which one of its terminals leads. */
function leadsOn({ contacts, terminals }: PartKind, from: string): readonly string[] {
  const own = contacts?.find((c) => c.movedBy === from || c.terminals.includes(from));
  return own?.movedBy ? [own.movedBy, ...own.terminals] : terminals.map((t) => t.id);
}
