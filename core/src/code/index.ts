export * from './code.js';
export { Names, snake } from './names.js';
export { commented, lines, quoted } from './texts.js';
export { writeCpp } from './write-cpp.js';
export { writePython } from './write-python.js';
