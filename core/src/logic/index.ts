export { channelCourse, restingChannel, stepChannel, type ChannelState } from './channel-step.js';
export { filterDelay, filterNoise, stepFilter } from './filter.js';
export { baselineCounts, isLearnt } from './baseline.js';
export { back, beyond, levelsAtRest, levelsOf, unitOf, type Level } from './levels.js';
export { readsAt } from './edge.js';
export { conditionsOf, type Program } from './program.js';
export { restingLogic, type Kept, type LogicState } from './state.js';
export { mostRounds, outputDuty, outputOn, stepLogic } from './interpreter.js';
export { resetEvents, type Cause, type LogicEvent } from './logic-event.js';
export { isDue, nextPass, nextReading } from './sleep.js';
export { roundOf } from './outputs-step.js';
export { arrival, levelAt, lightnessDuty, share } from './drive.js';
export { patternOf, patterns, type Pattern } from './patterns.js';
export {
  sayAction,
  sayCondition,
  sayDrive,
  sayMode,
  sayNotice,
  sayRule,
  sayTime,
  sayTransition,
  sayTrigger,
} from './say.js';
export { truthsOf, type Truth, type Truths } from './truth.js';
