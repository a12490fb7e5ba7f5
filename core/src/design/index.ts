export * from './types.js';
export * from './plan.js';
export * from './program.js';
export * from './brief.js';
export {
  largestBackdrop,
  largestCount,
  longestCode,
  mostReadings,
  mostReadingsInAll,
} from './limits.js';
export { emptyDesign } from './empty-design.js';
export { splitRef, terminalRef } from './terminal-ref.js';
export { deriveNets, netIndex, type Net } from './nets.js';
export { EditError, type Edit } from './edit.js';
export { applyEdit } from './apply-edit.js';
export { makeEdit, redo, startHistory, undo, type History } from './history.js';
export { freshId } from './fresh-id.js';
export { nameOf } from './name-of.js';
export { migrate, type Migration } from './migrate.js';
export { withoutAttachments } from './without-attachments.js';
export { consecutive } from './consecutive.js';
export { DisjointSets } from './disjoint-sets.js';
export { once } from './once.js';
export { everyCondition, outerConditions } from './every-condition.js';
