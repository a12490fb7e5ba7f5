import { terminalOf, type Terminal } from '@yurei/core/catalog';
import { deriveNets, netIndex, type Design } from '@yurei/core/design';

/**
 * Why two terminals cannot be joined, in the maker's words; empty when they can. Two supplies or a
 * supply and ground are refused outright: that wire would be a short or a fight between sources.
 */
export function impossible(design: Design, from: string, to: string): string {
  if (from === to) return 'This is where the wire starts.';
  const [a, b] = [terminalOf(design, from), terminalOf(design, to)];
  if (!a || !b) return 'There is no such terminal.';
  const netOf = netIndex(deriveNets(design));
  if (netOf(from) === netOf(to)) return 'These two are joined already.';
  const natures = [natureAround(design, from, netOf), natureAround(design, to, netOf)];
  if (natures[0].has('supply-out') && natures[1].has('supply-out')) {
    return 'Two supplies on one wire would fight each other.';
  }
  const short =
    (natures[0].has('supply-out') && natures[1].has('ground')) ||
    (natures[0].has('ground') && natures[1].has('supply-out'));
  return short ? 'This would short the supply to ground.' : '';
}

/** The roles of every terminal a terminal is already joined to, its own included. */
function natureAround(
  design: Design,
  ref: string,
  netOf: (ref: string) => string,
): Set<Terminal['role'] | undefined> {
  const net = netOf(ref);
  const joined = design.wires.flatMap((w) => [w.from, w.to]).filter((end) => netOf(end) === net);
  return new Set([ref, ...joined].map((end) => terminalOf(design, end)?.role));
}
