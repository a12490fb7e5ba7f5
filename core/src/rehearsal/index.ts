export { judgeScene, rehearse, useScene } from './rehearse.js';
export type { Path } from './play.js';
export type { Outcomes, Rehearsal, Used } from './rehearsal.js';
export { quietScene, Rig } from './rig.js';
export type { Shift } from './spread.js';
export { MomentInTime } from './moment-in-time.js';
export { allOff, allOn, snapshot, switchedOn, type Decided, type Snapshot } from './snapshot.js';
export { oscillations, oscillates, type Oscillation } from './oscillation.js';
export { seededRandom, type Random } from './random.js';
export { countUpTo, valueAt, type ActingChange, type LogicChange, type Trace } from './traces.js';
export type { Exposure } from './exposure.js';
export { wentWrong, type Outcome, type Verdict } from './verdict.js';
export { chainOfVerdict, type Link } from './verdict-chain.js';
export { asRecorded } from './as-recorded.js';
export { tellTrouble, type Trouble } from './trouble.js';
export { pinStates } from './pin-states.js';
export { exactReadings, readingsIn, type Probe, type Reading } from './readings.js';
export {
  countsAt,
  stimulusAt,
  ifInstead,
  responseOf,
  SensorSweep,
  tryable,
  whatIf,
  type Response,
  type WouldRead,
} from './what-if.js';
export { chainOf, eventsOf, type Event } from './events.js';
export type { Outage } from './supervisor.js';
export { firingsOf, isSignOf, type Firing } from './firings.js';
export {
  counterTrace,
  energyTrace,
  idleBands,
  modeBands,
  ruleBands,
  sequenceBands,
  type Band,
} from './bands.js';
export { indicates } from './indicates.js';
export { usualSigns } from './usual-signs.js';
export { explain, type Asked, type Remedy, type Why } from './remedies.js';
export { missedBySampling, scoreRehearsal, type RehearsalScore, type Sampled } from './score.js';
export { circuitDoes, type Deed } from './circuit-does.js';
export {
  readingGroup,
  readingGroups,
  roomBetween,
  type ReadingGroup,
  type Room,
} from './reading-groups.js';
export {
  byAngle,
  byDistance,
  byReflectance,
  perceivedBy,
  roomIf,
  type Variant,
} from './variants.js';
