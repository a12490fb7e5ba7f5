import { planProblems } from './plan-problems.js';
import { checkParam, kindOf, type Param, type Problem } from '../catalog/index.js';
import type { Design, Happening, Plan, Point, Scene } from '../design/index.js';
import { ambientParams } from './ambient.js';
import type { HappeningKind } from './happening-kind.js';
import { findHappeningKind, happeningSpan } from './happenings.js';
import { pathLength } from './path.js';

type Fault = Omit<Problem, 'severity'> & { severity?: Problem['severity'] };

/** Holds the brief, the plan, the scenes and the recordings of a well-formed document against what can be. */
export function checkScenes(design: Design): Problem[] {
  const scenes = design.scenes.flatMap((scene, s) => {
    const at = `scenes[${s}] (${scene.id})`;
    const surroundings = valueFaults(scene.ambient, ambientParams, 'The surroundings').map((f) => ({
      ...f,
      place: `${at}.ambient${f.place}`,
    }));
    const happenings = scene.happenings.flatMap((happening, h) =>
      happeningFaults(happening, scene, design).map((f) => ({
        ...f,
        place: `${at}.happenings[${h}] (${happening.id})${f.place}`,
      })),
    );
    return [...surroundings, ...happenings];
  });
  const faults = [
    ...planFaults(design),
    ...needFaults(design),
    ...placeFaults(design),
    ...recordingFaults(design),
    ...scenes,
  ];
  return faults.map((f) => ({ severity: 'refuse', ...f }));
}

/** Values that do not exist, cannot be, or are doubtful. */
function valueFaults(
  values: Readonly<Record<string, number>>,
  params: readonly Param[],
  owner: string,
): Fault[] {
  return Object.entries(values).flatMap(([id, value]): Fault[] => {
    const param = params.find((p) => p.id === id);
    if (!param) {
      const known = params.map((p) => p.id).join(', ');
      return [
        {
          place: `.${id}`,
          reason: `${owner}: there is no parameter "${id}"`,
          cure: `Use ${known}, or leave it out.`,
        },
      ];
    }
    const verdict = checkParam(param, value);
    if (verdict.verdict === 'fine') return [];
    const { reason, cure, verdict: severity } = verdict;
    return [{ place: `.${id}`, reason, cure, severity }];
  });
}

const outside = ({ width, depth }: Plan, { x, y }: Point): boolean =>
  x < 0 || y < 0 || x > width || y > depth;

const edges = ({ width, depth }: Plan): string => `It reaches from 0, 0 to ${width}, ${depth} m.`;

const unknownKind = (kind: string): Fault => ({
  place: '.kind',
  reason: `There is no happening "${kind}"`,
  cure: 'Use a kind of happening that this version knows.',
});

function needFaults({ brief }: Design): Fault[] {
  return brief.needs.flatMap(({ id, kind: named, params }, i) => {
    const kind = findHappeningKind(named);
    const faults = kind
      ? valueFaults(params, kind.params, kind.label).map((f) => ({
          ...f,
          place: `.params${f.place}`,
        }))
      : [unknownKind(named)];
    return faults.map((f) => ({ ...f, place: `brief.needs[${i}] (${id})${f.place}` }));
  });
}

function happeningFaults(happening: Happening, scene: Scene, design: Design): Fault[] {
  const { duration } = scene;
  const { plan } = design;
  const kind = findHappeningKind(happening.kind);
  if (!kind) return [unknownKind(happening.kind)];
  const faults: Fault[] = valueFaults(happening.params, kind.params, kind.label).map((f) => ({
    ...f,
    place: `.params${f.place}`,
  }));
  const path = happening.path ?? [];
  if (kind.where === 'path' && !(pathLength(path) > 0)) {
    const cure = 'Give two or more different points in "path".';
    faults.push({ place: '.path', reason: `${kind.label} needs a way from point to point`, cure });
  }
  if (kind.where === 'point' && path.length === 0) {
    const cure = 'Give one point in "path".';
    faults.push({ place: '.path', reason: `${kind.label} needs a place`, cure });
  }
  if (kind.filled && !((scene.ambient['tank'] ?? 0) > 0))
    faults.push({
      ...{ place: '', severity: 'doubt', reason: `${kind.label}: the scene has no tank` },
      cure: 'Give “Water surface of the tank” among the surroundings of the scene.',
    });
  const { need } = happening;
  if (need !== undefined && !design.brief.needs.some((n) => n.id === need))
    faults.push({
      ...{
        place: '.need',
        severity: 'doubt',
        reason: `The brief asks for nothing called "${need}"`,
      },
      cure: 'Choose in Rehearse what of the brief it tries, or nothing.',
    });
  const aim = aimFault(happening, kind, design);
  if (aim) faults.push({ place: '.target', severity: 'doubt', ...aim });
  const stray = path.findIndex((p) => outside(plan, p));
  const out = path[stray];
  if (out) {
    const { x, y } = out;
    const reason = `The point ${x}, ${y} m lies outside the plan`;
    const cure = `${edges(plan)} Move the point, or enlarge the plan.`;
    faults.push({ place: `.path[${stray}]`, reason, cure });
  }
  if (faults.length === 0 && happeningSpan(happening).start > duration) {
    const cure = `Start it before ${duration} s.`;
    faults.push({ place: '.start', reason: 'It begins after the scene has ended', cure });
  }
  return faults;
}

