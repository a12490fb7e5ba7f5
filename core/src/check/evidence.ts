import { kindOf, paramsOf, type SolvedPart } from '../catalog/index.js';
import { voltsAt, type Solution } from '../circuit/index.js';
import {
  once,
  type Design,
  type Happening,
  type Scene,
  type TerminalRef,
} from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import {
  allOff,
  allOn,
  quietScene,
  Rig,
  snapshot,
  type Shift,
  type Snapshot,
  switchedOn,
} from '../rehearsal/index.js';
import { happeningSpan } from '../scene/index.js';
import type { LogicState } from '../logic/index.js';
import { wiringOf, type Wiring } from '../wiring/index.js';
import { sweepsOf } from './sweeps-of.js';

/** The circuit solved in one situation. */
export interface State {
  /** "at rest", "while firing", or "during" a happening. */
  when: string;
  solution: Solution;
  /** The same with each toleranced value alone at an end of its spread; empty where not worked out. */
  shifted: readonly Shift[];
  /** Channel readings, counts. */
  counts: ReadonlyMap<string, number>;
  /** Ids of parts that act. */
  acting: ReadonlySet<string>;
  /** The happening in whose course it is, if it is one. */
  happening?: Happening;
  /** The moment of the scene in that course, s. */
  t?: number;
}

/** States of one part's range, one after the other. */
export interface Sweep {
  /** What changes, in words. */
  label: string;
  /** It is felt, rather than set by hand. */
  felt: boolean;
  /** It comes in whole numbers, each of which is tried. */
  whole: boolean;
  /** What is tried, one for each state. */
  values: readonly number[];
  states: readonly State[];
}

/** What the rules look at. */
export interface Evidence {
  design: Design;
  scene: Scene | undefined;
  wiring: Wiring;
  /** Nothing happening, controller at rest. */
  rest: Snapshot;
  quiet: State;
  /** Every output switched on; without outputs, the moment of the scene in which most parts act. */
  fired: State;
  /** Every output switched off, whatever the program says at rest; as at rest without outputs. */
  off: State;
  /** Each output switched on alone, by its id. */
  alone: ReadonlyMap<string, State>;
  /** Each part alone through what it can feel or be set to, by its id. */
  sweeps: ReadonlyMap<string, readonly Sweep[]>;
  /** In the middle of each happening. */
  happening: readonly State[];
  /** Resistance seen into the circuit at a terminal with no pin driven, Ω; undefined when it cannot be told. */
  seen: (ref: TerminalRef) => number | undefined;
}

/** A value with its worst case over all tolerances. */
export interface Range {
  value: number;
  low: number;
  high: number;
}

/** How much is looked at. */
export interface Extent {
  /** Without worst cases nominal values stand for them, and fewer moments and values are looked at. */
  worst: boolean;
  /** Ids of the only parts that are tried through their ranges; all where it tells none. Asked once nothing else is left to solve. */
  only?: () => ReadonlySet<string> | undefined;
}

const everything: Extent = { worst: true };

/** Moments of a happening that are looked at, as shares of its duration. */
const moments = [0.3, 0.5];
/** The same where worst cases are left out. */
const oneMoment = [0.5];
/** So many values of a range are tried where worst cases are left out. */
const fewValues = 3;
/** More happenings than this are not looked at here: rehearsals are for that. */
const mostHappenings = 6;

/**
 * Solves a design in every situation the rules ask about, as far as it can be solved; each when it is first asked for, and
 * from where the circuit stands at rest.
 *
 * @param rig of this design, nothing done with it but snapshots; it is used up
 */
