import type { Quantity } from '../catalog/index.js';
import type { Memory, Solution } from '../circuit/index.js';
import type { Felt } from './stimuli.js';

/** Solutions from which turns are remembered. */
const mostTurns = 64;

/** The state of a settled circuit and what is felt in it: enough to come back to it. */
export interface RigMark {
  memory: Memory;
  stimulus: Felt;
}

/** A solution, and the state of the circuit in it. */
export interface Turned extends RigMark {
  solution: Solution;
}

/** Where turns of pins have led from a solution, while nothing else has changed. */
export class Turns {
  private readonly known = new Map<Solution, Map<string, Turned>>();

  /** Where the same turn has led from a solution. */
  from(before: Solution, turn: string): Turned | undefined {
    return this.known.get(before)?.get(turn);
  }

  /** Where the same turn has led to the same state, from wherever it was. */
  to(turn: string, { memory, stimulus }: RigMark): Turned | undefined {
    return [...this.known.values()]
      .flatMap((turned) => turned.get(turn) ?? [])
      .find((t) => sameState(t.memory, memory) && sameFelt(stimulus, t.stimulus));
  }

  note(before: Solution, turn: string, turned: Turned): void {
    if (this.known.size > mostTurns) this.clear();
    const from = this.known.get(before) ?? new Map<string, Turned>();
    this.known.set(before, from.set(turn, turned));
  }

  clear(): void {
    this.known.clear();
  }
}

/** Whether two states of a circuit are one, but for the last digits that a solver leaves. */
const sameState = (a: Memory, b: Memory): boolean =>
  a.modes.every((mode, i) => mode === b.modes[i]) &&
  a.x.every((value, i) => nearly(value, b.x[i] ?? NaN));

/** Whether the same is felt: some of it, as what a bus chip reads, is not in the circuit. */
const sameFelt = (now: Felt, then: Felt): boolean =>
  [...now].every(([part, felt]) =>
    Object.entries(felt).every(([quantity, value]) =>
      nearly(value, then.get(part)?.[quantity as Quantity] ?? Infinity),
    ),
  );

const nearly = (a: number, b: number): boolean =>
  Math.abs(a - b) <= 1e-7 * Math.max(1, Math.abs(a));
