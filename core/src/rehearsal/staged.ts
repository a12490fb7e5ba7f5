import { contactEnd, contactOtherEnd, sceneContact } from '../catalog/index.js';
import type { SolvedNet } from '../circuit/index.js';
import {
  deriveNets,
  netIndex,
  splitRef,
  terminalRef,
  type Design,
  type Scene,
  type Target,
  type Wire,
} from '../design/index.js';
import { findHappeningKind } from '../scene/index.js';

/** A contact that a scene needs in the circuit, and what it is for. */
export interface Breaker {
  /** The id of its part. */
  id: string;
  target: Target;
  /** Whether it opens its target, or joins what is apart. */
  breaks: 'open' | 'across';
}

/** A design with a contact wherever a scene opens or bridges something. */
export interface Staged {
  design: Design;
  breakers: readonly Breaker[];
}

/** Puts a contact wherever something in a scene opens or bridges; a design without any stays the same one. */
export function staged(design: Design, scene: Pick<Scene, 'happenings'>): Staged {
  let result: Staged = { design, breakers: [] };
  const seen = new Set<string>();
  for (const { kind, target = {} } of scene.happenings) {
    const { breaks } = findHappeningKind(kind) ?? {};
    const key = JSON.stringify([breaks, target.part, target.wire]);
    if (!breaks || seen.has(key)) continue;
    seen.add(key);
    if (target.wire !== undefined) result = cut(result, target.wire);
    else if (target.part !== undefined)
      result = breaks === 'open' ? freed(result, target.part) : bridged(result, target.part);
  }
  return result;
}

/** No part of a maker is named so. */
const own = '~';

function withContact(
  { design, breakers }: Staged,
  breaker: Breaker,
  wires: readonly Wire[],
): Staged {
  const contact = sceneContact(breaker.id, breaker.breaks === 'open');
  return {
    design: { ...design, parts: [...design.parts, contact], wires: [...wires] },
    breakers: [...breakers, breaker],
  };
}

/** A contact in the middle of a wire. */
function cut(before: Staged, wire: string): Staged {
  const { wires } = before.design;
  const whole = wires.find((w) => w.id === wire);
  if (!whole) return before;
  const id = own + wire;
  const halves = [
    { ...whole, to: terminalRef(id, contactEnd) },
    { ...whole, id: wire + own, from: terminalRef(id, contactOtherEnd) },
  ];
  const after = wires.flatMap((w) => (w === whole ? halves : [w]));
  return withContact(before, { id, target: { wire }, breaks: 'open' }, after);
}

/** Terminals of a part that something is wired to. */
const wiredTerminals = ({ wires }: Design, part: string): string[] =>
  [...new Set(wires.flatMap(({ from, to }) => [from, to]))]
    .filter((ref) => splitRef(ref).part === part)
    .sort();

/** A contact between each terminal of a part and all that is wired to it. */
const freed = (before: Staged, part: string): Staged =>
  wiredTerminals(before.design, part).reduce((now, ref) => {
    const id = `${own}${ref.replace('.', own)}`;
    const outer = terminalRef(id, contactOtherEnd);
    const end = (at: string): string => (at === ref ? outer : at);
    const after = now.design.wires.map((w) => ({ ...w, from: end(w.from), to: end(w.to) }));
    const inner = { id, from: ref, to: terminalRef(id, contactEnd) };
    return withContact(now, { id, target: { part }, breaks: 'open' }, [...after, inner]);
  }, before);

/** A contact from the first terminal of a part to each other one. */
function bridged(before: Staged, part: string): Staged {
  const [first, ...others] = wiredTerminals(before.design, part);
  if (first === undefined) return before;
  return others.reduce((now, ref) => {
    const id = `${own}${own}${ref.replace('.', own)}`;
    const ends = [
      { id: `${id}a`, from: first, to: terminalRef(id, contactEnd) },
      { id: `${id}b`, from: terminalRef(id, contactOtherEnd), to: ref },
    ];
    const breaker: Breaker = { id, target: { part }, breaks: 'across' };
    return withContact(now, breaker, [...now.design.wires, ...ends]);
  }, before);
}

/**
 * Names nets of a staged design as the design itself does: of those that one has become, the one with most of its terminals keeps
 * its id.
 */
export function unstagedNets(
  design: Design,
  staged: Design,
): (nets: readonly SolvedNet[]) => SolvedNet[] {
  if (staged === design) return (nets) => [...nets];
  const netOf = netIndex(deriveNets(design));
  const shares = deriveNets(staged).map(({ id, terminals }) => {
    const known = terminals.filter((ref) => !ref.startsWith(own));
    return { id, known: known.length, of: netOf(known[0] ?? id) };
  });
  const names = new Map<string, string>();
  for (const { id, known, of } of shares) {
    const largest = shares.every(
      (s) => s.of !== of || s.known < known || (s.known === known && s.id >= id),
    );
    names.set(id, largest ? of : id === of ? id + own : id);
  }
  return (nets) => nets.map((net) => ({ ...net, id: names.get(net.id) ?? net.id }));
}
