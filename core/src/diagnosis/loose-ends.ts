import { kindOf } from '../catalog/index.js';
import type { Finding } from '../check/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { isFedAtRail, wiringOf, type Wiring } from '../wiring/index.js';

/** Terminals at which a wire may be missing, one for each net: nothing is wired to them, or a finding tells of their net. */
export function looseEnds(design: Design, findings: readonly Finding[]): TerminalRef[] {
  const wiring = wiringOf(design);
  const told = new Set(findings.flatMap((f) => f.about));
  const ends = [...openTerminals(design, wiring), ...toldOf(design, wiring, told)];
  return [...new Map(ends.map((ref) => [wiring.net(ref), ref])).values()];
}

/** Terminals without a wire on parts in use, and pins that the program uses. */
function openTerminals(design: Design, wiring: Wiring): TerminalRef[] {
  const programmed = new Set([...design.channels, ...design.outputs].map((p) => p.pin));
  return design.parts.flatMap((part) => {
    const { feed, terminals } = kindOf(part);
    const fed = isFedAtRail(wiring, part);
    return terminals
      .filter((t) => !fed || t.id !== feed?.plus)
      .filter((t) => t.role !== 'pin' || programmed.has(terminalRef(part.id, t.id)))
      .filter((t) => t.role !== 'supply-out')
      .map((t) => terminalRef(part.id, t.id))
      .filter((ref) => !wiring.wired(ref));
  });
}

/** Nets and terminals that findings name, and the wired terminals of small parts that they name. */
function toldOf(design: Design, wiring: Wiring, told: ReadonlySet<string>): TerminalRef[] {
  const named = wiring
    .all()
    .flatMap((net) => net.terminals.find((ref) => told.has(ref) || told.has(net.id)) ?? []);
  const ofParts = design.parts
    .filter((part) => told.has(part.id) && kindOf(part).terminals.every((t) => t.role !== 'pin'))
    .flatMap((part) => kindOf(part).terminals.map((t) => terminalRef(part.id, t.id)))
    .filter((ref) => wiring.wired(ref) && splitRef(ref).part !== '');
  return [...named, ...ofParts];
}

/** Terminals that a part which was left out would leave without a wire: not what a sensor offers besides. */
export const lostEnds = (design: Design, wiring: Wiring): TerminalRef[] => [
  ...openTerminals(design, wiring).filter((ref) =>
    wiring
      .ends(ref)
      .every(
        ({ kind, terminal }) =>
          !terminal.optional && !(kind.stage === 'feels' && terminal.role === 'signal-out'),
      ),
  ),
  ...lostContacts(design, wiring),
];

/** Of contacts with a wire on one side only what is on the other, the common or what closes; of those with both the input that moves them. */
export const lostContacts = (design: Design, wiring: Wiring): TerminalRef[] =>
  design.parts.flatMap((part) =>
    (kindOf(part).contacts ?? []).flatMap(({ terminals, movedBy }) => {
      const [common = '', ...others] = terminals.map((id) => terminalRef(part.id, id));
      const led = others.some((ref) => wiring.wired(ref));
      if (wiring.wired(common) !== led) return led ? [common] : others.slice(0, 1);
      const input = led && movedBy ? [terminalRef(part.id, movedBy)] : [];
      return input.filter((ref) => !wiring.wired(ref));
    }),
  );
