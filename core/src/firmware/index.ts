export { eightBitBoard } from './boards/eight-bit-board.js';
export type { Board } from './board.js';
export { writeFirmware, type Firmware } from './firmware.js';
export { lacksOf, type Lack } from './lacks.js';
