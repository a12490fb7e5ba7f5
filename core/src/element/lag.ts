import type { System } from '../equations/index.js';
import { across } from './two-terminal.js';

/** An error of this much in a level does not matter. */
const fine = 1e-6;

/** First-order lag towards a target: τ·dy/dt = target − y, with τ by the way it goes. */
export function lag(system: System, node: number, times: () => { up: number; down: number }) {
  const diagonal = system.slot(node, node);
  const state = system.addState(fine);
  return {
    /** Stamps τ·dy/dt + y = target; the target's own part must be added by the caller. */
    load: (target: number): void => {
      const { up, down } = times();
      const tau = target >= across(system.x, node, -1) ? up : down;
      system.values[diagonal] += 1 + tau * system.alpha;
      system.rhs[system.at(node)] += target - tau * system.history[state];
    },
    store: (): void => {
      system.q[state] = across(system.x, node, -1);
    },
    reset: (value: number): void => {
      system.q[state] = value;
    },
  };
}
