export { boards, boardOf, type Target } from './boards/index.js';
export { eightBitBoard } from './boards/eight-bit-board.js';
export { radioBoard } from './boards/radio-board.js';
export { smallComputer } from './boards/small-computer.js';
export type { Board } from './board.js';
export { firmwareOf, lacksOf, writeFirmware, type Firmware } from './firmware.js';
export { plainStem, projectOf, type ProjectFile } from './project.js';
export type { Lack } from './lacks.js';
export * from './proof/index.js';
