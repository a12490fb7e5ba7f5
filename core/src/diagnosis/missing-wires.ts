import { kindOf } from '../catalog/index.js';
import type { Finding } from '../check/index.js';
import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { joinEdit, whyNotJoin, wiringOf, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { looseEnds, lostContacts } from './loose-ends.js';
import { hubOf, railsOf } from './rails.js';
import { isMeant, isNeeded, isSpareLead, usualness } from './usual-wires.js';

type Way = readonly [from: TerminalRef, to: TerminalRef];

/** Wires of terminals that have to have one and have none: to each other, to ground or a supply. */
export function neededWires(design: Design, findings: readonly Finding[]): Candidate[] {
  const wiring = wiringOf(design);
  const loose = looseEnds(design, findings);
  const needed = [...idleSupplies(design, wiring), ...loose.filter((ref) => isNeeded(wiring, ref))];
  const spare = loose.filter((ref) => isSpareLead(wiring, ref));
  const contacts = lostContacts(design, wiring);
  const pins = [...design.outputs, ...design.channels].map((use) => use.pin);
  const ways = needed.flatMap((from): Way[] => {
    const meant = pins.filter((pin) => isMeant(design, wiring, from, pin));
    return [...meant, ...needed, ...railsOf(design), ...spare, ...contacts].map((to) => [from, to]);
  });
  const hanging = loose.filter((ref) => wiring.wired(ref) || isNeeded(wiring, ref));
  const behind = contacts.flatMap((from) => hanging.map((to): Way => [from, to]));
  return wiresBetween(design, [...ways, ...behind]);
}

/** Wires that are forgotten most: from a loose end to ground or a supply, and between two. */
export const likelyWires = (design: Design, findings: readonly Finding[]): Candidate[] => {
  const loose = looseEnds(design, findings);
  const to = (ends: readonly TerminalRef[]): Way[] =>
    loose.flatMap((from) => ends.map((end): Way => [from, end]));
  const ways = [...to(railsOf(design)), ...to(loose)];
  return wiresBetween(design, ways);
};

/** The others: from a loose end to any net, and from any net to ground or a supply. */
export function otherWires(design: Design, findings: readonly Finding[]): Candidate[] {
  const nets = wiringOf(design)
    .all()
    .flatMap(({ terminals: [first] }) => first ?? []);
  const ends = [...railsOf(design), ...looseEnds(design, findings)];
  return wiresBetween(
    design,
    ends.flatMap((from) => nets.map((to): Way => [from, to])),
  );
}

function wiresBetween(design: Design, ways: readonly Way[]): Candidate[] {
  const wiring = wiringOf(design);
  const programmed = new Set([...design.channels, ...design.outputs].map((use) => use.pin));
  const used = (ref: TerminalRef): boolean => wiring.ends(ref).some((e) => programmed.has(e.ref));
  // Two pins that the program uses are not meant to be one.
  const open = ways.filter(
    ([a, b]) =>
      !wiring.same(a, b) &&
      !shorts(wiring, a, b) &&
      !(used(a) && used(b)) &&
      !lacksLoad(wiring, a, b) &&
      !lacksLoad(wiring, b, a),
  );
  const each = new Map(
    open.map((way) => [
      way
        .map((ref) => wiring.net(ref))
        .sort()
        .join(),
      way,
    ]),
  );
  const hub = (ref: TerminalRef): TerminalRef => hubOf(design, ref);
  return [...each.values()]
    .map(([a, b]): Way => [hub(a), hub(b)])
    .filter(([a, b]) => !whyNotJoin(design, a, b))
    .map(([from, to]) => ({
      kind: 'mistake',
      says: `No wire leads from ${from} to ${to}`,
      label: `Join ${from} and ${to}`,
      about: [from, to],
      usual: usualness(design, wiring, from, to),
      edit: joinEdit(design, from, to),
    }));
}

/** Supplies that feed nothing. */
const idleSupplies = (design: Design, wiring: Wiring): TerminalRef[] =>
  design.parts.flatMap((part) => {
    const { feed, terminals } = kindOf(part);
    const outs = feed ? [] : terminals.filter((t) => t.role === 'supply-out');
    return outs.map((t) => terminalRef(part.id, t.id)).filter((ref) => !wiring.wired(ref));
  });

/** What a terminal is, by a fuse or a lead if need be. */
function natureBeyond(wiring: Wiring, ref: TerminalRef): 'supply' | 'ground' | 'other' {
  const inLine = wiring
    .ends(ref)
    .filter((end) => end.kind.fuse || end.kind.conductor)
    .flatMap((end) => wiring.beyond(end) ?? []);
  const natures = [ref, ...inLine].map((r) => wiring.nature(r));
  return natures.includes('ground') ? 'ground' : natures.includes('supply') ? 'supply' : 'other';
}

/** Whether a wire would lead from a driver that switches nothing straight to a supply or ground: its load is what is missing. */
const lacksLoad = (wiring: Wiring, driver: TerminalRef, rail: TerminalRef): boolean =>
  natureBeyond(wiring, rail) !== 'other' &&
  wiring.ends(driver).every((e) => e.kind.driver && e.terminal.role === 'signal-out');

/** A wire between two legs of a part with so few takes it out of the circuit and cures nothing. */
const fewLegs = 3;

const shorts = (wiring: Wiring, a: TerminalRef, b: TerminalRef): boolean =>
  wiring.between(a, b).some((part) => kindOf(part).terminals.length <= fewLegs) ||
  [natureBeyond(wiring, a), natureBeyond(wiring, b)].sort().join() === 'ground,supply';
