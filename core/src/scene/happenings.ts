import type { Quantity } from '../catalog/index.js';
import { bodyMatters } from './body/stimulus-of-body.js';
import { search, numbersOf, valuesOf, type Numbers, type Params } from '../catalog/index.js';
import type { Happening, Point } from '../design/index.js';
import type { HappeningKind, Moment } from './happening-kind.js';
import { alarmTone } from './happenings/alarm-tone.js';
import { batteryAges } from './happenings/battery-ages.js';
import { batterySwapped } from './happenings/battery-swapped.js';
import { clap } from './happenings/clap.js';
import { coldNight } from './happenings/cold-night.js';
import { crossing } from './happenings/crossing.js';
import { dampSettles } from './happenings/damp-settles.js';
import { curtainInDraught } from './happenings/curtain-in-draught.js';
import { doorOpens } from './happenings/door-opens.js';
import { duskFalls } from './happenings/dusk-falls.js';
import { fingerTouches } from './happenings/finger-touches.js';
import { flame } from './happenings/flame.js';
import { footstep } from './happenings/footstep.js';
import { gasReleased } from './happenings/gas-released.js';
import { glassBreaks } from './happenings/glass-breaks.js';
import { heaterComesOn } from './happenings/heater-comes-on.js';
import { branchSways } from './happenings/branch-sways.js';
import { handNear } from './happenings/hand-near.js';
import { headlights } from './happenings/headlights.js';
import { codeTyped } from './happenings/code-typed.js';
import { keyPressed } from './happenings/key-pressed.js';
import { knock } from './happenings/knock.js';
import { lampOn } from './happenings/lamp-on.js';
import { lorryPasses } from './happenings/lorry-passes.js';
import { lowSun } from './happenings/low-sun.js';
import { magnetApproaches } from './happenings/magnet-approaches.js';
import { personCrawls } from './happenings/person-crawls.js';
import { personCreeps } from './happenings/person-creeps.js';
import { personWalks } from './happenings/person-walks.js';
import { pet } from './happenings/pet.js';
import { radioJammed } from './happenings/radio-jammed.js';
import { rain } from './happenings/rain.js';
import { recordingPlays } from './happenings/recording-plays.js';
import { smokeFills } from './happenings/smoke-fills.js';
import { soilDries } from './happenings/soil-dries.js';
import { programHangs } from './happenings/program-hangs.js';
import { knobTurned } from './happenings/knob-turned.js';
import { partComesOff } from './happenings/part-comes-off.js';
import { partShorted } from './happenings/part-shorted.js';
import { sensorCovered } from './happenings/sensor-covered.js';
import { sensorMoved } from './happenings/sensor-moved.js';
import { wireBreaks } from './happenings/wire-breaks.js';
import { supplyDips } from './happenings/supply-dips.js';
import { tagShown } from './happenings/tag-shown.js';
import { tips } from './happenings/tips.js';
import { warmthComes } from './happenings/warmth-comes.js';
import { waterFlows } from './happenings/water-flows.js';
import { waterRunsIn } from './happenings/water-runs-in.js';
import { waterRises } from './happenings/water-rises.js';

/** Every kind of happening, those with people first. */
export const happeningKinds: readonly HappeningKind[] = [
  personWalks,
  personCrawls,
  personCreeps,
  pet,
  crossing,
  headlights,
  handNear,
  fingerTouches,
  keyPressed,
  codeTyped,
  tagShown,
  footstep,
  doorOpens,
  magnetApproaches,
  tips,
  clap,
  glassBreaks,
  alarmTone,
  knock,
  lorryPasses,
  flame,
  smokeFills,
  gasReleased,
  warmthComes,
  coldNight,
  curtainInDraught,
  branchSways,
  heaterComesOn,
  lowSun,
  duskFalls,
  lampOn,
  rain,
  dampSettles,
  waterRises,
  waterRunsIn,
  waterFlows,
  soilDries,
  batteryAges,
  batterySwapped,
  supplyDips,
  programHangs,
  radioJammed,
  knobTurned,
  wireBreaks,
  partComesOff,
  partShorted,
  sensorCovered,
  sensorMoved,
  recordingPlays,
];

const byName = new Map(happeningKinds.map((kind) => [kind.kind, kind]));

/** The kind of that name, if there is one. */
export const findHappeningKind = (kind: string): HappeningKind | undefined => byName.get(kind);

/** Kinds of happening that answer to a text. */
export const searchHappenings = (text: string): HappeningKind[] => search(happeningKinds, text);

/** A happening's parameters with the kind's defaults filled in. */
export const happeningParams = (happening: Pick<Happening, 'kind' | 'params'>): Numbers =>
  numbersOf(byName.get(happening.kind)?.params ?? [], happening.params);

/** The same as its kind sees them: choices as their words. */
export const happeningValues = (happening: Happening): Params =>
  valuesOf(byName.get(happening.kind)?.params ?? [], happening.params);

const nowhere: Point = { x: Infinity, y: 0 };

/** A happening at a moment of its scene. */
export function momentOf(happening: Happening, t: number): Moment {
  const { path = [], start, z } = happening;
  const [ground = nowhere] = path;
  const at = z === undefined ? ground : { ...ground, z };
  return { params: happeningValues(happening), t: t - start, path, at };
}

/** When a happening begins and ends, s from the start of the scene. */
export function happeningSpan(happening: Happening): { start: number; end: number } {
  const lasts = byName.get(happening.kind)?.lasts(momentOf(happening, 0)) ?? 0;
  return { start: happening.start, end: happening.start + lasts };
}

/** When something changes in the course of a happening, s from the start of the scene. */
export function unsteadySpans(happening: Happening): { start: number; end: number }[] {
  const { start, end } = happeningSpan(happening);
  const { steady } = byName.get(happening.kind) ?? {};
  const still = steady?.(momentOf(happening, 0));
  if (!still) return [{ start, end }];
  return [
    { start, end: start + still[0] },
    { start: start + still[1], end },
  ];
}

/** When what a happening gives jumps in its course, s from the start of the scene. */
export function turnsOf(happening: Happening): number[] {
  const { turns } = byName.get(happening.kind) ?? {};
  return (turns?.(momentOf(happening, 0)) ?? []).map((t) => happening.start + t);
}

/** Whether a kind of happening gives anything to a sense, by itself or by the body that it moves. */
export const contributes = (kind: HappeningKind, quantity: Quantity): boolean =>
  kind.contributes?.[quantity] !== undefined ||
  (kind.body !== undefined && bodyMatters(quantity)) ||
  (kind.warms !== undefined && quantity === 'temperature') ||
  (kind.filled !== undefined && quantity === 'water');
