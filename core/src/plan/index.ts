export { makeStart } from './make-start.js';
export { usualStarts, type Start } from './usual-starts.js';
export { firstDesign, type Asked, type FirstDesign } from './first-design.js';
export { firstScenes, sitesOf } from './first-scenes.js';
export { candidates, compare, type Candidate, type Compared, type Offered } from './compare.js';
export { effectOf, eitherOrs, type Effect, type EitherOr } from './either-or.js';
export { chancesOf, type Chance, type Nights } from './chances.js';
export { beamPairs, beamsOf, type Beam, type BeamPair } from './beams.js';
export { crossingBeams, type Alike, type Crossing, type CrossingBeams } from './crossing-beams.js';
export { radioWays, type RadioWay } from './repeaters.js';
export { blindPath, edgeOf, type BlindPath } from './blind-path.js';
export { centreOf, coverage, type Area, type Coverage } from './coverage.js';
export { isSomewhere, type Thing } from './presence.js';
export { addAlike, spreadAlike } from './alike.js';
export { aWeighting, heardAt, quietEnough, wantedOver, type Heard } from './loudness.js';
export {
  fresnelRadius,
  freeSpaceLoss,
  knifeEdgeLoss,
  radioReach,
  wantedMargin,
  type RadioReach,
} from './radio.js';
export { glareIn, sunGlare, type Glare } from './sun-glare.js';
export { ringOf, type Ring } from './ring.js';
export type { Guard } from './place-search.js';
export { closingPlaces, mostAdded, suggestPlaces, type Suggestion } from './suggest.js';
export { powerCut, type PowerCut } from './power-cut.js';
export { noticesFor, unreadNotices, type Notice } from './notices.js';
export { tripPoints, type TripPoint } from './watchers.js';
export { tryIn, untried } from './untried.js';
export type { Dealt, Performance, Signal } from './performance.js';
export { sidesOf, type Sides } from './sides.js';
export {
  criteria,
  evenWeights,
  fooledBy,
  rank,
  reasonOf,
  type Criterion,
  type Ranked,
  type Weights,
} from './rank.js';