/** What a happening is aimed at that is not there: it can be mended, and does nothing until then. */
function aimFault(
  { target = {}, params }: Happening,
  { aims, label }: HappeningKind,
  { parts, wires }: Design,
): Pick<Fault, 'reason' | 'cure'> | undefined {
  if (!aims) return undefined;
  if (aims === 'wire')
    return wires.some((w) => w.id === target.wire)
      ? undefined
      : { reason: `${label}: no wire is named`, cure: 'Choose the wire in Rehearse.' };
  const part = parts.find((p) => p.id === target.part);
  if (!part) return { reason: `${label}: no part is named`, cure: 'Choose the part in Rehearse.' };
  if (aims === 'part') return undefined;
  const param = kindOf(part).params.find((p) => p.id === target.param);
  if (!param)
    return {
      reason: `${label}: no value of ${part.name} is named`,
      cure: 'Choose the value in Rehearse.',
    };
  const { min, max, choices } = param;
  const [least, most] = choices ? [0, choices.length - 1] : [min, max];
  const { to = 0 } = params;
  return to >= least && to <= most
    ? undefined
    : {
        reason: `${param.label} of ${part.name} cannot be ${to}`,
        cure: `Give ${least} to ${most}.`,
      };
}

function planFaults({ plan }: Design): Fault[] {
  const points = [
    ...(plan.entrances ?? []).map((point, i) => ({ place: `plan.entrances[${i}]`, point })),
    ...(plan.guarded ? [{ place: 'plan.guarded', point: plan.guarded }] : []),
    ...(plan.spots ?? []).map(({ at }, i) => ({ place: `plan.spots[${i}].at`, point: at })),
  ];
  const stray = points.flatMap(({ place, point }): Fault[] => {
    const { x, y } = point;
    if (!outside(plan, point)) return [];
    const reason = `The point ${x}, ${y} m lies outside the plan`;
    return [{ place, reason, cure: `${edges(plan)} Move the point, or enlarge the plan.` }];
  });
  const odd = planProblems(plan).map(({ of: { list, index }, name, reason, cure }): Fault => {
    const place = `plan.${list}[${index}]`;
    return { place, severity: 'doubt', reason: `${name}: ${reason}`, cure };
  });
  return [...stray, ...odd];
}

function placeFaults({ parts, plan }: Design): Fault[] {
  return parts.flatMap(({ id, place }, i): Fault[] => {
    if (!place || !outside(plan, place)) return [];
    const reason = `${id} stands outside the plan, at ${place.x}, ${place.y} m`;
    const cure = `${edges(plan)} Move it, or enlarge the plan.`;
    return [{ place: `parts[${i}] (${id}).place`, reason, cure }];
  });
}

function recordingFaults({ parts, recordings }: Design): Fault[] {
  const faults: Fault[] = recordings.flatMap(({ id, times, values }, i): Fault[] => {
    const place = `recordings[${i}] (${id})`;
    if (times.length !== values.length) {
      const reason = `It has ${times.length} times and ${values.length} values`;
      return [{ place, reason, cure: 'Give every value its time.' }];
    }
    const back = times.findIndex((t, k) => t < (times[k - 1] ?? -Infinity));
    if (back < 0) return [];
    const reason = `The time ${times[back]} s goes back`;
    return [{ place: `${place}.times[${back}]`, reason, cure: 'Sort the readings by time.' }];
  });
  const lost = parts.flatMap(({ id, recording }, i): Fault[] => {
    if (recording === undefined || recordings.some((r) => r.id === recording)) return [];
    const reason = `${id} plays the recording "${recording}", which is not there`;
    return [
      { place: `parts[${i}] (${id})`, reason, cure: 'Add that recording, or choose another.' },
    ];
  });
  return [...faults, ...lost];
}
