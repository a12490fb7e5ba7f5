import type { Design, Scene } from '../design/index.js';
import { happeningSpan } from '../scene/index.js';
import type { CoSimulation } from './co-simulation.js';
import type { DamageWatch } from './damage-watch.js';
import type { Firing } from './firings.js';
import { haltWords } from './halt-words.js';
import type { Inputs } from './inputs.js';
import { jamsIn } from './jammed.js';
import type { Naps } from './naps.js';
import type { Recorder } from './recorder.js';
import type { Outcomes, Rehearsal, Used } from './rehearsal.js';
import type { Rests } from './rests.js';
import type { Rig } from './rig.js';
import type { Supervisor } from './supervisor.js';
import type { LogicChange } from './traces.js';
import { electricalOf, notFollowed, type Electrical } from './troubles.js';
import { judge } from './verdict.js';

/** A run through a scene that has come to its end, with all that was taken down in it. */
export interface Played {
  readonly design: Design;
  readonly scene: Scene;
  readonly circuit: Rehearsal['circuit'];
  readonly rig: Rig;
  /** The circuit in time, where it was rehearsed so. */
  readonly timed?: CoSimulation;
  readonly inputs: Inputs;
  readonly recorder: Recorder;
  readonly supervisor: Supervisor;
  readonly damage: DamageWatch;
  readonly changes: LogicChange[];
  readonly naps: Naps;
  readonly rests?: Rests;
  /** What batteries held at the beginning. */
  readonly held?: CoSimulation['held'];
  /** Of so many readings one is kept while nothing happens. */
  readonly stride: number;
  /** What fires in the scene with some of its happenings only. */
  replay(other: Scene, until?: number): Firing[];
}

/** All of a run that screens and files show. */
export function rehearsalOf(run: Played): Rehearsal {
  const { scene, recorder, supervisor } = run;
  return {
    scene: scene.id,
    seed: scene.seed,
    duration: scene.duration,
    circuit: run.circuit,
    readings: run.inputs.readings,
    felt: recorder.felt,
    nets: recorder.nets,
    outputs: recorder.outputs,
    watts: recorder.watts,
    relays: recorder.relays,
    relayOperations: recorder.relayOperations,
    outages: supervisor.outages.map((o) => ({ ...o, to: Math.min(o.to, scene.duration) })),
    asleep: run.naps.until(scene.duration),
    jams: jamsIn(scene),
    acting: recorder.acting,
    logic: run.changes,
    ...electricalIn(run),
    keptEvery: run.stride,
    solves: run.rig.solves,
    ...judgeRun(run),
  };
}

/** How a run came out. */
export function judgeRun(run: Played): Outcomes {
  const { design, recorder, changes, supervisor } = run;
  const record = {
    readings: run.inputs.readings,
    acting: recorder.acting,
    logic: changes,
    outages: supervisor.outages,
  };
  const { verdicts, spurious } = judge(design, playedScene(run), run.rig, record, {
    separate: (from, to) => run.rests?.separate(from, to) ?? false,
    replay: (other, until) => run.replay(other, until),
  });
  return { verdicts, spurious, ...haltOf(run) };
}

/** What a run used up: of the charge of each battery, and of the life of contacts. */
export function usedIn({ held, timed, recorder, supervisor }: Played): Used {
  const before = new Map(held?.map(({ part, now }) => [part, now]));
  return {
    charges: (timed?.held ?? []).map(({ part, now, full }) => ({
      part,
      share: ((before.get(part) ?? now) - now) / full,
    })),
    relayOperations: recorder.relayOperations,
    outages: supervisor.outages,
  };
}

function electricalIn({ design, scene, timed, damage, supervisor }: Played): Electrical {
  if (!timed) return notFollowed;
  const { peaks, chatters, dryRuns } = timed;
  const { outages } = supervisor;
  return electricalOf(design, scene, { peaks, chatters, dryRuns, damage, outages });
}

/** The scene as far as it was played. */
function playedScene(run: Played): Scene {
  const { scene } = run;
  const { t = Infinity } = haltOf(run).halted ?? {};
  const happenings = scene.happenings.filter((h) => happeningSpan(h).end <= t);
  return t === Infinity ? scene : { ...scene, happenings };
}

function haltOf({ design, timed }: Played): Pick<Outcomes, 'halted'> {
  if (!timed?.halt) return {};
  const { now, halt, busiest } = timed;
  const name = design.parts.find((p) => p.id === busiest?.part)?.name;
  const because = haltWords(halt, busiest && name ? { name, every: busiest.every } : undefined);
  return { halted: { t: now, because } };
}
