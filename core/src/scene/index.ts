export { angleBetween, angularResponse, skyShare } from './angular-response.js';
export { distanceToStretch, shadedShare } from './shadow.js';
export type { HappeningKind, Receiver } from './happening-kind.js';
export { findHappeningKind, happeningKinds, happeningParams, happeningSpan } from './happenings.js';
export { feel, setStage, type Sensor, type Source, type Stage } from './feel.js';
export { checkScenes } from './check-scene.js';
