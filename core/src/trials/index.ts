export { sampleTrial, usualVariation, type Corner, type Sampled, type Variation } from './vary.js';
export { rehearseTrial, triedIn, type Trial } from './trial.js';
export { summarise, type HappeningRecord, type TrialsSummary } from './summary.js';
export { correlationOf, ranks, type Influence } from './ranking.js';
export {
  sweptFacts,
  sweepableIn,
  sameParameter,
  withValue,
  type SweptParameter,
  type SweptFacts,
} from './swept-parameter.js';
export {
  axisValues,
  caseTrial,
  casesOf,
  withSampled,
  type Axis,
  type Case,
  type CaseTrial,
  type KeptTrial,
  type Study,
} from './study.js';
export { compared, scoreOf, type Compared, type Score } from './score.js';
export { axesProblem, axisAround, firstAxes } from './axes.js';
