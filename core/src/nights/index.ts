export { drawNight, usualVariation, type Corner, type Drawn, type Variation } from './vary.js';
export { rehearseNight, type Night } from './night.js';
export { summarise, type HappeningRecord, type NightsSummary } from './summary.js';
export { correlationOf, ranks, type Influence } from './ranking.js';
export { dialFacts, dialsOf, sameDial, turned, type Dial, type DialFacts } from './dial.js';
export {
  axisValues,
  caseNight,
  casesOf,
  withDrawn,
  type Axis,
  type Case,
  type CaseNight,
  type KeptNight,
  type Study,
} from './study.js';
export { compared, scoreOf, type Compared, type Score } from './score.js';
export { axesProblem, axisAround, firstAxes } from './axes.js';
