import type { Halt } from '../circuit/index.js';
import { formatQuantity } from '../quantity/index.js';

const words: Readonly<Record<Halt, string>> = {
  'too many steps': 'something in the circuit changes too often to be followed any further',
  stopped: 'it was stopped',
  'no solution': 'no solution of the circuit was found there',
};

/**
 * Why a run ended before its time, as it is told.
 *
 * @param busiest what changed most quickly at its end, and the mean time between its changes, s
 */
export const haltWords = (halt: Halt, busiest?: { name: string; every: number }): string =>
  halt === 'too many steps' && busiest
    ? `${busiest.name} changes every ${formatQuantity(busiest.every, 's')}, too often to be followed any further`
    : words[halt];
