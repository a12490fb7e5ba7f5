import { kindOf, paramsOf, type Stimulus } from '../catalog/index.js';
import type { Solution } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { outputDuty, roundOf, type LogicState } from '../logic/index.js';
import type { Course } from './course.js';
import type { Rehearsal } from './rehearsal.js';
import { quietScene, Rig } from './rig.js';
import { SettledCourse } from './settled-course.js';
import type { Outage } from './supervisor.js';
import type { LogicChange } from './traces.js';

/** The whole bench at one moment: what a picture of the circuit shows. */
export interface Snapshot {
  t: number;
  solution: Solution;
  /** Counts by channel id, without noise. */
  counts: Record<string, number>;
  /** What each part feels, by quantity. */
  stimulus: Record<string, Partial<Stimulus>>;
  /** Parts that act, with the reason. */
  acting: Record<string, { active: boolean; because: string }>;
  tripped: Record<string, boolean>;
  /** What the controller has decided. */
  decided: Decided;
}

/** The controller's decisions at a moment, by id. */
export interface Decided {
  modes: Record<string, string>;
  counters: Record<string, number>;
  rules: Record<string, boolean>;
  /** Seconds into each sequence that plays. */
  playing: Record<string, number>;
  /** Share of the time each output is on. */
  outputs: Record<string, number>;
}

/**
 * The bench at a moment of a rehearsal, or, without one, at rest in the first moment of the scene.
 *
 * @param rehearsal gives the controller's decisions at `t`; its scene must be the one given
 */
export function snapshot(
  design: Design,
  scene: Scene | undefined,
  t = 0,
  rehearsal?: Pick<Rehearsal, 'logic'> & Partial<Pick<Rehearsal, 'outages'>>,
  rig = new Rig(design, scene),
): Snapshot {
  const stage = scene ?? quietScene;
  const at = rehearsal ? stage : { ...stage, happenings: [] };
  const logic = rehearsal ? logicAt(rehearsal.logic, t) : rig.restingLogic(at);
  const course = new SettledCourse(rig, at);
  course.at(t, logic, !isLoose(rehearsal?.outages, t));
  return pictureOf(design, course, logic, t);
}

/** Everything that is to be seen of a circuit that stands at a moment. */
export function pictureOf(design: Design, course: Course, logic: LogicState, t: number): Snapshot {
  const solution = course.present();
  const acting = design.parts.flatMap((part) => {
    const { acts } = kindOf(part);
    const solved = solution.parts[part.id];
    if (!acts || !solved) return [];
    const params = paramsOf(part);
    const active = acts.active(solved, params);
    return [[part.id, { active, because: acts.because(solved, params) }] as const];
  });
  const stimulus = design.parts.flatMap((part) => {
    const value = course.perceivedBy(part.id);
    return value === undefined ? [] : [[part.id, value] as const];
  });
  const counts = [...course.exact()].map(([id, value]) => [id, Math.round(value)]);
  return {
    t,
    solution,
    counts: Object.fromEntries(counts),
    stimulus: Object.fromEntries(stimulus),
    acting: Object.fromEntries(acting),
    tripped: Object.fromEntries(
      Object.entries(logic.channels).map(([id, channel]) => [id, channel.tripped]),
    ),
    decided: decidedBy(design, logic, t),
  };
}

function decidedBy(design: Design, logic: LogicState, t: number): Decided {
  const each = <A, B>(of: Readonly<Record<string, A>>, to: (a: A) => B): Record<string, B> =>
    Object.fromEntries(Object.entries(of).map(([id, a]) => [id, to(a)]));
  return {
    modes: each(logic.modes, (m) => m.mode),
    counters: { ...logic.counters },
    rules: each(logic.rules, (r) => r.active),
    playing: Object.fromEntries(
      design.sequences.flatMap((s) => {
        const began = logic.playing[s.id];
        return began === undefined ? [] : [[s.id, t - roundOf(s, began, t)] as const];
      }),
    ),
    outputs: Object.fromEntries(design.outputs.map((o) => [o.id, outputDuty(logic, o, t)])),
  };
}

/** What the controller had decided at a moment. */
export function logicAt(changes: readonly LogicChange[], t: number): LogicState {
  const last = changes.findLast((change) => change.t <= t) ?? changes[0];
  if (!last) throw new RangeError('A run has the state it begins with.');
  return last.logic;
}

/** Whether the controller's pins were inputs at a moment. */
export const isLoose = (outages: readonly Outage[] | undefined, t: number): boolean =>
  !!outages?.some(({ loose = Infinity, to }) => t >= loose && t < to);

const fully = (level: 0 | 1) => ({ level, at: 0, target: level, by: '', since: 0 });

const all = (design: Design, resting: LogicState, level: 0 | 1): LogicState => ({
  ...resting,
  outputs: Object.fromEntries(design.outputs.map((o) => [o.id, fully(level)])),
});

/** The controller's memory with all its outputs fully on. */
export const allOn = (design: Design, resting: LogicState): LogicState => all(design, resting, 1);

/** The same with all of them off. */
export const allOff = (design: Design, resting: LogicState): LogicState => all(design, resting, 0);

/** The same with one more output fully on. */
export const switchedOn = (logic: LogicState, output: string): LogicState => ({
  ...logic,
  outputs: { ...logic.outputs, [output]: fully(1) },
});
