export { Circuit, solveOnce } from './circuit.js';
export { PartValues } from './part-values.js';
export {
  sayVolts,
  toldLater,
  voltsAt,
  type CircuitProblem,
  type Solution,
  type SolvedNet,
} from './solution.js';
export type { Method } from './operating-point.js';
export { SingularMatrixError, SparseLU } from '../equations/index.js';
export { thermalVoltage } from '../element/index.js';
export { close } from './newton.js';
export { Network, type Memory, type Steady } from './network.js';
export type { PlacedElement } from './structure.js';
export {
  Transient,
  type Halt,
  type Observer,
  type Ticker,
  type TransientOptions,
} from './transient.js';
export { sweep, type Sweep, type SweepPoint, type Trip } from './sweep.js';
export { worstCase, type Contribution, type WorstCase } from './worst-case.js';
export { noiseAt, readingNoise, sourceOhms, type Noise } from './small-signal.js';
export { StressWatch, type PartPeaks, type PeakStress } from './stress.js';
export {
  runTransient,
  type ActChange,
  type Drive,
  type Run,
  type RunOptions,
} from './run-transient.js';
export { runCycles, type Cycles, type CyclesDone } from './run-cycles.js';
export { feltRange, type FeltRange } from './felt-range.js';
export type { Chatter } from './chatter.js';
export {
  characteristic,
  curveOf,
  hasCurve,
  readings,
  testBench,
  type Characteristic,
} from './characteristic.js';
