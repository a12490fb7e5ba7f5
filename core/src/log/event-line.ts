import { commented } from '../code/index.js';
import type { Design } from '../design/index.js';

/** What the program on a board tells of: a rule that begins or ends, a mode that is entered, a notice that is sent. */
export type EventKind = 'rule' | 'mode' | 'notice';

/** Something that has happened, as the board tells it. */
export interface BoardEvent {
  /** Since the board began, s. */
  t: number;
  kind: EventKind;
  /** What the board calls it. */
  of: string;
  /** The rule, modes or notice of the design; left out where none, or more than one, is called so. */
  id?: string;
  what: string;
}

/** By kind and by what boards call them: rules, modes and notices of a design. */
export type Called = Readonly<Record<EventKind, ReadonlyMap<string, readonly string[]>>>;

/** What the program of a design calls what it tells of. */
export const calledIn = ({ rules, machines, notices }: Design): Called => ({
  rule: byName(rules.map(({ id }) => [id, id])),
  mode: byName(machines.map(({ id, name }) => [commented(name), id])),
  notice: byName(notices.map(({ id, name }) => [commented(name), id])),
});

function byName(named: readonly (readonly [name: string, id: string])[]): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const [name, id] of named) found.set(name, [...(found.get(name) ?? []), id]);
  return found;
}

const line = /^event (\d+(?:\.\d+)?) (rule|mode|notice) (.+)$/;

/**
 * Takes in what a board said behind "#", as docs/bench-protocol.md has it; undefined where it is no event. A name may hold a colon
 * itself: of those of the design the longest that fits is taken, otherwise all up to the first colon.
 */
export function eventOf(said: string, called: Called): BoardEvent | undefined {
  const [, time, kind, rest] = line.exec(said) ?? [];
  if (time === undefined || rest === undefined) return undefined;
  const told = { t: Number(time), kind: kind as EventKind };
  const names = called[told.kind];
  const of = [...names.keys()]
    .filter((name) => rest.startsWith(`${name}: `))
    .sort((a, b) => b.length - a.length)[0];
  const colon = rest.indexOf(': ');
  if (of === undefined)
    return colon < 1
      ? undefined
      : { ...told, of: rest.slice(0, colon), what: rest.slice(colon + 2) };
  const [id, ...others] = names.get(of) ?? [];
  const known = id !== undefined && others.length === 0 ? { id } : {};
  return { ...told, of, ...known, what: rest.slice(of.length + 2) };
}
