import type { SolvedPart } from '../catalog/index.js';
import type { Memory } from '../circuit/index.js';
import type { Scene } from '../design/index.js';
import type { LogicState } from '../logic/index.js';
import { findHappeningKind } from '../scene/index.js';
import type { EdgeWatch } from './edge-watch.js';
import type { RigMark } from './turns.js';
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
  course: CourseMark | RigMark;
  logic: LogicState;
  /** So many changes of the program, and of what acts, had been. */
  changes: { logic: number; acting: number };
  /** Readings so far, by channel. */
  taken: ReadonlyMap<string, number>;
  edge: EdgeWatch['mark'];
  unsteady: number;
  supervisor: { now: Running; since: number; outages: readonly Outage[] };
  heard: readonly Heard[];
}

/** Where another run stood, and what was taken down in it. */
export interface Resumption {
  mark: PlayMark;
  logicLog: readonly LogicChange[];
  acting: readonly ActingChange[];
}

/** The last mark of a scene at which nothing had begun that another scene lacks. */
export function markBefore(
  marks: readonly PlayMark[],
  { happenings }: Scene,
  other: Scene,
): PlayMark | undefined {
  const kept = new Set(other.happenings.map((h) => h.id));
  const lacks = happenings.filter((h) => !kept.has(h.id));
  // What a scene opens or bridges is in its circuit from the beginning.
  if (lacks.some((h) => findHappeningKind(h.kind)?.breaks)) return undefined;
  const first = Math.min(...lacks.map((h) => h.start));
  return marks.findLast((mark) => mark.t < first);
}