export function gatherEvidence(
  design: Design,
  scene: Scene | undefined,
  rig = new Rig(design),
  extent = everything,
): Evidence {
  const { worst } = extent;
  const rest = snapshot(design, scene, 0, undefined, rig);
  const quiet = stateOf(design, rig, 'at rest', rest.solution, worst);
  const standing = rig.standing;
  const fromRest = <T>(look: () => T): (() => T) =>
    once(() => {
      rig.backTo(standing);
      return look();
    });
  const happenings = fromRest(() => ({
    states: duringHappenings(design, scene, rig, worst),
    after: rig.standing,
  }));
  const happening = (): State[] => happenings().states;
  const fired = fromRest(() => firedState(design, scene, rig, quiet, happening, worst));
  const switched = fromRest(() => eachAlone(design, scene, rig, quiet));
  const sweeps = once(() => {
    // What ends something that has latched is only heard where it has.
    rig.backTo(happenings().after);
    settleStill(scene, rig);
    return sweepEach(design, rig, extent);
  });
  return {
    ...{ design, scene, wiring: wiringOf(design), rest, quiet },
    get happening() {
      return happening();
    },
    get fired() {
      return fired();
    },
    get off() {
      return switched().off;
    },
    get alone() {
      return switched().alone;
    },
    get sweeps() {
      return sweeps();
    },
    seen: (ref) => {
      if (!rig.isLoose) {
        // What is seen at a terminal is asked at rest.
        rig.backTo(standing);
        settleStill(scene, rig);
      }
      return rig.ohmsLoose(ref);
    },
  };
}

function settleStill(scene: Scene | undefined, rig: Rig): void {
  const still = { ...(scene ?? quietScene), happenings: [] };
  rig.settle(still, 0, rig.restingLogic(still));
}

function stateOf(
  design: Design,
  rig: Rig,
  when: string,
  solution: Solution,
  worst: boolean,
): State {
  const solved = solution.method !== 'none';
  return {
    when,
    solution,
    shifted: solved && worst ? rig.spread() : [],
    counts: solved ? rig.readings.counts(solution) : new Map(),
    acting: acting(design, solution),
  };
}

function acting(design: Design, solution: Solution): Set<string> {
  const active = design.parts.filter((part) => {
    const { acts } = kindOf(part);
    const solved = solution.parts[part.id];
    return acts && solved ? acts.active(solved, paramsOf(part)) : false;
  });
  return new Set(active.map((p) => p.id));
}

function firedState(
  design: Design,
  scene: Scene | undefined,
  rig: Rig,
  quiet: State,
  happening: () => readonly State[],
  worst: boolean,
): State {
  if (design.outputs.length === 0) {
    const most = [...happening()].sort((a, b) => b.acting.size - a.acting.size)[0];
    return most && most.acting.size > quiet.acting.size ? most : { ...quiet, when: 'at rest' };
  }
  const at = { ...(scene ?? quietScene), happenings: [] };
  const solution = rig.settle(at, 0, allOn(design, rig.restingLogic(at)));
  return stateOf(design, rig, 'while firing', solution, worst);
}

/** Every output off, and each alone on. */
function eachAlone(
  design: Design,
  scene: Scene | undefined,
  rig: Rig,
  quiet: State,
): Pick<Evidence, 'off' | 'alone'> {
  const at = { ...(scene ?? quietScene), happenings: [] };
  const none = allOff(design, rig.restingLogic(at));
  const state = (logic: LogicState, when: string): State => {
    const solution = rig.settle(at, 0, logic);
    return bare(design, when, solution, rig.readings.counts(solution));
  };
  if (design.outputs.length === 0) return { off: quiet, alone: new Map() };
  const off = state(none, 'with every output off');
  const alone = design.outputs.map(
    ({ id, name }) => [id, state(switchedOn(none, id), `with ${name} on`)] as const,
  );
  return { off, alone: new Map(alone) };
}

/** Every part that feels or is turned, through its range. */
function sweepEach(
  design: Design,
  rig: Rig,
  { worst, only }: Extent,
): Map<string, readonly Sweep[]> {
  const wanted = only?.();
  const parts = design.parts.filter(({ id }) => wanted?.has(id) ?? true);
  return new Map(
    parts.flatMap((part) => {
      const sweeps = sweepsOf(part, worst ? undefined : fewValues).map(
        ({ of, label, unit, whole, values }): Sweep => {
          const states = rig.trying(part.id, of, values).map(({ solution, exact }, i) => {
            const when = `with ${part.name} at ${label} ${formatQuantity(values[i] ?? 0, unit)}`;
            return bare(design, when, solution, rounded(exact));
          });
          return { label, felt: 'quantity' in of, whole, values, states };
        },
      );
      return sweeps.length > 0 ? [[part.id, sweeps] as const] : [];
    }),
  );
}

