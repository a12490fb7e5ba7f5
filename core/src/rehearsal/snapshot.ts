import { kindOf, paramsOf, type Stimulus } from '../catalog/index.js';
import type { Solution } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { outputDuty, roundOf, type LogicState } from '../logic/index.js';
import type { Rehearsal } from './rehearsal.js';
import { quietScene, Rig } from './rig.js';

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
  const logic = rehearsal ? logicAt(rehearsal, t) : rig.restingLogic(at);
  const loose = rehearsal?.outages?.some(({ loose = Infinity, to }) => t >= loose && t < to);
  const solution = rig.settle(at, t, logic, !loose);
  const acting = design.parts.flatMap((part) => {
    const { acts } = kindOf(part);
    const solved = solution.parts[part.id];
    if (!acts || !solved) return [];
    const params = paramsOf(part);
    const active = acts.active(solved, params);
    return [[part.id, { active, because: acts.because(solved, params) }] as const];
  });
  const stimulus = design.parts.flatMap((part) => {
    const value = rig.perceivedBy(part.id);
    return value === undefined ? [] : [[part.id, value] as const];
  });
  return {
    t,
    solution,
    counts: Object.fromEntries(rig.counts(solution)),
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

function logicAt(rehearsal: Pick<Rehearsal, 'logic'>, t: number): LogicState {
  const reached = rehearsal.logic.filter((change) => change.t <= t);
  return (reached[reached.length - 1] ?? rehearsal.logic[0]).logic;
}

/** The controller's memory with all its outputs fully on. */
export function allOn(design: Design, resting: LogicState): LogicState {
  const on = { level: 1, at: 0, target: 1, by: '', since: 0 };
  return { ...resting, outputs: Object.fromEntries(design.outputs.map((o) => [o.id, on])) };
}
