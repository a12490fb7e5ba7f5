import { kindOf, surroundings } from '../catalog/index.js';
import type { Design, Happening, Scene } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { feel, happeningSpan, momentIn, setStage } from '../scene/index.js';
import { exposureOf, type Exposure } from './exposure.js';
import type { Rig } from './rig.js';
import { silentReason } from './silent-reason.js';
import type { ActingChange, LogicChange, Trace } from './traces.js';

/** What each sense feels at a moment of a scene, in the order of the design's parts, and what is too little to count. */
export type FeltAt = (scene: Scene, t: number) => { value: number; floor: number }[];

export type Outcome = 'noticed' | 'missed' | 'quiet' | 'fired falsely';

/** How one happening of a rehearsed scene was dealt with. */
export interface Verdict {
  happening: string;
  name: string;
  intent: Happening['intent'];
  outcome: Outcome;
  /** From when to when a sensor felt it; absent when none did. */
  exposure?: Exposure;
  /** Seconds from its being felt to something acting. */
  delay?: number;
  /** In the maker's words, with numbers. */
  because: string;
}

/** What a rehearsal recorded, as far as judging needs it. */
export interface Recorded {
  readings: Record<string, Trace>;
  acting: ActingChange[];
  logic: LogicChange[];
}

/** How long after a happening something that fires still belongs to it, s. */
const grace = 1;

/**
 * Judges every happening: a wanted one is noticed when something acts while it is felt or within a
 * second after; a nuisance fires falsely when something begins to act in its time and no wanted
 * happening explains it. What begins to act outside all of them is a stray.
 */
export function judge(
  design: Design,
  scene: Scene,
  rig: Rig,
  record: Recorded,
): { verdicts: Verdict[]; strays: number[] } {
  const feltAt = feelingOf(design, rig, scene);
  const windows = scene.happenings.map((happening) => {
    const exposure = exposureOf(happening, scene, feltAt);
    const span = exposure ?? happeningSpan(happening);
    return { happening, exposure, from: span.start, to: span.end + grace };
  });
  const starts = record.acting.filter((a) => a.active);
  const explainedBy = (t: number, intent: Happening['intent']): boolean =>
    windows.some((w) => w.happening.intent === intent && t >= w.from && t <= w.to);
  const verdicts = windows.map((w): Verdict => {
    const { happening, exposure } = w;
    const base = {
      happening: happening.id,
      name: happening.name,
      intent: happening.intent,
      exposure,
    };
    if (happening.intent === 'wanted') {
      const at = firstActive(record.acting, w.from, w.to);
      if (at === undefined) {
        return { ...base, outcome: 'missed', because: silentReason(design, w, record) };
      }
      const delay = at.t - w.from;
      return { ...base, outcome: 'noticed', delay, because: firedReason(design, at, delay) };
    }
    const falsely = starts.find((a) => a.t >= w.from && a.t <= w.to && !explainedBy(a.t, 'wanted'));
    return falsely
      ? {
          ...base,
          outcome: 'fired falsely',
          delay: falsely.t - w.from,
          because: firedReason(design, falsely, falsely.t - w.from),
        }
      : { ...base, outcome: 'quiet', because: silentReason(design, w, record) };
  });
  const strays = starts
    .map((a) => a.t)
    .filter((t) => !explainedBy(t, 'wanted') && !explainedBy(t, 'nuisance'));
  return { verdicts, strays };
}

/** The first moment in a window at which any part acts, whether it begins there or already did. */
function firstActive(
  acting: readonly ActingChange[],
  from: number,
  to: number,
): ActingChange | undefined {
  const on = new Map<string, ActingChange>();
  for (const change of acting) {
    if (change.t > to) break;
    if (change.t >= from && on.size > 0) break;
    if (change.active) {
      if (change.t >= from) return change;
      on.set(change.part, change);
    } else on.delete(change.part);
  }
  const already = [...on.values()][0];
  return already && { ...already, t: from };
}

function firedReason(design: Design, change: ActingChange, delay: number): string {
  const part = design.parts.find((p) => p.id === change.part);
  const word = (part && kindOf(part).acts?.word) ?? 'acting';
  const after =
    delay > 0 ? `${formatQuantity(delay, 's')} after it was first felt` : 'already when it began';
  return `${part?.name ?? change.part} was ${word} ${after}: ${change.because}.`;
}

/** Feeling without solving anew: emitters are taken as they are at the first moment of the scene. */
function feelingOf(design: Design, rig: Rig, scene: Scene): FeltAt {
  const stage = setStage(design);
  const rest = { ...scene, happenings: [] };
  const solution = rig.settle(rest, 0, rig.restingLogic(rest));
  return (at, t) => {
    const now = momentIn(at, t);
    return stage.sensors.map((sensor) => ({
      value: feel(stage, sensor, now, (part) => solution.parts[part]),
      floor: surroundings[sensor.receiver.quantity].floor,
    }));
  };
}
