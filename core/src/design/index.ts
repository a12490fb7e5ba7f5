export * from './types.js';
export { emptyDesign } from './empty-design.js';
export { splitRef, terminalRef } from './terminal-ref.js';
export { deriveNets, netIndex, type Net } from './nets.js';
export { EditError, type Edit } from './edit.js';
export { applyEdit } from './apply-edit.js';
export { makeEdit, redo, startHistory, undo, type History } from './history.js';
export { freshId } from './fresh-id.js';
export { migrate, type Migration } from './migrate.js';
