import { findKind, terminalOf } from '../catalog/index.js';
import {
  EditError,
  terminalRef,
  type Design,
  type Edit,
  type TerminalRef,
  type Wire,
} from '../design/index.js';
import { Draft } from './draft.js';
import { usualColour } from './wire-colour.js';
import { whyNotJoin } from './why-not-join.js';

/**
 * Joins two terminals by a wire of the usual colour.
 *
 * @throws EditError with the reason when they cannot be joined
 */
export function joinEdit(design: Design, from: TerminalRef, to: TerminalRef): Edit {
  const reason = whyNotJoin(design, from, to);
  if (reason) throw new EditError(reason);
  return new Draft(design)
    .join(from, to, { colour: usualColour(design, from, to) })
    .edit('add wire');
}

/**
 * Puts one end of a wire elsewhere.
 *
 * @throws EditError when there is no such wire, or it cannot end there
 */
export function moveWireEnd(design: Design, id: string, end: 'from' | 'to', to: TerminalRef): Edit {
  const wire = wireOf(design, id);
  const draft = new Draft(design).make({ type: 'remove-wire', id });
  const reason = whyNotJoin(draft.design, end === 'from' ? wire.to : wire.from, to);
  if (reason) throw new EditError(reason);
  return draft.make({ type: 'add-wire', wire: { ...wire, [end]: to } }).edit('move wire');
}

/**
 * Cuts a wire and puts a two-terminal part into the cut.
 *
 * @throws EditError when there is no such wire; RangeError for a kind that has not two terminals
 */
export function splitWire(
  design: Design,
  id: string,
  kind: string,
  name: string,
  params: Record<string, number> = {},
): Edit {
  const wire = wireOf(design, id);
  const [first, second, ...more] = findKind(kind)?.terminals ?? [];
  if (!first || !second || more.length > 0) throw new RangeError(`${kind} has not two terminals.`);
  const draft = new Draft(design).make({ type: 'remove-wire', id });
  const part = draft.add(kind, name, params);
  // A diode or fuse looks from the supply towards what it feeds.
  const feedsFrom = terminalOf(design, wire.to)?.role !== 'supply-out';
  const [near, far] = feedsFrom ? [wire.from, wire.to] : [wire.to, wire.from];
  const { length, ...rest } = wire;
  const half = length === undefined ? {} : { length: length / 2 };
  return draft
    .join(near, terminalRef(part, first.id), { ...rest, ...half })
    .join(terminalRef(part, second.id), far, { ...rest, ...half })
    .edit('split wire');
}

function wireOf(design: Design, id: string): Wire {
  const wire = design.wires.find((w) => w.id === id);
  if (!wire) throw new EditError(`There is no wire ${id}.`);
  return wire;
}
