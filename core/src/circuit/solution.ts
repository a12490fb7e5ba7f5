import type { NamedNet, SolvedPart } from '../catalog/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { Method } from './operating-point.js';

export interface SolvedNet extends NamedNet {
  /** Undefined where no path leads to ground, so that no voltage is fixed, and beyond the boundary to mains. */
  volts: number | undefined;
}

/** Something in the wiring that keeps a value from being computed. */
export interface CircuitProblem {
  kind: 'floating' | 'no-ground' | 'source-loop' | 'oscillates' | 'unsolvable';
  /** In the maker's words, naming nets and parts. */
  message: string;
  cure: string;
  parts: string[];
  nets: string[];
}

/** One solved state of the circuit. Nothing in it is kept in the design. */
export interface Solution {
  nets: SolvedNet[];
  parts: Readonly<Record<string, SolvedPart>>;
  /** Current along each wire from its `from` to its `to` end, A; wires in a loop are left out. */
  wires: Readonly<Record<string, number>>;
  problems: CircuitProblem[];
  iterations: number;
  method: Method | 'none';
}

/** A solution whose nets and wires are worked out when they are first asked for: of most of many solutions nobody does. */
export function toldLater(
  {
    parts,
    problems,
    iterations,
    method,
  }: Pick<Solution, 'parts' | 'problems' | 'iterations' | 'method'>,
  nets: () => SolvedNet[],
  wires: () => Readonly<Record<string, number>>,
): Solution {
  const known: { nets?: SolvedNet[]; wires?: Readonly<Record<string, number>> } = {};
  return {
    get nets() {
      return (known.nets ??= nets());
    },
    parts,
    get wires() {
      return (known.wires ??= wires());
    },
    ...{ problems, iterations, method },
  };
}

/** The same solution once more, at another moment: what is told of a moment is known by its solution. */
export const again = (solution: Solution): Solution =>
  toldLater(
    {
      parts: solution.parts,
      problems: [...solution.problems],
      method: solution.method,
      iterations: 0,
    },
    () => solution.nets,
    () => solution.wires,
  );

/** The voltage of a net in words: why there is none, where there is none. */
export const sayVolts = (net: SolvedNet | undefined, digits?: number): string =>
  net?.nature === 'mains'
    ? 'mains'
    : net?.volts === undefined
      ? 'floating'
      : formatQuantity(net.volts, 'V', digits);

const byTerminal = new WeakMap<Solution, ReadonlyMap<string, SolvedNet>>();

/** The voltage at a terminal of a solved circuit, undefined where it floats or is not wired. */
export function voltsAt(solution: Solution, ref: string): number | undefined {
  let nets = byTerminal.get(solution);
  if (!nets) {
    nets = new Map(solution.nets.flatMap((net) => net.terminals.map((t) => [t, net] as const)));
    byTerminal.set(solution, nets);
  }
  return nets.get(ref)?.volts;
}
