import { catalog, findKind, kindOf, type PartKind, type Terminal } from '../catalog/index.js';
import {
  type Design,
  type Edit,
  EditError,
  type Part,
  splitRef,
  terminalRef,
} from '../design/index.js';
import { Draft } from './draft.js';
import { wiringOf } from './wiring.js';

/** Terminal ids that mean the same on different kinds. */
const alike: readonly (readonly string[])[] = [
  ['plus', 'VCC', 'vcc', 'a', 'VIN', '5V'],
  ['minus', 'GND', 'gnd', 'k', 'b'],
  ['OUT', 'out', 'DO', 'AO', 'e', 'b', 'a'],
  ['c', 'd', 'a'],
  ['b', 'g'],
  ['e', 's', 'k'],
];

/** Where each wired terminal of a part goes on another kind; undefined when one has no place there. */
export function terminalMap(
  design: Design,
  part: Part,
  kind: PartKind,
): ReadonlyMap<string, string> | undefined {
  const wiring = wiringOf(design);
  const wired = kindOf(part).terminals.filter((t) => wiring.wired(terminalRef(part.id, t.id)));
  const map = new Map<string, string>();
  const fits = (from: Terminal, to: Terminal): boolean =>
    from.role === to.role || (twoEnded(part) && kind.terminals.length === 2);
  for (const terminal of wired) {
    const free = kind.terminals.filter((t) => ![...map.values()].includes(t.id));
    const found =
      free.find((t) => t.id === terminal.id && fits(terminal, t)) ??
      free.find(
        (t) =>
          fits(terminal, t) && alike.some((set) => set.includes(t.id) && set.includes(terminal.id)),
      ) ??
      free.find((t) => fits(terminal, t));
    if (!found) return undefined;
    map.set(terminal.id, found.id);
  }
  return map;
}

const twoEnded = (part: Part): boolean => kindOf(part).terminals.length === 2;

/** Kinds that can take a part's place with all its wires: of its stage, nearest in name first. */
export function replacements(design: Design, part: Part): PartKind[] {
  const own = kindOf(part);
  return catalog.filter(
    (kind) =>
      kind !== own && kind.stage === own.stage && terminalMap(design, part, kind) !== undefined,
  );
}

/**
 * Puts a part of another kind in a part's place: same id and name, wires moved to the terminals that mean the
 * same; values are kept where the new kind has them and they are possible there.
 *
 * @throws EditError when there is no such part, or a wire would have no place
 */
export function replacePart(design: Design, id: string, to: string): Edit {
  const part = design.parts.find((p) => p.id === id);
  const kind = findKind(to);
  if (!part || !kind)
    throw new EditError(`There is no ${part ? `part kind ${to}` : `part ${id}`}.`);
  const map = terminalMap(design, part, kind);
  if (!map) throw new EditError(`${kind.label} has not a place for every wire of ${id}.`);
  const kept = Object.entries(part.params).filter(([param, value]) => {
    const known = kind.params.find((p) => p.id === param);
    return known && value >= known.min && value <= known.max;
  });
  const moved = (ref: string): string => {
    const { part: owner, terminal } = splitRef(ref);
    return owner === id ? terminalRef(id, map.get(terminal) ?? terminal) : ref;
  };
  const draft = new Draft(design).make({ type: 'remove-part', id });
  draft.make({ type: 'add-part', part: { ...part, kind: to, params: Object.fromEntries(kept) } });
  for (const wire of design.wires.filter((w) => [w.from, w.to].some((e) => e.startsWith(`${id}.`))))
    draft.make({ type: 'add-wire', wire: { ...wire, from: moved(wire.from), to: moved(wire.to) } });
  for (const group of design.groups.filter((g) => g.parts.includes(id)))
    draft.make({ type: 'put-group', group });
  for (const use of design.controller.pins.filter((p) => p.pin.startsWith(`${id}.`)))
    draft.make({ ...use, type: 'set-pin', pin: moved(use.pin) });
  for (const output of design.outputs.filter((o) => o.pin.startsWith(`${id}.`)))
    draft.make({ type: 'put-output', output: { ...output, pin: moved(output.pin) } });
  for (const channel of design.channels.filter((c) => c.pin.startsWith(`${id}.`)))
    draft.make({ type: 'put-channel', channel: { ...channel, pin: moved(channel.pin) } });
  putProgramBack(design, draft);
  return draft.edit(`replace ${id}`);
}

/** What read or drove the part has left with it, and what named that: put back as it was, in its order. */
function putProgramBack(
  { controller, machines, rules, sequences, notices }: Design,
  draft: Draft,
): void {
  const { sleep, watchdog } = controller;
  if (sleep) draft.make({ type: 'set-controller', sleep, watchdog });
  for (const machine of machines) draft.make({ type: 'put-machine', machine });
  for (const sequence of sequences) draft.make({ type: 'put-sequence', sequence });
  for (const notice of notices) draft.make({ type: 'put-notice', notice });
  for (const rule of rules) {
    draft.make({ type: 'put-rule', rule });
    draft.make({ type: 'move-rule', id: rule.id });
  }
}
