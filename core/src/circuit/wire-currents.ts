import { splitRef, type Net, type Wire } from '../design/index.js';

/**
 * The current in each wire of a net, from the currents its terminals feed in. Wires are taken as
 * equal and without resistance, so where they close a loop the share of each is not known: those
 * are left out.
 *
 * @param intoPart current into the part at a terminal, A
 * @returns A from the wire's `from` end to its `to` end, by wire id
 */
export function wireCurrents(
  net: Net,
  intoPart: (part: string, terminal: string) => number,
): Map<string, number> {
  const currents = new Map<string, number>();
  if (net.wires.length >= net.terminals.length) return currents;
  const at = new Map<string, Wire[]>();
  for (const wire of net.wires) {
    for (const end of [wire.from, wire.to]) at.set(end, [...(at.get(end) ?? []), wire]);
  }
  /** Current the subtree hanging on `terminal` takes, seen from `from`. */
  const drawn = (terminal: string, from: Wire | undefined): number => {
    const { part, terminal: id } = splitRef(terminal);
    let sum = intoPart(part, id);
    for (const wire of at.get(terminal) ?? []) {
      if (wire === from) continue;
      const forward = wire.from === terminal;
      const taken = drawn(forward ? wire.to : wire.from, wire);
      currents.set(wire.id, forward ? taken : -taken);
      sum += taken;
    }
    return sum;
  };
  drawn(net.terminals[0], undefined);
  return currents;
}
