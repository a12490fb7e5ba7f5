export {
  CannotBuild,
  usualAnswers,
  type Answers,
  type Ask,
  type Block,
  type Built,
} from './block.js';
export { addComparator } from './comparator.js';
export { power } from './fed-sensor.js';
export { bestLoad, usualRange, type Swing } from './best-load.js';
export { blocks, searchBlocks } from './blocks.js';
export { sensorPower } from './sensor-power.js';
export { loadAmps, loadVolts, usePin } from './load-stage.js';