const rounded = (exact: ReadonlyMap<string, number>): Map<string, number> =>
  new Map([...exact].map(([id, value]) => [id, Math.round(value)]));

/** A state of which no worst case is asked. */
const bare = (
  design: Design,
  when: string,
  solution: Solution,
  counts: ReadonlyMap<string, number>,
): State => ({ when, solution, shifted: [], counts, acting: acting(design, solution) });

/** The circuit in the course of each happening, with the controller as at rest. */
function duringHappenings(
  design: Design,
  scene: Scene | undefined,
  rig: Rig,
  worst: boolean,
): State[] {
  if (!scene) return [];
  const resting = rig.restingLogic({ ...scene, happenings: [] });
  let most = 0;
  return scene.happenings.slice(0, mostHappenings).flatMap((happening) => {
    const { start, end } = happeningSpan(happening);
    return (worst ? moments : oneMoment).map((share): State => {
      const t = start + share * (end - start);
      const solution = rig.settle(scene, t, resting);
      const when = `during “${happening.name}”`;
      const active = acting(design, solution);
      // Without outputs one of these is the fired state, whose worst case is asked for.
      const spread = design.outputs.length === 0 && active.size > most;
      most = Math.max(most, active.size);
      if (spread) return { ...stateOf(design, rig, when, solution, worst), t, happening };
      const counts =
        solution.method === 'none' ? new Map<string, number>() : rig.readings.counts(solution);
      return { when, t, solution, shifted: [], counts, acting: active, happening };
    });
  });
}

/** Both main states: at rest and fired. */
export const mainStates = ({ quiet, fired }: Evidence): State[] =>
  quiet.solution === fired.solution ? [quiet] : [quiet, fired];

/** All states that were looked at. */
export const allStates = (evidence: Evidence): State[] => [
  ...mainStates(evidence),
  ...evidence.happening,
];

/** The same, with each output alone and each sensor through what it feels. */
export const everyState = (evidence: Evidence): State[] => [
  ...allStates(evidence),
  evidence.off,
  ...evidence.alone.values(),
  ...sweptStates(evidence, ({ felt }) => felt),
];

/** The states of all sweeps, or of some. */
export const sweptStates = (
  { sweeps }: Evidence,
  wanted: (sweep: Sweep) => boolean = () => true,
): State[] =>
  [...sweeps.values()]
    .flat()
    .filter(wanted)
    .flatMap((s) => s.states);

/** Volts at a terminal; undefined where it floats or is not wired. */
export const voltsIn = (state: State, ref: TerminalRef): number | undefined =>
  voltsAt(state.solution, ref);

/** A part as solved; undefined when nothing could be solved. */
export const solvedIn = (state: State, part: string): SolvedPart | undefined =>
  state.solution.method === 'none' ? undefined : state.solution.parts[part];

/**
 * A quantity of a state with its worst case: the changes by each tolerance, all adding up. Where a tolerance makes something
 * switch, the change is no slope and adds to nothing: what then is the case is one more case.
 */
export function range(state: State, of: (solution: Solution) => number | undefined): Range {
  const value = of(state.solution) ?? NaN;
  let reach = 0;
  const others: number[] = [];
  for (const { solution, switches } of state.shifted) {
    if (solution.method === 'none') continue;
    const shifted = of(solution) ?? value;
    if (!Number.isFinite(shifted)) continue;
    if (switches) others.push(shifted);
    else reach += Math.abs(shifted - value);
  }
  return {
    value,
    low: Math.min(value - reach, ...others),
    high: Math.max(value + reach, ...others),
  };
}
