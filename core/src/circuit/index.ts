export { Circuit, solveOnce } from './circuit.js';
export { voltsAt, type CircuitProblem, type Solution, type SolvedNet } from './solution.js';
export type { Method } from './operating-point.js';
export { SingularMatrixError, SparseLU } from './sparse-lu.js';
export { thermalVoltage } from './devices/index.js';
