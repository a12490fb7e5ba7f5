import { kindOf } from '../catalog/index.js';
import {
  terminalRef,
  type Design,
  type Output,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { branchOf, Draft, wiringOf, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { loadsHangingBy, otherLeads, type Load } from './hanging-loads.js';
import { lostEnds } from './loose-ends.js';
import { hubOf, railsOf } from './rails.js';

/** What usually switches the lower lead of a load, and by which terminals. */
const drivers = [
  {
    add: (draft: Draft) => draft.add('npn-transistor', 'Driver'),
    ...{ called: 'a transistor', control: 'b', load: 'c', ground: 'e' },
  },
  {
    add: (draft: Draft) => draft.add('logic-mosfet', 'Driver'),
    ...{ called: 'a MOSFET', control: 'g', load: 'd', ground: 's' },
  },
] as const;

/**
 * A driver that was left out: a resistor behind an output has a loose end, and a load is fed that nothing switches. What
 * else is loose there was joined as well: the diode across the load, the resistor that holds the driver off.
 */
export function missingDrivers(design: Design): Candidate[] {
  const wiring = wiringOf(design);
  const [rail] = railsOf(design);
  const open = lostEnds(design, wiring);
  if (!rail || open.length === 0) return [];
  const ground = hubOf(design, rail);
  const loads = loadsHangingBy(design, wiring, 'minus').filter((l) => wiring.wired(l.plus));
  return design.outputs.flatMap((output) => {
    const control = controlOf(design, wiring, output, open);
    if (control.length === 0) return [];
    const held = loose(design, open, ({ id }) => !branchOf(design, output.pin).includes(id));
    return loads.flatMap((load) =>
      drivers.map((_, i) => driver(design, wiring, i, { open, control, load, held, ground })),
    );
  });
}

/** Loose ends of resistors behind an output. */
const controlOf = (
  design: Design,
  wiring: Wiring,
  { pin }: Output,
  open: readonly TerminalRef[],
): TerminalRef[] => {
  const branch = branchOf(design, pin);
  return loose(design, open, ({ id }) => branch.includes(id)).filter((ref) =>
    otherLeads(design, ref).some((end) => wiring.same(end, pin)),
  );
};

/** Loose ends of some resistors. */
const loose = (
  { parts }: Design,
  open: readonly TerminalRef[],
  wanted: (part: Part) => boolean,
): TerminalRef[] =>
  parts
    .filter((part) => kindOf(part).resistance && wanted(part))
    .flatMap((part) => kindOf(part).terminals.map((t) => terminalRef(part.id, t.id)))
    .filter((ref) => open.includes(ref));

interface Place {
  open: readonly TerminalRef[];
  control: readonly TerminalRef[];
  load: Load;
  /** Loose ends of resistors that may hold the driver off. */
  held: readonly TerminalRef[];
  ground: TerminalRef;
}

function driver(
  design: Design,
  wiring: Wiring,
  which: number,
  { open, control, load, held, ground }: Place,
): Candidate {
  const { add, called, ...terminals } = drivers[which === 0 ? 0 : 1];
  const draft = new Draft(design);
  const id = add(draft);
  const at = (terminal: keyof typeof terminals): TerminalRef =>
    terminalRef(id, terminals[terminal]);
  // Of a resistor that is loose at both ends one is held to ground.
  const down = held.filter((ref) =>
    otherLeads(design, ref).some(
      (end) => held.includes(end) && held.indexOf(end) < held.indexOf(ref),
    ),
  );
  const up = held.filter(
    (ref) =>
      !down.includes(ref) &&
      otherLeads(design, ref).every((end) => held.includes(end) || wiring.nature(end) === 'ground'),
  );
  for (const ref of [...control, ...up]) draft.join(ref, at('control'));
  const across = open.filter((ref) =>
    otherLeads(design, ref).some((end) => wiring.same(end, load.plus)),
  );
  for (const ref of new Set([load.minus, ...across])) draft.join(ref, at('load'));
  for (const ref of down) draft.join(ref, ground);
  draft.join(at('ground'), ground);
  const [first = ''] = control;
  return {
    kind: 'mistake',
    says: `No driver stands between ${first} and ${load.minus}`,
    label: `Add ${called}: ${first} switches ${load.minus}`,
    about: [id, ...control, load.minus],
    usual: 0.8 - 0.1 * which,
    edit: draft.edit('add driver'),
  };
}
