import {
  briefly,
  check,
  fiveQuestions,
  gatherEvidence,
  type Answer,
  type Finding,
} from '@yurei/core/check';
import {
  diagnoseFirst,
  outcomesOf,
  type Diagnosis,
  type FirstDiagnosis,
} from '@yurei/core/diagnosis';
import { findKind, type Numbers } from '@yurei/core/catalog';
import { characteristic, type Characteristic } from '@yurei/core/circuit';
import { EditError } from '@yurei/core/design';
import type {
  Channel,
  Design,
  Edit,
  Happening,
  Point,
  ReadingSet,
  Scene,
} from '@yurei/core/design';
import { averaging, judgeChannel, type Averaged, type Judgement } from '@yurei/core/judge';
import {
  blindPath,
  closingPlaces,
  compare,
  coverage,
  edgeOf,
  effectOf,
  eitherOrs,
  powerCut,
  ringOf,
  suggestPlaces,
  tripPoints,
  type BlindPath,
  type Candidate,
  type Compared,
  type Coverage,
  type Effect,
  type EitherOr,
  type PowerCut,
  type Ring,
  type Suggestion,
  type Thing,
  type TripPoint,
} from '@yurei/core/plan';
import { caseTrial, casesOf, type CaseTrial, type Study } from '@yurei/core/trials';
import { runDown, type RunDown } from '@yurei/core/lifetime';
import {
  chainOfVerdict,
  circuitDoes,
  explain,
  type Asked,
  ifInstead,
  missedBySampling,
  MomentInTime,
  quietScene,
  rehearse,
  responseOf,
  oscillations,
  Rig,
  snapshot,
  whatIf,
  type Deed,
  type Link,
  type LogicChange,
  type Outage,
  type Rehearsal,
  type Response,
  type Oscillation,
  type Outcomes,
  type Sampled,
  type Snapshot,
  type Why,
  type WouldRead,
} from '@yurei/core/rehearsal';
import { writeIn, type Manner } from '@yurei/core/quantity';
import {
  designComparator,
  type ComparatorNetwork,
  type ComparatorTask,
} from '@yurei/core/threshold';

/** A moment to look at the circuit in: at rest, or in a rehearsal with the decisions taken there. */
export interface Moment {
  t: number;
  logic: LogicChange[];
  outages: Outage[];
  asleep: Rehearsal['asleep'];
}

/** What trips the channels of the design that was looked over last: the same while its sensors are moved about. */
let tripping: { key: string; points: TripPoint[] } | undefined;

function pointsOf(design: Design, scene: Scene): TripPoint[] {
  const { parts, wires, controller, channels } = design;
  const placeless = parts.map(({ place: _place, ...part }) => part);
  const key = JSON.stringify([placeless, wires, controller, channels, scene.ambient]);
  if (tripping?.key !== key) tripping = { key, points: tripPoints(design, scene) };
  return tripping.points;
}

/** What comes of looking over the whole plan; nothing for what has no body, or where there is no way. */
export interface Covered {
  coverage: Coverage | undefined;
  blind: BlindPath | undefined;
}

const sceneOf = (design: Design, id: string | undefined) => design.scenes.find((s) => s.id === id);

/** The bench as it was last looked at: what is asked of it next is mostly about the same design. */
let kept: { key: string; design: Design; scene: Scene | undefined; rig: Rig } | undefined;

/** The rehearsal in time of which a moment was looked at last: the next one follows from there. */
let moments: { key: string; logic: number; at: MomentInTime } | undefined;

/** What is left to try where one mistake did not explain all that was found last. */
let unexplained: FirstDiagnosis['countOnTwo'];

const keyOf = (design: Design, scene: string | undefined): string =>
  JSON.stringify([design, scene]);

