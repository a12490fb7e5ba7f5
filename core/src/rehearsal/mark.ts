import type { SolvedPart } from '../catalog/index.js';
import type { Memory } from '../circuit/index.js';
import type { LogicState } from '../logic/index.js';
import type { EdgeWatch } from './edge-watch.js';
import type { Heard } from './sensor-noise.js';
import type { Running, Outage } from './supervisor.js';
import type { ActingChange, LogicChange } from './traces.js';

/** A circuit in time at a moment: enough to go on from there. */
export interface CourseMark {
  t: number;
  memory: Memory;
  /** Charges and fluxes. */
  states: Float64Array;
  /** The light and sound that sensors were told of. */
  sent: ReadonlyMap<string, SolvedPart>;
  /** Levels of channels that are watched for edges. */
  levels: ReadonlyMap<string, number | undefined>;
}

/** A run through a scene at a moment just before something happens. */
export interface PlayMark {
  t: number;
  course: CourseMark;
  logic: LogicState;
  logicLog: readonly LogicChange[];
  acting: readonly ActingChange[];
  /** Readings so far, by channel. */
  taken: ReadonlyMap<string, number>;
  edge: EdgeWatch['mark'];
  unsteady: number;
  supervisor: { now: Running; since: number; outages: readonly Outage[] };
  heard: Heard | undefined;
}
