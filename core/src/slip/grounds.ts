import { kindOf } from '../catalog/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { Draft, wiringOf, type Wiring } from '../wiring/index.js';
import type { Slip, SlipKind } from './slip.js';

/** Where a part gives power out, and its ground. */
interface Source {
  part: string;
  out: TerminalRef;
  ground: TerminalRef;
}

const sources = (design: Design): Source[] =>
  design.parts.flatMap((part) => {
    const { terminals } = kindOf(part);
    const out = terminals.find((t) => t.role === 'supply-out');
    const ground = terminals.find((t) => t.role === 'ground');
    if (!out || !ground) return [];
    return [
      { part: part.id, out: terminalRef(part.id, out.id), ground: terminalRef(part.id, ground.id) },
    ];
  });

/** The terminals of a ground net that go with a source: its own, and those of the parts that it feeds. */
function half(wiring: Wiring, { part, out, ground }: Source): TerminalRef[] {
  const fed = new Set([part, ...wiring.ends(out).map((e) => e.part.id)]);
  return wiring
    .ends(ground)
    .map((e) => e.ref)
    .filter((ref) => fed.has(splitRef(ref).part));
}

/** The same wires, but that none leads from the one half to the other: each half hangs together by itself. */
function apart(design: Design, own: readonly TerminalRef[], rest: readonly TerminalRef[]): Draft {
  const draft = new Draft(design);
  const both = new Set([...own, ...rest]);
  for (const wire of design.wires)
    if (both.has(wire.from) && both.has(wire.to)) draft.make({ type: 'remove-wire', id: wire.id });
  for (const side of [own, rest])
    side.forEach((ref, i) => {
      const [first] = side;
      if (i > 0 && first !== undefined) draft.join(first, ref);
    });
  return draft;
}

function splitAt(design: Design, wiring: Wiring, source: Source): Slip[] {
  const own = half(wiring, source);
  const rest = wiring
    .ends(source.ground)
    .map((e) => e.ref)
    .filter((ref) => !own.includes(ref));
  // A terminal that is alone is a wire left out.
  if (own.length < 2 || rest.length < 2) return [];
  const says = `The ground of ${source.part} apart`;
  return [
    {
      says,
      label: `Part the ground of ${source.part}`,
      undoes: `The ground of ${source.part} is joined to the other`,
      about: [...own, ...rest],
      edit: apart(design, own, rest).edit(says),
    },
  ];
}

/** The ground of one supply with what it feeds, not joined to the other ground. */
export const grounds: SlipKind = {
  id: 'ground',
  label: 'Grounds that are not joined',
  undoesItself: false,
  all: (design) => {
    const wiring = wiringOf(design);
    return sources(design).flatMap((source) => splitAt(design, wiring, source));
  },
};
