import { kindOf } from '../catalog/index.js';
import type { Design, Drive, Sign } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { ActingChange, LogicChange } from './traces.js';

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
 * `quiet` signs besides, counts, modes and notices, which fire only where a happening asks for them.
 */
export function firingsOf(
  design: Design,
  record: { acting: readonly ActingChange[]; logic: readonly LogicChange[] },
): Firing[] {
  return [...partFirings(design, record), ...logicFirings(design, record.logic)].sort(
    (a, b) => a.t - b.t,
  );
}

/** Whether a firing is what a happening is noticed by; without signs, any part that does not only indicate. */
export function isSignOf(
  design: Design,
  { sign }: Firing,
  signs: readonly Sign[] | undefined,
): boolean {
  if (!signs || signs.length === 0)
    return sign.by === 'part' && !design.parts.find((p) => p.id === sign.part)?.indicates;
  return signs.some((wanted) =>
    wanted.by === 'counter' && sign.by === 'counter'
      ? wanted.counter === sign.counter && Math.sign(wanted.step) === Math.sign(sign.step)
      : JSON.stringify(wanted) === JSON.stringify(sign),
  );
}

/** When sequences began and ended: what acts in one is one firing, of whatever part it was first. */
function shows(log: readonly LogicChange[]): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  for (const { t, logic } of log) {
    const last = found[found.length - 1];
    const plays = Object.keys(logic.playing).length > 0;
    if (plays && (!last || last.to < Infinity)) found.push({ from: t, to: Infinity });
    else if (!plays && last && last.to === Infinity) last.to = t;
  }
  return found;
}

function partFirings(
  design: Design,
  { acting, logic }: { acting: readonly ActingChange[]; logic: readonly LogicChange[] },
): Firing[] {
  const played = shows(logic);
  const inShow = (t: number): boolean => {
    const show = played.find(({ from, to }) => t >= from && t <= to);
    return show !== undefined && all.some((f) => f.t >= show.from && f.t < t - 1e-9);
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
    if (inShow(t)) continue;
    const part = design.parts.find((p) => p.id === id);
    const word = (part && kindOf(part).acts?.word) ?? 'acting';
    const what = `${part?.name ?? id} was ${word}`;
    const firing: Firing = { sign: { by: 'part', part: id }, t, end: Infinity, what, because };
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

function logicFirings(design: Design, log: readonly LogicChange[]): Firing[] {
  const all: Firing[] = [];
  const add = (sign: Sign, t: number, what: string): void => {
    all.push({ sign, t, end: t, what, because: `at ${formatQuantity(t, 's')}` });
  };
  for (let i = 1; i < log.length; i++) {
    const [before, { t, logic: after }] = [log[i - 1].logic, log[i]];
    for (const { id: counter, name } of design.counters) {
      const step = after.counters[counter] - before.counters[counter];
      if (step !== 0)
        add({ by: 'counter', counter, step }, t, `${name} counted ${step > 0 ? 'up' : 'down'}`);
    }
    for (const { id: machine, name, modes } of design.machines) {
      const { mode } = after.modes[machine];
      const found = modes.find((m) => m.id === mode)?.name ?? mode;
      if (mode !== before.modes[machine].mode)
        add({ by: 'mode', machine, mode }, t, `${name} was ${found}`);
    }
    for (const { id: notice, name } of design.notices) {
      const { sent = 0, why } = after.notices[notice] ?? {};
      if (sent > (before.notices[notice]?.sent ?? 0) && why === 'change')
        add({ by: 'notice', notice }, t, `${name} was sent`);
    }
  }
  return all;
}

/**
 * How long what was noticed may take to fire: the times of all modes and of all rules' longest "for", s. What fires
 * within that after a happening may still be its doing.
 */
export function longestWait(design: Design): number {
  const modes = design.machines.flatMap((m) => m.transitions.map((t) => t.after ?? 0));
  return modes.reduce((sum, s) => sum + s, 0);
}
