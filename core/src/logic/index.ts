export { clearLevel, restingChannel, stepChannel, type ChannelState } from './channel-step.js';
export {
  nextHoldEnd,
  nextReading,
  outputOn,
  restingLogic,
  stepLogic,
  type LogicState,
  type Program,
} from './interpreter.js';
