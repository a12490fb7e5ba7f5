import { kindOf } from '../catalog/index.js';
import type { Finding } from '../check/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { joinEdit, whyNotJoin, wiringOf, type End, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { looseEnds } from './loose-ends.js';
import { hubOf, railsOf } from './rails.js';

type Way = readonly [from: TerminalRef, to: TerminalRef];

/** Wires of terminals that have to have one and have none: to each other, to ground or a supply. */
export function neededWires(design: Design, findings: readonly Finding[]): Candidate[] {
  const wiring = wiringOf(design);
  const loose = looseEnds(design, findings).filter((ref) => isNeeded(wiring, ref));
  const needed = [...idleSupplies(design, wiring), ...loose];
  const ways = needed.flatMap((from): Way[] =>
    [...needed, ...railsOf(design)].map((to) => [from, to]),
  );
  return wiresBetween(design, ways);
}

/** Wires that are forgotten most: between two loose ends, and from one to ground or a supply. */
export const likelyWires = (design: Design, findings: readonly Finding[]): Candidate[] => {
  const loose = looseEnds(design, findings);
  const ways = loose.flatMap((from): Way[] =>
    [...loose, ...railsOf(design)].map((to) => [from, to]),
  );
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

/** Whether a terminal has to have a wire that it lacks: it has none, or is the rail of a board that nothing feeds. */
const isNeeded = (wiring: Wiring, ref: TerminalRef): boolean =>
  wiring.wired(ref)
    ? wiring.ends(ref).some((end) => isUnfedRail(wiring, end))
    : !wiring.ends(ref).some((e) => e.terminal.optional);

const isUnfedRail = (wiring: Wiring, { kind, part, terminal }: End): boolean =>
  terminal.role === 'supply-out' &&
  kind.feed !== undefined &&
  !wiring.wired(terminalRef(part.id, kind.feed.plus));

/**
 * Two terminals that both lack a wire were made for each other; one that lacks it most likely led to ground or a supply, and
 * to the very supply that its part has ground from; and so do most wires anyhow.
 */
function usualness(design: Design, wiring: Wiring, a: TerminalRef, b: TerminalRef): number {
  const needed = [a, b].filter((ref) => isNeeded(wiring, ref)).length;
  const natures = [wiring.nature(a), wiring.nature(b)];
  const rail = natures.includes('ground') ? 0.2 : natures.includes('supply') ? 0.1 : 0;
  const own = sharesGround(design, wiring, a, b) || sharesGround(design, wiring, b, a) ? 0.3 : 0;
  return own + (needed === 2 ? 0.5 : needed === 1 ? 0.2 + rail : rail);
}

/** Whether a wire leads from ground of a supply to ground of the part that it would feed. */
function sharesGround(design: Design, wiring: Wiring, at: TerminalRef, fed: TerminalRef): boolean {
  const supplies = wiring.ends(at).filter((e) => e.terminal.role === 'supply-out');
  const joins = (ref: TerminalRef, part: string): boolean =>
    splitRef(ref).part === part && wiring.nature(ref) === 'ground';
  const { part } = splitRef(fed);
  return supplies.some((s) =>
    design.wires.some(
      ({ from, to }) =>
        (joins(from, s.part.id) && joins(to, part)) || (joins(to, s.part.id) && joins(from, part)),
    ),
  );
}

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
