import { kindOf } from '../catalog/index.js';
import type { Finding } from '../check/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import {
  isFedAtRail,
  joinEdit,
  whyNotJoin,
  wiringOf,
  type End,
  type Wiring,
} from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { looseEnds } from './loose-ends.js';
import { hubOf, railsOf } from './rails.js';

type Way = readonly [from: TerminalRef, to: TerminalRef];

/** Wires of terminals that have to have one and have none: to each other, to ground or a supply. */
export function neededWires(design: Design, findings: readonly Finding[]): Candidate[] {
  const wiring = wiringOf(design);
  const loose = looseEnds(design, findings).filter((ref) => isNeeded(wiring, ref));
  const needed = [...idleSupplies(design, wiring), ...loose];
  const spare = looseEnds(design, findings).filter((ref) => isSpareLead(wiring, ref));
  const pins = [...design.outputs, ...design.channels].map((use) => use.pin);
  const ways = needed.flatMap((from): Way[] => {
    const meant = pins.filter((pin) => isMeant(design, wiring, from, pin));
    return [...meant, ...needed, ...railsOf(design), ...spare].map((to) => [from, to]);
  });
  return wiresBetween(design, ways);
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

/** Whether a terminal has to have a wire that it lacks: it has none, or is the rail of a board that nothing feeds. */
const isNeeded = (wiring: Wiring, ref: TerminalRef): boolean =>
  wiring.wired(ref)
    ? wiring.ends(ref).some((end) => isUnfedRail(wiring, end))
    : !wiring.ends(ref).some((e) => e.terminal.optional);

/** Whether a terminal is a lead of something that acts, which need not have a wire and has none. */
const isSpareLead = (wiring: Wiring, ref: TerminalRef): boolean =>
  !wiring.wired(ref) &&
  wiring
    .ends(ref)
    .some(({ kind, terminal }) => kind.acts && terminal.optional && terminal.role === 'passive');

/** Whether a loose end behind an output would come to such a lead. */
const isForSpare = (design: Design, wiring: Wiring, loose: TerminalRef, to: TerminalRef): boolean =>
  isSpareLead(wiring, to) &&
  behind(wiring, loose).some((ref) => design.outputs.some(({ pin }) => wiring.same(pin, ref)));

const isUnfedRail = (wiring: Wiring, { kind, part, terminal }: End): boolean =>
  terminal.role === 'supply-out' &&
  kind.feed !== undefined &&
  !wiring.wired(terminalRef(part.id, kind.feed.plus)) &&
  !isFedAtRail(wiring, part);

/**
 * Two terminals that both lack a wire were made for each other; one that lacks it most likely led to ground or a supply, and
 * to the very supply that its part has ground from; and so do most wires anyhow.
 */
function usualness(design: Design, wiring: Wiring, a: TerminalRef, b: TerminalRef): number {
  const needed = [a, b].filter((ref) => isNeeded(wiring, ref)).length;
  const natures = [wiring.nature(a), wiring.nature(b)];
  const rail =
    (natures.includes('ground') ? 0.2 : natures.includes('supply') ? 0.1 : 0) +
    (lightsUp(wiring, a, b) || lightsUp(wiring, b, a) ? 0.15 : 0);
  const spare = isForSpare(design, wiring, a, b) || isForSpare(design, wiring, b, a);
  const own = sharesGround(design, wiring, a, b) || sharesGround(design, wiring, b, a) ? 0.3 : 0;
  const meant = isMeant(design, wiring, a, b) || isMeant(design, wiring, b, a) ? 0.25 : 0;
  const called = isCalled(design, wiring, a, b) || isCalled(design, wiring, b, a) ? 0.05 : 0;
  if (needed === 0) return own + rail;
  return own + meant + called + (needed === 2 ? 0.5 : spare ? 0.42 : 0.2 + rail);
}

/** Whether a supply would come to the anode of something that lights up, through a resistor if need be. */
const lightsUp = (wiring: Wiring, loose: TerminalRef, rail: TerminalRef): boolean =>
  wiring.nature(rail) === 'supply' &&
  [loose, ...behind(wiring, loose)]
    .flatMap((ref) => wiring.ends(ref))
    .some(({ kind, terminal }) => kind.junctions?.some((j) => j.anode === terminal.id));

/**
 * Whether a loose end of what acts, or before it, would come to an output, or one of a sensor to a pin that is read, and has
 * none yet.
 */
function isMeant(design: Design, wiring: Wiring, loose: TerminalRef, to: TerminalRef): boolean {
  if (!isNeeded(wiring, loose)) return false;
  const near = [loose, ...behind(wiring, loose)];
  const comesTo = (uses: readonly { pin: TerminalRef }[]): boolean =>
    uses.some(({ pin }) => wiring.same(pin, to)) &&
    !uses.some(({ pin }) => near.some((ref) => wiring.same(pin, ref)));
  const leads = (stage: string, ...roles: string[]): boolean =>
    near
      .flatMap((ref) => wiring.ends(ref))
      .some(
        ({ kind, terminal }) =>
          kind.stage === stage && (roles.includes(terminal.role) || kind.terminals.length === 2),
      );
  return (
    (comesTo(design.outputs) &&
      (leads('acts', 'signal-in', 'passive') || leads('drives', 'signal-in'))) ||
    (comesTo(design.channels) && leads('feels', 'signal-out'))
  );
}

/** Whether a part is called as what stands at a terminal, or what uses it: a red resistor at red. */
function isCalled(design: Design, wiring: Wiring, a: TerminalRef, b: TerminalRef): boolean {
  const names = wiring.ends(a).flatMap((e) => wordsOf(e.part.name));
  const uses = [...design.outputs, ...design.channels].filter(({ pin }) => wiring.same(pin, b));
  const words = [
    ...wiring.ends(b).map((e) => e.terminal.id.toLowerCase()),
    ...uses.flatMap((use) => wordsOf(use.name)),
  ];
  return words.some((word) => names.includes(word));
}

const wordsOf = (name: string): string[] => name.toLowerCase().split(/\W+/).filter(Boolean);

/** The other end of a part with two leads, where that is no rail. */
const behind = (wiring: Wiring, ref: TerminalRef): TerminalRef[] =>
  wiring
    .ends(ref)
    .flatMap((end) => wiring.beyond(end) ?? [])
    .filter((end) => wiring.nature(end) === 'signal');

/** Whether a wire leads from ground of a supply to ground of the part that it would feed. */
function sharesGround(design: Design, wiring: Wiring, at: TerminalRef, fed: TerminalRef): boolean {
  const supplies = wiring.ends(at).filter((e) => e.terminal.role === 'supply-out');
  const joins = (ref: TerminalRef, part: string): boolean =>
    splitRef(ref).part === part && wiring.nature(ref) === 'ground';
  const { part } = splitRef(fed);
  const takes = wiring
    .ends(fed)
    .some((e) => e.terminal.role === 'supply-in' || isUnfedRail(wiring, e));
  if (!takes) return false;
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
