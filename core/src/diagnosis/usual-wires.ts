import { wordsOf } from '../check/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { isFedAtRail, type End, type Wiring } from '../wiring/index.js';

/** Whether a terminal has to have a wire that it lacks: it has none, or is the rail of a board that nothing feeds. */
export const isNeeded = (wiring: Wiring, ref: TerminalRef): boolean =>
  wiring.wired(ref)
    ? wiring.ends(ref).some((end) => isUnfedRail(wiring, end))
    : !wiring.ends(ref).some((e) => e.terminal.optional);

/** Whether a terminal is a lead of something that acts, which need not have a wire and has none. */
export const isSpareLead = (wiring: Wiring, ref: TerminalRef): boolean =>
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
export function usualness(design: Design, wiring: Wiring, a: TerminalRef, b: TerminalRef): number {
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
export function isMeant(
  design: Design,
  wiring: Wiring,
  loose: TerminalRef,
  to: TerminalRef,
): boolean {
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
  const names = wiring.ends(a).flatMap((e) => [...wordsOf(e.part.name)]);
  const uses = [...design.outputs, ...design.channels].filter(({ pin }) => wiring.same(pin, b));
  const words = [
    ...wiring.ends(b).flatMap((e) => [...wordsOf(e.terminal.id)]),
    ...uses.flatMap((use) => [...wordsOf(use.name)]),
  ];
  return words.some((word) => names.includes(word));
}

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
