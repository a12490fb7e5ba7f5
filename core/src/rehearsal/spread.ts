import { kindOf, paramOf } from '../catalog/index.js';
import type { Circuit, Solution } from '../circuit/index.js';
import type { Design } from '../design/index.js';

/** Capacitances and inductances do not matter where nothing changes. */
const reactive: ReadonlySet<string> = new Set(['farads', 'henries']);

/** The circuit with one value at an end of its spread, and whether something in it has switched by that. */
export interface Shift {
  solution: Solution;
  switches: boolean;
}

/**
 * A circuit as it stands, solved again with each toleranced value alone at the upper end of its spread:
 * what the worst case of anything in it is made of. Where something switches on the way, at the lower end as well. Only
 * parts are told, not nets and wires. Everything is put back afterwards.
 */
export function spreadOf(design: Design, circuit: Circuit): Shift[] {
  const { network } = circuit;
  const memory = network.remember();
  const at = (part: string, id: string, value: number, share: number): Shift => {
    circuit.setParams(part, { [id]: value * (1 + share) });
    const solution = circuit.solve(true);
    const { modes } = network.remember();
    circuit.setParams(part, { [id]: value });
    network.recall(memory);
    return { solution, switches: modes.some((mode, i) => mode !== memory.modes[i]) };
  };
  return design.parts.flatMap((part) =>
    kindOf(part).params.flatMap(({ id, tolerance = 0 }) => {
      if (tolerance === 0 || reactive.has(id)) return [];
      const value = paramOf(part, id);
      if (value === 0) return [];
      const upper = at(part.id, id, value, tolerance);
      return upper.switches ? [upper, at(part.id, id, value, -tolerance)] : [upper];
    }),
  );
}
