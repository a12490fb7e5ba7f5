export { channelCourse, restingChannel, stepChannel, type ChannelState } from './channel-step.js';
export { filterDelay, filterNoise, stepFilter } from './filter.js';
export { baselineCounts, isLearnt } from './baseline.js';
export { back, beyond, levelsAtRest, levelsOf, unitOf, type Level } from './levels.js';
export { readsAt } from './edge.js';
export {
  nextHoldEnd,
  nextReading,
  outputOn,
  restingLogic,
  stepLogic,
  type LogicState,
  type Program,
} from './interpreter.js';
