export { driftBorne, ride, slowestNoticed, type Ramp, type Ridden } from './adaptive.js';
export {
  designComparator,
  preferredBetween,
  tripPoints,
  type ComparatorNetwork,
  type ComparatorTask,
} from './comparator-network.js';
export { missChance, slowestAnswer, slowestReading } from './sampling.js';
export { timerSchmitt, type TimerSchmitt } from './schmitt-timer.js';
export {
  handDegrees,
  spreadTrimmer,
  travel,
  trimmerSetting,
  type SpreadTrimmer,
  type TrimmerSetting,
  type TrimmerSpan,
} from './trimmer.js';
export { inUnit, usualLearnt, withBaseline } from './rebase.js';
