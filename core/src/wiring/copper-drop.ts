import { copperOhms, type NamedNet } from '../catalog/index.js';
import type { TerminalRef, Wire } from '../design/index.js';

/** Copper area taken for a wire whose gauge is not recorded, m²: usual hook-up wire. */
export const usualGauge = 0.22e-6;
/** Current that hook-up wire carries in a bundle without getting hot, A/m² (common practice: 6 A/mm²). */
const density = 6e6;

/**
 * Resistance of a wire; 0 where no length is recorded.
 *
 * @returns Ω at 25 °C
 * @example wireOhms({ length: 1, gauge: 0.22e-6 }) // 0.0799
 */
export const wireOhms = ({ length = 0, gauge = usualGauge }: Wire): number =>
  gauge > 0 ? copperOhms(length, gauge) : 0;

/**
 * The largest current a wire carries for good; undefined where no gauge is recorded.
 *
 * @returns A
 * @example wireAmps({ gauge: 0.5e-6 }) // 3
 */
export const wireAmps = ({ gauge }: Wire): number | undefined =>
  gauge === undefined ? undefined : gauge * density;

/**
 * How far each terminal of a net stands from the net's first one because of the resistance of the wires, V.
 * Wires that close a loop are left out, as their currents are not known.
 *
 * @param currents of each wire from its `from` end to its `to` end, A
 */
export function potentials(
  net: NamedNet,
  currents: Readonly<Record<string, number>>,
): Map<TerminalRef, number> {
  const open = net.terminals.slice(0, 1);
  const at = new Map<TerminalRef, number>(open.map((first) => [first, 0]));
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    for (const wire of net.wires) {
      const forward = wire.from === here;
      if (!forward && wire.to !== here) continue;
      const there = forward ? wire.to : wire.from;
      if (at.has(there)) continue;
      const drop = (currents[wire.id] ?? 0) * wireOhms(wire) * (forward ? 1 : -1);
      at.set(there, (at.get(here) ?? 0) - drop);
      open.push(there);
    }
  }
  return at;
}
