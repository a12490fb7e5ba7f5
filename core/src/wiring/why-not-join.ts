import { kindOf, paramsOf, terminalOf, type Terminal } from '../catalog/index.js';
import {
  splitRef,
  terminalRef,
  type Design,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { formatNominal } from '../quantity/index.js';
import { wiringOf, type End, type Wiring } from './wiring.js';

/** An input stands this much over its supply, V. */
const slack = 0.5;

/**
 * Why two terminals cannot be joined, in the maker's words; empty when they can. Refused outright is what would
 * be a short, a fight between sources, or a voltage that a pin does not survive.
 */
export function whyNotJoin(design: Design, from: TerminalRef, to: TerminalRef): string {
  if (from === to) return 'This is where the wire starts.';
  if (!terminalOf(design, from) || !terminalOf(design, to)) return 'There is no such terminal.';
  const wiring = wiringOf(design);
  if (wiring.same(from, to)) return 'These two are joined already.';
  const [a, b] = [around(wiring, from), around(wiring, to)];
  if (beyondBoundary(a, b) || beyondBoundary(b, a))
    return 'Mains ends at the contacts of a relay made for it. Put such a relay in between.';
  if (fight(a, b, wiring)) return 'Two supplies on one wire would fight each other.';
  if ((has(a, 'supply-out') && has(b, 'ground')) || (has(a, 'ground') && has(b, 'supply-out')))
    return 'This would short the supply to ground.';
  return tooHigh(a, b, wiring) || tooHigh(b, a, wiring);
}

/** Every end that a terminal is joined to, itself included. */
const around = (wiring: Wiring, ref: TerminalRef): readonly End[] => wiring.ends(ref);

const has = (ends: readonly End[], role: Terminal['role']): boolean =>
  ends.some((e) => e.terminal.role === role);

/** A board is fed at its own rail with this share of its voltage, more or less. */
const railSlack = 0.05;

/** Whether supplies on both sides would meet, and not to feed a board by its rail. */
const fight = (a: readonly End[], b: readonly End[], wiring: Wiring): boolean =>
  sources(a).some((x) =>
    sources(b).some((y) => !feedsRail(x, y, wiring) && !feedsRail(y, x, wiring)),
  );

const sources = (ends: readonly End[]): End[] =>
  ends.filter((e) => e.terminal.role === 'supply-out');

/** Whether a supply fits the rail of a board that is fed by nothing else. */
function feedsRail(supply: End, rail: End, wiring: Wiring): boolean {
  const { feed, inputs } = rail.kind;
  const [volts, own] = [supplyVolts(supply), supplyVolts(rail)];
  if (!feed || !inputs || wiring.wired(terminalRef(rail.part.id, feed.plus))) return false;
  return volts !== undefined && own !== undefined && Math.abs(volts - own) <= railSlack * own;
}

/** Whether a board is fed by its own rail, and not at its input. */
export const isFedAtRail = (wiring: Wiring, part: Part): boolean => {
  const { id } = part;
  const { feed, terminals } = kindOf(part);
  return (
    feed !== undefined &&
    !wiring.wired(terminalRef(id, feed.plus)) &&
    terminals
      .filter((t) => t.role === 'supply-out')
      .some((t) => sources(wiring.ends(terminalRef(id, t.id))).some((e) => e.part.id !== id))
  );
};

/** Whether mains on one side would meet something on the other that is not made for it. */
const beyondBoundary = (a: readonly End[], b: readonly End[]): boolean =>
  has(a, 'mains') && !b.every((e) => e.terminal.role === 'mains' || isMainsContact(e));

/** Whether a terminal may be joined to mains: the contact of a relay. */
export const isMainsContact = ({ kind, terminal }: End): boolean =>
  terminal.role === 'contact' && kind.stage === 'drives';

/** Why what drives one net is too much for the pins on another. */
function tooHigh(driving: readonly End[], driven: readonly End[], wiring: Wiring): string {
  const pin = driven.find((e) => e.terminal.role === 'pin');
  const runsOn = pin && boardVolts(pin);
  if (!pin || runsOn === undefined) return '';
  for (const end of driving) {
    const high = highest(end, wiring);
    if (high !== undefined && high > runsOn + slack) {
      return `${end.ref} reaches ${formatNominal(high, 'V')}; ${pin.ref} stands ${formatNominal(runsOn, 'V')}. Put a level shifter or a divider in between.`;
    }
  }
  return '';
}

/** What a controller's pins run on: its rail, or what it is made for. */
const boardVolts = ({ part }: End): number | undefined =>
  kindOf(part).inputs?.nominal(paramsOf(part));

/** The voltage a terminal drives to, where that is known without solving. */
function highest(end: End, wiring: Wiring): number | undefined {
  if (end.terminal.role === 'supply-out') return supplyVolts(end);
  const fedAt = end.terminal.highAt;
  if (fedAt === undefined) return undefined;
  const supply = wiring
    .ends(`${end.part.id}.${fedAt}`)
    .find((e) => e.terminal.role === 'supply-out');
  return supply && supplyVolts(supply);
}

/** The nominal voltage of a supply's output; a board's own output is its rail. */
export function supplyVolts({
  part,
  terminal,
}: Pick<End, 'part' | 'terminal'>): number | undefined {
  return kindOf(part)
    .supplies?.find(({ at }) => at === terminal.id)
    ?.volts(paramsOf(part));
}

/** Every supply of a design: where it can be taken, and its nominal voltage. */
export function suppliesOf(design: Design): { ref: TerminalRef; volts: number }[] {
  const wiring = wiringOf(design);
  return design.parts.flatMap((part) =>
    kindOf(part)
      .terminals.filter((t) => t.role === 'supply-out')
      .flatMap((terminal) => {
        const volts = supplyVolts({ part, terminal });
        const ref = afterFuse(wiring, `${part.id}.${terminal.id}`);
        return volts === undefined ? [] : [{ ref, volts }];
      }),
  );
}

/** Behind a fuse in a supply's lead, where one is the only thing on it. */
function afterFuse(wiring: Wiring, ref: TerminalRef): TerminalRef {
  const [only, ...more] = wiring.ends(ref).filter((e) => e.ref !== ref);
  if (!only?.kind.fuse || more.length > 0) return ref;
  const beyond = wiring.beyond(only);
  return beyond && splitRef(beyond).part === only.part.id ? beyond : ref;
}
