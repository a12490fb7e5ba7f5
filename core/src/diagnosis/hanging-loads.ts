import { kindOf } from '../catalog/index.js';
import { terminalRef, type Design, type Part, type TerminalRef } from '../design/index.js';
import type { Wiring } from '../wiring/index.js';

/** Both leads of a coil, or of what takes a supply as it is. */
export interface Load {
  plus: TerminalRef;
  minus: TerminalRef;
}

/** Loads of which one lead hangs: nothing is at it but parts with two leads, such as the diode across the load. */
export const loadsHangingBy = (design: Design, wiring: Wiring, lead: keyof Load): Load[] =>
  design.parts.flatMap((part) => {
    const load = loadOf(part);
    return load && hangs(wiring, part, load[lead]) ? [load] : [];
  });

function loadOf(part: Part): Load | undefined {
  const { acts, junctions, coil, terminals } = kindOf(part);
  const [first, second, ...more] = terminals.map((t) => t.id);
  const simple = acts && !junctions && more.length === 0;
  const [plus, minus] = coil ? [coil.plus, coil.minus] : simple ? [first, second] : [];
  return plus === undefined || minus === undefined
    ? undefined
    : { plus: terminalRef(part.id, plus), minus: terminalRef(part.id, minus) };
}

const hangs = (wiring: Wiring, { id }: Part, lead: TerminalRef): boolean =>
  wiring.nature(lead) === 'signal' &&
  wiring
    .ends(lead)
    .every(
      ({ part, kind }) =>
        part.id === id || (kind.terminals.length === 2 && !kind.fuse && !kind.resistance),
    );

/** The other lead of a part with two leads. */
export function otherLead(wiring: Wiring, ref: TerminalRef): TerminalRef | undefined {
  const end = wiring.end(ref);
  return end && wiring.beyond(end);
}
