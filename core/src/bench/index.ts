export { LiveBench } from './live-bench.js';
export { StandInBoard, type HappeningReader } from './stand-in-board.js';
export {
  columnFor,
  columnOf,
  highestRate,
  longestLine,
  parseBoardLine,
  protocolVersion,
  type BoardLine,
} from './board-lines.js';
