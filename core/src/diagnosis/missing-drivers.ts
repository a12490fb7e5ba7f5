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
import { loadsHangingBy, otherLead } from './hanging-loads.js';
import { lostEnds } from './loose-ends.js';
import { hubOf, railsOf } from './rails.js';

/** What usually switches the lower lead of a load, and by which terminals. */
interface Driver {
  add(draft: Draft): string;
  called: string;
  control: string;
  load: string;
  ground: string;
  usual: number;
}

const drivers: readonly Driver[] = [
  {
    add: (draft) => draft.add('npn-transistor', 'Driver'),
    ...{ called: 'a transistor', control: 'b', load: 'c', ground: 'e', usual: 0.8 },
  },
  {
    add: (draft) => draft.add('logic-mosfet', 'Driver'),
    ...{ called: 'a MOSFET', control: 'g', load: 'd', ground: 's', usual: 0.7 },
  },
];

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
    return loads.flatMap(({ plus, minus }) => {
      const across = open.filter((ref) => leadsTo(wiring, ref, plus));
      const { up, down } = holding(wiring, held);
      const ways = {
        control: [...control, ...up],
        load: [...new Set([minus, ...across])],
        ground: [ground, ...down],
      };
      return drivers.map((driver) => withDriver(design, driver, ways));
    });
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
    leadsTo(wiring, ref, pin),
  );
};

/** Whether the other lead of a part is at a terminal. */
function leadsTo(wiring: Wiring, ref: TerminalRef, to: TerminalRef): boolean {
  const other = otherLead(wiring, ref);
  return other !== undefined && wiring.same(other, to);
}

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

/** Of resistors that may hold a driver off the loose end at its control, and the one at ground where both are loose. */
function holding(wiring: Wiring, held: readonly TerminalRef[]) {
  const down = held.filter((ref, i) => held.slice(0, i).includes(otherLead(wiring, ref) ?? ''));
  const up = held.filter((ref) => {
    const other = otherLead(wiring, ref) ?? '';
    return !down.includes(ref) && (down.includes(other) || wiring.nature(other) === 'ground');
  });
  return { up, down };
}

/** What is joined at each terminal of a driver. */
type Ways = Readonly<Record<'control' | 'load' | 'ground', readonly TerminalRef[]>>;

function withDriver(design: Design, driver: Driver, ways: Ways): Candidate {
  const draft = new Draft(design);
  const id = driver.add(draft);
  const [[control = ''], [load = '']] = [ways.control, ways.load];
  for (const terminal of ['control', 'load', 'ground'] as const)
    for (const ref of ways[terminal]) draft.join(ref, terminalRef(id, driver[terminal]));
  return {
    kind: 'mistake',
    says: `No driver stands between ${control} and ${load}`,
    label: `Add ${driver.called}: ${control} switches ${load}`,
    about: [id, control, load],
    usual: driver.usual,
    edit: draft.edit('add driver'),
  };
}
