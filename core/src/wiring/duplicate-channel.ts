import { kindOf } from '../catalog/index.js';
import {
  EditError,
  freshId,
  splitRef,
  terminalRef,
  type Design,
  type Edit,
  type TerminalRef,
} from '../design/index.js';
import { Draft } from './draft.js';
import { freePin } from './free-pin.js';
import { branchOf } from './branch.js';
import { wiringOf } from './wiring.js';

/**
 * Copies a channel with its sensor and everything in between to the next free pin that can do the same.
 *
 * @throws EditError when there is no such channel, or no pin is free for it
 */
export function duplicateChannel(design: Design, id: string): Edit {
  const channel = design.channels.find((c) => c.id === id);
  if (!channel) throw new EditError(`There is no channel ${id}.`);
  const branch = branchOf(design, channel.pin);
  const pins = pinsOf(design, channel.pin, branch);
  const draft = new Draft(design);
  const copies = copyParts(draft, branch);
  const moved = new Map<TerminalRef, TerminalRef>();
  for (const pin of pins) {
    const board = design.parts.find((p) => p.id === splitRef(pin).part);
    const use = design.controller.pins.find((p) => p.pin === pin);
    const free = board && freePin(draft.design, board, use ?? { mode: 'input' });
    if (!free) throw new EditError(`No pin is free that could do what ${pin} does.`);
    moved.set(pin, free);
    if (use) draft.make({ ...use, type: 'set-pin', pin: free });
  }
  copyWires(draft, design, branch, (ref) => moved.get(ref) ?? renamed(copies, ref));
  const name = `${channel.name} ${design.channels.filter((c) => c.name.startsWith(channel.name)).length + 1}`;
  const fresh = freshId(
    'c',
    design.channels.map((c) => c.id),
  );
  const pin = moved.get(channel.pin) ?? renamed(copies, channel.pin);
  draft.make({ type: 'put-channel', channel: { ...channel, id: fresh, name, pin } });
  return draft.edit('duplicate channel');
}

/** The controller pins that a branch hangs on. */
function pinsOf(design: Design, pin: TerminalRef, branch: readonly string[]): TerminalRef[] {
  const wiring = wiringOf(design);
  const ends = branch.flatMap((id) => {
    const part = wiring.part(id);
    return part ? kindOf(part).terminals.map((t) => terminalRef(id, t.id)) : [];
  });
  const found = ends
    .filter((ref) => wiring.nature(ref) === 'signal')
    .flatMap((ref) => wiring.ends(ref))
    .filter((e) => e.terminal.role === 'pin')
    .map((e) => e.ref);
  const own = wiring.ends(pin).some((e) => e.ref === pin && e.terminal.role === 'pin') ? [pin] : [];
  return [...new Set([...own, ...found])];
}

/** New parts like the ones of a branch, by the id of what each is a copy of. */
function copyParts(draft: Draft, branch: readonly string[]): Map<string, string> {
  const copies = new Map<string, string>();
  for (const id of branch) {
    const part = draft.design.parts.find((p) => p.id === id);
    if (!part) continue;
    const fresh = freshId(
      kindOf(part).prefix,
      draft.design.parts.map((p) => p.id),
    );
    const place = part.place && { ...part.place, x: part.place.x + 0.5 };
    draft.make({ type: 'add-part', part: { ...part, id: fresh, ...(place ? { place } : {}) } });
    copies.set(id, fresh);
  }
  return copies;
}

const renamed = (copies: ReadonlyMap<string, string>, ref: TerminalRef): TerminalRef => {
  const { part, terminal } = splitRef(ref);
  return terminalRef(copies.get(part) ?? part, terminal);
};

/** Wires of the copies: as those of the originals, ends outside the branch staying where they are. */
function copyWires(
  draft: Draft,
  design: Design,
  branch: readonly string[],
  to: (ref: TerminalRef) => TerminalRef,
): void {
  const inside = (ref: TerminalRef): boolean => branch.includes(splitRef(ref).part);
  for (const wire of design.wires.filter((w) => inside(w.from) || inside(w.to))) {
    const [a, b] = [to(wire.from), to(wire.to)];
    // Where an original was the meeting point of a rail, one wire to it is enough.
    if (wiringOf(draft.design).same(a, b)) continue;
    draft.join(a, b, { colour: wire.colour, length: wire.length, gauge: wire.gauge });
  }
}
