import { kindOf, paramsOf } from '../catalog/index.js';
import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { formatNominal } from '../quantity/index.js';
import { list } from '../check/index.js';
import { Draft, suppliesOf, wiringOf, type End, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { loadsHangingBy } from './hanging-loads.js';
import { lostEnds } from './loose-ends.js';
import { hubOf, railsOf } from './rails.js';

/** Usual supplies, V. */
const usual = [9, 12, 5];

/** A supply that was left out, where ends that are to be fed are loose; or the fuse between one and them. */
export function missingSupplies(design: Design): Candidate[] {
  const wiring = wiringOf(design);
  const open = lostEnds(design, wiring);
  const [rail] = railsOf(design);
  if (!rail) return [];
  const ground = hubOf(design, rail);
  const ends = open.map((ref) => wiring.end(ref));
  const unfed = unfedNets(design, wiring);
  const hanging = (lead: 'plus' | 'minus'): TerminalRef[] =>
    loadsHangingBy(design, wiring, lead).map((load) => load[lead]);
  // What else is loose led to the supply as well: diodes across coils, contacts, resistors that pull up.
  const below = open.filter((_, i) => isLower(ends[i], open));
  const lower = [...new Set([...below, ...hanging('minus')])];
  const above = open.filter((ref) => !lower.includes(ref));
  const plus = [...new Set([...above, ...unfed, ...hanging('plus')])];
  const fed =
    unfed.length > 0 || ends.some((end) => end?.terminal.role === 'supply-in' || end?.kind.fuse);
  // One end that nothing is known to feed lacks a wire, not a part.
  if (plus.length === 0 || (!fed && plus.length < 2)) return [];
  const alone = suppliesOf(design).filter(
    ({ ref }) => !wiring.wired(ref) && !wiring.end(ref)?.kind.fuse,
  );
  const rated = design.parts.flatMap((part) => kindOf(part).load?.volts?.(paramsOf(part)) ?? []);
  return [
    ...alone.map(({ ref }) => fuse(design, ref, plus)),
    ...(fed ? usual.map((volts) => supply(design, volts, { plus, lower, ground }, rated)) : []),
  ];
}

/** Where parts take power on nets that nothing gives any to; one end of each. */
function unfedNets(design: Design, wiring: Wiring): TerminalRef[] {
  const gives = ['supply-out', 'pin', 'signal-out', 'contact'];
  const fed = design.parts.flatMap((part) => {
    const { feed } = kindOf(part);
    const plus = feed && terminalRef(part.id, feed.plus);
    return plus !== undefined && wiring.wired(plus) ? [plus] : [];
  });
  const without = fed.filter((plus) =>
    wiring.ends(plus).every(({ kind, terminal }) => !kind.fuse && !gives.includes(terminal.role)),
  );
  return [...new Map(without.map((ref) => [wiring.net(ref), ref])).values()];
}

/** Whether a loose end led to the minus: ground, the lower lead of a driver, the second of two that are both loose. */
function isLower(end: End | undefined, open: readonly TerminalRef[]): boolean {
  if (!end) return false;
  const { part, kind, terminal } = end;
  const [first, second, ...more] = kind.terminals;
  const both = [first, second].every((t) => t && open.includes(terminalRef(part.id, t.id)));
  return Boolean(
    terminal.role === 'ground' ||
    (kind.driver && more.length > 0 && terminal.role === 'passive') ||
    (more.length === 0 && both && terminal === second),
  );
}

interface Place {
  plus: readonly TerminalRef[];
  lower: readonly TerminalRef[];
  ground: TerminalRef;
}

function supply(
  design: Design,
  volts: number,
  { plus, lower, ground }: Place,
  rated: readonly number[],
): Candidate {
  const draft = new Draft(design);
  const id = draft.add('adapter', 'Supply', { volts });
  for (const ref of plus) draft.join(terminalRef(id, 'plus'), ref);
  for (const ref of [ground, ...lower]) draft.join(terminalRef(id, 'minus'), ref);
  return {
    kind: 'mistake',
    says: `Nothing feeds ${list(plus)}`,
    label: `Feed ${list(plus)} from ${formatNominal(volts, 'V')}`,
    about: [id, ...plus, ground],
    // What loads are made for tells which.
    usual: rated.includes(volts) ? -0.2 : -0.3,
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
