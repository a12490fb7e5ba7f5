export { profiles, type Profile } from './profiles.js';
export { angleBetween, angularResponse, skyShare } from './angular-response.js';
export { distanceToStretch, shadedShare } from './shadow.js';
export {
  clearSky,
  declinationOf,
  sunElevation,
  sunPosition,
  throughClouds,
  type SunPosition,
  type SunTime,
} from './sky.js';
export { crossedAt, meets, type Segment } from './segments.js';
export {
  barriersOf,
  leavesBetween,
  lengthOf,
  materialsBetween,
  overWall,
  piecesOf,
  type WallPiece,
} from './obstacles.js';
export { crossesItself, isWithin, outlineArea } from './outline.js';
export { planProblems, type PlanProblem } from './plan-problems.js';
export { sunBearing, sunPasses } from './sunlight.js';
export { leavesLoss, nothingPasses, radioLoss, wallKinds, type WallKind } from './materials.js';
export { alongPath, pathLength } from './path.js';
export { discMagnetField } from './disc-magnet.js';
export { roomConcentration } from './room-gas.js';
export { reflection, staysBelow } from './body/stimulus-of-body.js';
export {
  ambientOf,
  ambientParams,
  type Ambient,
  clockAt,
  hourAt,
  isOnlyInTime,
  lightAt,
  temperatureAt,
} from './ambient.js';
export type { Alteration, Danger, HappeningKind, Moment, Receiver } from './happening-kind.js';
export {
  findHappeningKind,
  contributes,
  unsteadySpans,
  happeningKinds,
  happeningParams,
  happeningValues,
  happeningSpan,
  searchHappenings,
  turnsOf,
} from './happenings.js';
export {
  everywhereAt,
  stimulusOn,
  momentIn,
  setStage,
  type Now,
  type Sensor,
  type Source,
  type Stage,
} from './stimulus.js';
export type { Body } from './body/body.js';
export { Spans, type Span } from './spans.js';
export { isSteadyFor } from './steady.js';
export { checkScenes } from './check-scene.js';
export { aimsOf, usualAim, type Aim } from './targets.js';
export { worldParams } from './world-params.js';
export { draftHappening, draftScene, fittingKinds, happensIn } from './draft.js';
export { usualPath } from './usual-path.js';
