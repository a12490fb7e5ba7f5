import { kindOf } from '../catalog/index.js';
import { nameOf, type Design, type Drive, type Scene, type Sign } from '../design/index.js';
import type { LogicEvent } from '../logic/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { Span } from '../scene/index.js';
import { isJammed, jamsIn } from './jammed.js';
import type { ActingChange, LogicChange } from './traces.js';
import { usualSigns } from './usual-signs.js';

/** Something that tells that a happening was noticed: what, when, and why. */
export interface Firing {
  sign: Sign;
  t: number;
  /** Until when it lasts; at once for what happens in a moment. */
  end: number;
  /** "Sounder was sounding", and why, with numbers. */
  what: string;
  because: string;
}

/** A part that acts again within this much more than a beat of silence acts on, s. */
const beatSlack = 0.05;

/**
 * Everything that fires: parts that act, unless they only indicate, a pattern of beats being one; and with
 * `quiet` signs besides, counts, modes and notices, which fire only where a happening asks for them. What is told by radio
 * while it is jammed fires not.
 */
export function firingsOf(
  design: Design,
  record: { acting: readonly ActingChange[]; logic: readonly LogicChange[] },
  scene: Pick<Scene, 'happenings'>,
): Firing[] {
  const jams = jamsIn(scene);
  return [
    ...partFirings(design, record).filter((f) => !byRadio(design, f) || !isJammed(jams, f.t)),
    ...logicFirings(design, record.logic, jams),
  ].sort((a, b) => a.t - b.t);
}

const byRadio = ({ parts }: Design, { sign }: Firing): boolean => {
  const part = sign.by === 'part' && parts.find((p) => p.id === sign.part);
  return !!part && (kindOf(part).acts?.byRadio ?? false);
};

/** Whether a firing is one of some signs. */
export const isSignOf = ({ sign }: Firing, signs: readonly Sign[]): boolean =>
  signs.some((wanted) =>
    wanted.by === 'counter' && sign.by === 'counter'
      ? wanted.counter === sign.counter && Math.sign(wanted.step) === Math.sign(sign.step)
      : JSON.stringify(wanted) === JSON.stringify(sign),
  );

/** When sequences began and ended: of what acts in one, only what tells something first fires, and what is first to act besides. */
function shows(log: readonly LogicChange[]): { from: number; to: number }[] {
  // One may play from the start.
  const [first] = log;
  const playing = new Set(Object.keys(first?.logic.playing ?? {}));
  const found = first && playing.size > 0 ? [{ from: first.t, to: Infinity }] : [];
  for (const { t, events } of log)
    for (const event of events) {
      if (event.kind !== 'sequence') continue;
      if (playing.size === 0 && event.begins) found.push({ from: t, to: Infinity });
      if (event.begins) playing.add(event.id);
      else playing.delete(event.id);
      const last = found.at(-1);
      if (last && playing.size === 0) last.to = t;
    }
  return found;
}

function partFirings(
  design: Design,
  { acting, logic }: { acting: readonly ActingChange[]; logic: readonly LogicChange[] },
): Firing[] {
  const played = shows(logic);
  const usual = usualSigns(design);
  const inShow = (firing: Firing): boolean => {
    const show = played.find(({ from, to }) => firing.t >= from && firing.t <= to);
    const tells = isSignOf(firing, usual);
    return all.some(
      (f) => show && f.t >= show.from && f.t < firing.t - 1e-9 && isSignOf(f, usual) === tells,
    );
  };
  const silence = longestSilence(design) + beatSlack;
  const open = new Map<string, Firing>();
  const all: Firing[] = [];
  for (const { part: id, t, active, because } of acting) {
    const last = open.get(id);
    if (!active) {
      if (last) last.end = t;
      continue;
    }
    if (last && t - last.end <= silence) {
      last.end = Infinity;
      continue;
    }
    const part = design.parts.find((p) => p.id === id);
    const word = (part && kindOf(part).acts?.word) ?? 'acting';
    const what = `${part?.name ?? id} was ${word}`;
    const firing: Firing = { sign: { by: 'part', part: id }, t, end: Infinity, what, because };
    if (inShow(firing)) continue;
    open.set(id, firing);
    all.push(firing);
  }
  return all;
}

/** The longest time off between two beats of any pattern, s. */
function longestSilence(design: Design): number {
  const drives: (Drive | undefined)[] = [
    ...design.rules.flatMap((r) => r.then.map((a) => (a.do === 'drive' ? a.drive : undefined))),
    ...design.sequences.flatMap((s) =>
      s.lanes.flatMap((l) => [l.ambient, ...l.blocks.map((b) => b.drive)]),
    ),
  ];
  const offs = drives.flatMap((d) =>
    d?.as === 'pattern' ? [...d.beats.filter((_, i) => i % 2 === 1), d.pause ?? 0] : [],
  );
  return Math.max(0, ...offs);
}

/** What counts, modes and notices tell; a notice that was lost is told when it is next sent. */
function logicFirings(
  design: Design,
  log: readonly LogicChange[],
  jams: readonly Span[],
): Firing[] {
  const lost = new Set<string>();
  return log.flatMap(({ t, events }) =>
    events.flatMap((event): Firing[] => {
      const again = event.kind === 'notice' && lost.has(event.id);
      const told = signOf(design, event, again);
      if (!told) return [];
      if (event.kind === 'notice') {
        if (isJammed(jams, t)) {
          lost.add(event.id);
          return [];
        }
        lost.delete(event.id);
      }
      return [{ ...told, t, end: t, because: `at ${formatQuantity(t, 's')}` }];
    }),
  );
}

function signOf(
  design: Design,
  event: LogicEvent,
  again: boolean,
): Pick<Firing, 'sign' | 'what'> | undefined {
  if (event.kind === 'counter') {
    const step = event.to - event.from;
    const what = `${nameOf(design.counters, event.id)} counted ${step > 0 ? 'up' : 'down'}`;
    return { sign: { by: 'counter', counter: event.id, step }, what };
  }
  if (event.kind === 'mode') {
    const { id: machine, to: mode } = event;
    const modes = design.machines.find((m) => m.id === machine)?.modes ?? [];
    const what = `${nameOf(design.machines, machine)} was ${nameOf(modes, mode)}`;
    return { sign: { by: 'mode', machine, mode }, what };
  }
  if (event.kind !== 'notice' || (event.why !== 'change' && !again)) return undefined;
  const what = `${nameOf(design.notices, event.id)} was sent`;
  return { sign: { by: 'notice', notice: event.id }, what };
}
