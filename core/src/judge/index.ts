export {
  exactBounds,
  moreReadings,
  readingsFor,
  scoreBounds,
  shareDifference,
  upperBound,
  upperCount,
  type Share,
} from './binomial.js';
export {
  bestLine,
  errorCurve,
  errorsAt,
  intents,
  rocArea,
  type Costs,
  type CurvePoint,
  type Intent,
  type LineErrors,
  type Readings,
  type Side,
} from './line.js';
export {
  averaging,
  judgeChannel,
  wantedShare,
  type Averaged,
  type Judgement,
} from './judgement.js';
export { measure, type Measured } from './measure.js';
export { enoughForRate, falseTriggers, hysteresisFor, noiseOf, type Noise } from './noise.js';
export { bothAbove, upperTail } from './normal.js';
export { percent, sayErrors, sayRate } from './say-errors.js';
export { kept, type SetJudgement } from './set-judgement.js';
export { unmeasured, type Unmeasured } from './unmeasured.js';
export { bestLevels, type Levels } from './best-levels.js';
