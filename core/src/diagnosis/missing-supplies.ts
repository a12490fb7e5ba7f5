import { kindOf } from '../catalog/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { formatNominal } from '../quantity/index.js';
import { list } from '../check/index.js';
import { Draft, suppliesOf, wiringOf } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { lostEnds } from './loose-ends.js';
import { railsOf } from './rails.js';

/** Usual supplies, V. */
const usual = [9, 12, 5];

/** A supply that was left out, where ends that are to be fed are loose; or the fuse between one and them. */
export function missingSupplies(design: Design): Candidate[] {
  const wiring = wiringOf(design);
  const role = (ref: TerminalRef): string | undefined => {
    const { part: id, terminal } = splitRef(ref);
    const part = design.parts.find((p) => p.id === id);
    return part && kindOf(part).terminals.find((t) => t.id === terminal)?.role;
  };
  const open = lostEnds(design, wiring);
  const fed = open.filter((ref) => role(ref) === 'supply-in');
  const [ground] = railsOf(design);
  // What else is loose led to the supply as well: diodes across coils, contacts, resistors that pull up.
  const plus = open.filter((ref) => role(ref) !== 'ground');
  // One end that nothing is known to feed lacks a wire, not a part.
  if ((fed.length === 0 && plus.length < 2) || !ground) return [];
  const alone = suppliesOf(design).filter(({ ref }) => !wiring.wired(ref));
  return [
    ...alone.map(({ ref }) => fuse(design, ref, plus)),
    ...(fed.length > 0 ? usual.map((volts) => supply(design, volts, plus, ground)) : []),
  ];
}

function supply(
  design: Design,
  volts: number,
  plus: readonly TerminalRef[],
  ground: TerminalRef,
): Candidate {
  const draft = new Draft(design);
  const id = draft.add('adapter', 'Supply', { volts });
  for (const ref of plus) draft.join(terminalRef(id, 'plus'), ref);
  draft.join(terminalRef(id, 'minus'), ground);
  return {
    kind: 'mistake',
    says: `Nothing feeds ${list(plus)}`,
    label: `Feed ${list(plus)} from ${formatNominal(volts, 'V')}`,
    about: [id, ...plus, ground],
    usual: -0.3,
    edit: draft.edit('add supply'),
  };
}

function fuse(design: Design, from: TerminalRef, plus: readonly TerminalRef[]): Candidate {
  const draft = new Draft(design);
  const [first = '', ...others] = plus;
  const id = draft.between('fuse', 'Fuse', {}, from, first);
  for (const ref of others) draft.join(terminalRef(id, 'b'), ref);
  return {
    kind: 'mistake',
    says: `No fuse stands between ${from} and ${list(plus)}`,
    label: `Add a fuse between ${from} and ${list(plus)}`,
    about: [id, from, ...plus],
    usual: -0.2,
    edit: draft.edit('add fuse'),
  };
}
