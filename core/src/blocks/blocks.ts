import { search } from '../catalog/index.js';
import type { Block } from './block.js';
import { bestLoadBlock } from './best-load.js';
import { comparatorBlock } from './comparator.js';
import { frontEnd } from './front-end.js';
import { schmitt555, thyristorLatch } from './latch.js';
import { ledBlock } from './led.js';
import { mosfetStage, relayStage, transistorStage } from './load-stage.js';
import { capacitiveDivider, endOfLine } from './loops.js';
import { levelShifterBlock, pullDownBlock, pullUpBlock } from './pulls.js';
import { sensorPower } from './sensor-power.js';
import { supplyFilter } from './supply-filter.js';

/** Every block, in the order in which a signal passes. */
export const blocks: readonly Block[] = [
  frontEnd,
  bestLoadBlock,
  endOfLine,
  capacitiveDivider,
  sensorPower,
  levelShifterBlock,
  pullUpBlock,
  pullDownBlock,
  comparatorBlock,
  schmitt555,
  transistorStage,
  mosfetStage,
  relayStage,
  thyristorLatch,
  ledBlock,
  supplyFilter,
];

/** Blocks that answer to a text. */
export const searchBlocks = (text: string): Block[] => search(blocks, text);
