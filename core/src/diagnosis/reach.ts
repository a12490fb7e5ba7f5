import {
  DisjointSets,
  splitRef,
  type Design,
  type Edit,
  type TerminalRef,
} from '../design/index.js';
import { islandsOf } from '../wiring/index.js';
import { changed } from './attempt.js';
import { placesOf } from './candidate.js';

/** What a change is made at: refs of terminals, ids of parts and of what a pin is used for. */
type Places = readonly string[];

/** All that a program is made of, with the edit that takes one away. */
const programOf = (design: Design): (readonly [item: { id: string }, removal: Edit])[] => [
  ...design.rules.map((of) => [of, { type: 'remove-rule', id: of.id }] as const),
  ...design.notices.map((of) => [of, { type: 'remove-notice', id: of.id }] as const),
  ...design.sequences.map((of) => [of, { type: 'remove-sequence', id: of.id }] as const),
  ...design.machines.map((of) => [of, { type: 'remove-machine', id: of.id }] as const),
  ...design.counters.map((of) => [of, { type: 'remove-counter', id: of.id }] as const),
  ...design.outputs.map((of) => [of, { type: 'remove-output', id: of.id }] as const),
  ...design.channels.map((of) => [of, { type: 'remove-channel', id: of.id }] as const),
];

const parts = new WeakMap<Design, Map<string, Design>>();

/**
 * The part of a design in which a change can move verdicts: the islands that it is made on, those that the program joins to
 * them, and what all share. Only for a change by which nothing moves on other islands but through the program.
 *
 * @returns the same part for changes that reach the same; the design itself where they reach all of it
 */
export function reachedBy(design: Design, edit: Edit): Design {
  const places = placesIn(design, edit);
  // What sleeps wakes up for everything.
  if (!places || design.controller.sleep) return design;
  const removal = beyond(design, places);
  if (removal.length === 0) return design;
  const known = parts.get(design) ?? new Map<string, Design>();
  parts.set(design, known);
  const key = JSON.stringify(removal);
  // What names something that goes has gone with it.
  const part = known.get(key) ?? removal.reduce((left, one) => changed(left, one) ?? left, design);
  known.set(key, part);
  // It is gone through twice, without the change and with it.
  return 2 * part.parts.length > design.parts.length ? design : part;
}

/** What takes away all that some places have nothing to do with. */
function beyond(design: Design, places: Places): Edit[] {
  const islands = islandsOf(design);
  const program = programOf(design);
  const sets = new DisjointSets();
  const items = new Set(program.map(([{ id }]) => id));
  const join = (ids: readonly string[]): void =>
    ids.forEach((id, i) => i > 0 && sets.join(ids[0] ?? id, id));
  for (const [item] of program) {
    const named = stringsIn(item);
    join([item.id, ...named.filter((name) => items.has(name)), ...islands.of([item.id])]);
    join([item.id, ...islands.of(named)]);
  }
  const reached = new Set([...islands.of(places)].map((island) => sets.root(island)));
  const isBeyond = (id: string): boolean => !reached.has(sets.root(id));
  const removed = design.parts.filter(({ id }) => {
    const on = [...islands.of([id])];
    return on.length > 0 && on.every(isBeyond);
  });
  return [
    ...program.flatMap(([{ id }, removal]) => (isBeyond(id) ? [removal] : [])),
    ...removed.map(({ id }): Edit => ({ type: 'remove-part', id })),
  ];
}

/** Every string in some data. */
function stringsIn(data: unknown): string[] {
  if (typeof data === 'string') return [data];
  return typeof data === 'object' && data !== null ? Object.values(data).flatMap(stringsIn) : [];
}

/** Places on islands at which an edit changes a design; undefined where it changes what all share, or more than places. */
function placesIn(design: Design, edit: Edit): Places | undefined {
  const edits = single(edit);
  const added = new Set(edits.flatMap((e) => (e.type === 'add-part' ? e.part.id : [])));
  const wires = edits.flatMap((e) => (e.type === 'add-wire' ? [[e.wire.from, e.wire.to]] : []));
  const islands = islandsOf(design);
  const found: string[] = [];
  for (const one of edits) {
    const at = one.type === 'remove-wire' ? [one.id] : placesOf(one);
    const places = at.filter((place) => !added.has(splitRef(place).part));
    const beside = one.type === 'add-part' ? otherEnds(wires, one.part.id) : places;
    // A wire of an added part is looked at with that part.
    const ofAdded = places.length < at.length && one.type === 'add-wire';
    if (!ofAdded && islands.of(beside).size === 0) return undefined;
    found.push(...places);
  }
  return found;
}

const single = (edit: Edit): Edit[] =>
  edit.type === 'batch' ? edit.edits.flatMap(single) : [edit];

/** The ends of wires whose other end is at a part. */
const otherEnds = (wires: readonly TerminalRef[][], part: string): TerminalRef[] =>
  wires
    .filter((ends) => ends.some((ref) => splitRef(ref).part === part))
    .flatMap((ends) => ends.filter((ref) => splitRef(ref).part !== part));
