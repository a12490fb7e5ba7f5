export * from './code.js';
export { Names, snake } from './names.js';
export { commented, lines, quoted } from './texts.js';
export { writeC, writeCpp, type Attributes } from './write-c-family.js';
export { writePython } from './write-python.js';