/** What the workers answer. */
export const bench = {
  /** Writes numbers in its sentences so; it is told before anything is asked. */
  writeIn(manner: Manner): void {
    writeIn(manner);
  },

  /** The solved circuit at a moment. */
  look(design: Design, scene: string | undefined, moment: Moment | undefined): Snapshot {
    const found = sceneOf(design, scene);
    if (moment) return snapshot(design, found, moment.t, moment);
    const rig = new Rig(design);
    kept = { key: keyOf(design, scene), design, scene: found, rig };
    return snapshot(design, found, 0, undefined, rig);
  },

  /** What the rules find, and the five questions as far as they are answered. */
  judge(
    design: Design,
    scene: string | undefined,
    rehearsal: Rehearsal | undefined,
    down?: RunDown,
  ): { findings: Finding[]; answers: Answer[] } {
    const known = kept?.key === keyOf(design, scene) ? kept : undefined;
    kept = undefined;
    const evidence = known
      ? gatherEvidence(known.design, known.scene, known.rig)
      : gatherEvidence(design, sceneOf(design, scene));
    const findings = check(evidence);
    return { findings, answers: fiveQuestions(evidence, findings, rehearsal, down) };
  },

  /** What is wrong, roots first, with what cures it, as far as one mistake explains it. */
  diagnose(
    design: Design,
    scene: string | undefined,
  ): { diagnosis: Diagnosis; isUnexplained: boolean } {
    const { countOnTwo, ...diagnosis } = diagnoseFirst(design, sceneOf(design, scene));
    unexplained = countOnTwo;
    return { diagnosis, isUnexplained: countOnTwo !== undefined };
  },

  /** The same of the design that was diagnosed last, counting on two mistakes; undefined where one explains it. */
  countOnTwo(): Diagnosis | undefined {
    return unexplained?.();
  },

  /** What a scene comes to, with a change if any. */
  outcomes(design: Design, scene: Scene, edit: Edit | undefined): Outcomes {
    return outcomesOf(design, scene, edit);
  },

  /** What reading sets tell of a channel; undefined where they cannot. */
  judgeChannel(channel: Channel, sets: readonly ReadingSet[], full: number): Judgement | undefined {
    return judgeChannel(channel, sets, full);
  },

  /** What averaging would do to both errors. */
  averaging(channel: Channel, sets: readonly ReadingSet[]): Averaged[] {
    return averaging(channel, sets);
  },

  /** The characteristic curve of a kind of part. */
  curve(kind: string, params: Numbers): Characteristic {
    const found = findKind(kind);
    if (!found) throw new RangeError(`There is no part kind "${kind}".`);
    return characteristic(found, params);
  },

  /** Why a happening was missed or fired falsely, or something fired without any, with changes tried. */
  explain(design: Design, scene: string, rehearsal: Rehearsal, asked: Asked): Why | undefined {
    const found = sceneOf(design, scene);
    return found && explain(design, found, rehearsal, asked);
  },

  /** How a happening came to what it brought about. */
  chain(design: Design, scene: string, rehearsal: Rehearsal, happening: string): Link[] {
    const found = sceneOf(design, scene);
    return found ? chainOfVerdict(design, found, rehearsal, happening) : [];
  },

  /** How likely a happening is missed by where the readings fall. */
  sampled(
    design: Design,
    scene: string,
    rehearsal: Rehearsal,
    happening: string,
  ): Sampled | undefined {
    const found = sceneOf(design, scene);
    const tried = found?.happenings.find((h) => h.id === happening);
    return found && tried && missedBySampling(design, found, rehearsal, tried);
  },

  /** What a circuit without a controller decides by itself. */
  does(design: Design, scene: string | undefined): Deed[] {
    return circuitDoes(design, sceneOf(design, scene));
  },

  /** How a channel's reading follows what a sensor feels. */
  response(design: Design, channel: string, sensor: string): Response | undefined {
    const part = design.parts.find((p) => p.id === sensor);
    return part && responseOf(design, channel, part);
  },

  /** What a channel would read with other values of a part. */
  whatIf(
    design: Design,
    scene: string | undefined,
    channel: string,
    change: { part: string; param: string; values: number[] },
  ): WouldRead[] {
    return whatIf(design, sceneOf(design, scene) ?? quietScene, channel, change);
  },

  /** What a channel would read of a happening in other shapes. */
  ifInstead(
    design: Design,
    scene: string | undefined,
    channel: string,
    variants: { value: number; happening: Happening }[],
  ): WouldRead[] {
    return ifInstead(design, sceneOf(design, scene) ?? quietScene, channel, variants);
  },

  /** The best comparator networks for two trip points. */
  comparator(task: ComparatorTask): ComparatorNetwork[] {
    return designComparator(task);
  },

  /** Frequency and duty of what never rests. */
  oscillations(design: Design, stimulus: Snapshot['stimulus']): Record<string, Oscillation> {
    return oscillations(design, stimulus);
  },

  /** Some nights of a study by their numbers: the first of each case, then the second of each, and so on; each is drawn by its seed. */
  nights(design: Design, study: Study, numbers: readonly number[]): CaseTrial[] {
    const scene = sceneOf(design, study.scene);
    const cases = casesOf(design, study);
    if (!scene) return [];
    return numbers.flatMap((n) => {
      const [index, seed] = [n % cases.length, study.first + Math.floor(n / cases.length)];
      const of = cases[index];
      return of ? [{ case: index, night: caseTrial(of, scene, study, seed) }] : [];
    });
  },

  /** How a sensor does against the brief of a design. */
  compare(design: Design, candidate: Candidate): Compared {
    return compare(design, candidate);
  },

  /** Where on the plan something is noticed, and the easiest way in to what is guarded. */
  cover(design: Design, scene: string | undefined, thing: Thing): Covered {
    const found = sceneOf(design, scene) ?? quietScene;
    const { entrances = [], guarded } = design.plan;
    const points = pointsOf(design, found);
    const from = entrances.length > 0 ? entrances : edgeOf(design.plan);
    return {
      coverage: coverage(design, found, thing, points),
      blind: guarded && blindPath(design, found, thing, from, guarded, points),
    };
  },

  /**
   * Where sensors are best put against someone who wants in to what is guarded: some that are there, or the fewest more like one
   * that close a blind path.
   *
   * @returns undefined where nothing is guarded, or these sensors do not do it
   */
  places(
    design: Design,
    scene: string | undefined,
    thing: Thing,
    wish: { move: readonly string[] } | { add: string },
  ): Suggestion | undefined {
    const found = sceneOf(design, scene) ?? quietScene;
    const { entrances = [], guarded } = design.plan;
    if (!guarded) return undefined;
    const quiet = found.happenings.flatMap(({ intent, name, kind, params, path = [] }) =>
      intent === 'nuisance' && path.length > 0 ? [{ name, thing: { kind, params }, path }] : [],
    );
    const guard = { thing, entrances, guarded, quiet };
    const points = pointsOf(design, found);
    return 'move' in wish
      ? suggestPlaces(design, found, guard, wish.move, points)
      : closingPlaces(design, found, guard, wish.add, points);
  },

  /** What of a design could as well be the other way. */
  eitherOrs(design: Design): EitherOr[] {
    return eitherOrs(design);
  },

  /** What comes of a design, or of it after an edit, in all its scenes; or why it cannot be rehearsed. */
  weigh(design: Design, edit: Edit | undefined): { effect: Effect } | { refused: string } {
    try {
      return { effect: effectOf(design, edit) };
    } catch (error) {
      if (!(error instanceof RangeError || error instanceof EditError)) throw error;
      return { refused: error.message };
    }
  },

  /** What a design does when the mains that feed it fail. */
  powerCut(design: Design, scene: string | undefined): PowerCut {
    return powerCut(design, sceneOf(design, scene));
  },

  /** How many of a sensor around a point notice something in all directions, so far away, m. */
  ring(
    design: Design,
    scene: string | undefined,
    ...[thing, part, center, distance]: [Thing, string, Point, number]
  ): Ring | undefined {
    const found = sceneOf(design, scene) ?? quietScene;
    const points = pointsOf(design, found);
    return ringOf(design, found, thing, part, center, distance, points);
  },

  /** Plays a scene; undefined when the design has none of that id. */
  rehearse(design: Design, scene: string | undefined): Rehearsal | undefined {
    const chosen = sceneOf(design, scene);
    return chosen && rehearse(design, chosen);
  },

  /** The whole circuit at a moment of a rehearsal in time. */
  moment(
    design: Design,
    scene: string,
    { t, logic, outages, asleep }: Moment,
  ): Snapshot | undefined {
    const key = JSON.stringify([design, scene]);
    const chosen = sceneOf(design, scene);
    if (!chosen) return undefined;
    if (moments?.key !== key || moments.logic !== logic.length)
      moments = {
        key,
        logic: logic.length,
        at: new MomentInTime(design, chosen, { logic, outages, asleep }),
      };
    return moments.at.at(t);
  },

  /** The same with the circuit followed in time: what takes time in it takes that time. */
  follow(design: Design, scene: string | undefined): Rehearsal | undefined {
    const chosen = sceneOf(design, scene);
    return chosen && rehearse(design, chosen, undefined, 'time');
  },

  /** How batteries run down where a scene comes once a day; undefined without any. */
  runDown(design: Design, scene: string | undefined): RunDown | undefined {
    const chosen = sceneOf(design, scene);
    return chosen && runDown(design, chosen, 1);
  },

  /** The five answers as the shelf shows them: of the first scene, followed in time. */
  answer(design: Design): ReturnType<typeof briefly>[] {
    const scene = design.scenes[0]?.id;
    const [rehearsal, down] = [bench.follow(design, scene), bench.runDown(design, scene)];
    return bench.judge(design, scene, rehearsal, down).answers.map(briefly);
  },
};

export type Bench = typeof bench;
