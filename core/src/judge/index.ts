export { exactBounds, readingsFor, type Share } from './binomial.js';
export {
  bestLine,
  errorsAt,
  intents,
  rocArea,
  type Costs,
  type Intent,
  type LineErrors,
  type ReadingSet,
} from './line.js';
export { falseTriggers, hysteresisFor, noiseOf, type Noise } from './noise.js';
export { bothAbove, upperTail } from './normal.js';
