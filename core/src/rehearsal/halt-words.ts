import type { Halt } from '../circuit/index.js';

/** Why a run ended before its time, as it is told. */
export const haltWords: Readonly<Record<Halt, string>> = {
  'too many steps': 'something in the circuit changes too often to be followed any further',
  stopped: 'it was stopped',
  'no solution': 'no solution of the circuit was found there',
};
