import { kindOf, paramsOf, type Terminal } from '../catalog/index.js';
import { terminalRef, type Design, type Part, type TerminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { boardsOf, elementsOf, outputDrive, suppliesOf, wiringOf } from '../wiring/index.js';
import { CannotBuild } from './block.js';
import { railFor, railVoltsFor, toPin, type Making } from './making.js';
import { boardOf, groundOf, nearestE24, pinFor, put, railOf, wire } from './site.js';

/** A part with supply of its own: power, then each of its signals. */
export function fed(making: Making): void {
  const { part } = making;
  const { terminals, outputs } = kindOf(part);
  power(making);
  if (kindOf(part).bus) return onBus(making);
  const signals = terminals.filter((t) => t.role === 'signal-out');
  for (const terminal of outputs
    ? signals.filter((t) => outputs.includes(t.id))
    : signals.slice(0, 1))
    signalOut(making, terminal);
  for (const terminal of terminals.filter((t) => t.role === 'signal-in' && !t.optional))
    signalIn(making, terminal);
}

/** Joins a part's own feed to a supply that suits it. */
export function power({ draft, part, because }: Making): void {
  const { feed } = kindOf(part);
  if (!feed) return;
  const supply = supplyThatSuits(draft.design, part);
  wire(draft, supply.ref, terminalRef(part.id, feed.plus));
  wire(draft, terminalRef(part.id, feed.minus), groundOf(draft.design));
  because.push(
    `It works from ${formatQuantity(feed.least(paramsOf(part)), 'V')}: fed ${formatQuantity(supply.volts, 'V')} from ${supply.ref}.`,
  );
}

/** The board's own supply if it suits the part, else the lowest that does. */
export function supplyThatSuits(design: Design, part: Part): { ref: TerminalRef; volts: number } {
  const { feed, ratings } = kindOf(part);
  const params = paramsOf(part);
  const least = feed?.least(params) ?? 0;
  const most =
    ratings
      .find(({ across }) => across?.from === feed?.plus && across?.to === feed?.minus)
      ?.limit(params) ?? Infinity;
  const [board] = boardsOf(design);
  const own = board && railOf(board);
  const found = suppliesOf(design)
    .filter((s) => s.volts >= least && s.volts <= 0.97 * most)
    .sort((a, b) => Number(b.ref === own) - Number(a.ref === own) || a.volts - b.volts)[0];
  if (!found) {
    throw new CannotBuild(
      `${part.name} wants ${formatQuantity(least, 'V')} to ${formatQuantity(most, 'V')}, and no supply here gives that: add one first.`,
    );
  }
  return found;
}

/** Whether a line is high or low and nothing in between, for the pin that reads it. */
const isYesNo = (part: Part, terminal: string): boolean => {
  const drive = outputDrive(part, terminal);
  const pulses = kindOf(part).terminals.find((t) => t.id === terminal)?.highAt !== undefined;
  const contact = elementsOf(part).some(
    (e) => e.type === 'contact' && [e.a, e.b].includes(terminal),
  );
  return drive === 'open-collector' || drive === 'logic' || contact || pulses;
};

function signalOut(making: Making, terminal: Terminal): void {
  const { draft, part, because } = making;
  const signal = terminalRef(part.id, terminal.id);
  if (outputDrive(part, terminal.id) === 'open-collector' && !kindOf(part).inside) {
    put(draft, 'resistor', 'Pull-up', { ohms: 10e3 }, [railFor(draft.design), signal]);
    because.push('Its output only pulls low: 10 kΩ to the pin’s own supply pull it up.');
  }
  if (!divided(making, terminal, signal))
    toPin(making, signal, isYesNo(part, terminal.id) ? 'input' : 'analogue');
}

/** An output that rises above the board's own supply is brought down by a divider; says whether it did. */
function divided(making: Making, terminal: Terminal, signal: TerminalRef): boolean {
  const { draft, part, because } = making;
  const rail = railVoltsFor(draft.design);
  const fedAt = kindOf(part).feed?.plus ?? '';
  const wiring = wiringOf(draft.design);
  const fed =
    suppliesOf(draft.design).find((s) => wiring.same(s.ref, terminalRef(part.id, fedAt)))?.volts ??
    0;
  if (terminal.highAt === undefined || fed <= rail + 0.5) return false;
  const ohms = nearestE24((10e3 * rail) / (fed - rail));
  const pin = pinFor(draft.design, { mode: 'input' });
  put(draft, 'resistor', 'Divider, upper', { ohms: 10e3 }, [signal, pin]);
  put(draft, 'resistor', 'Divider, lower', { ohms }, [pin, groundOf(draft.design)]);
  draft.make({ type: 'set-pin', pin, mode: 'input' });
  because.push(
    `${signal} reaches ${formatQuantity(fed, 'V')}: 10 kΩ over ${formatQuantity(ohms, 'Ω')} bring it to ${formatQuantity((fed * ohms) / (ohms + 10e3), 'V')} at ${pin}.`,
  );
  return true;
}

function signalIn(making: Making, terminal: Terminal): void {
  const { draft, part, because } = making;
  if (boardsOf(draft.design).length === 0) return;
  const pin = pinFor(draft.design, { mode: 'output' });
  wire(draft, pin, terminalRef(part.id, terminal.id));
  draft.make({ type: 'set-pin', pin, mode: 'output' });
  because.push(`${terminalRef(part.id, terminal.id)} is driven by ${pin}.`);
}

/** A chip on a two-wire bus, with pull-ups where the bus has none yet. */
function onBus(making: Making): void {
  const { draft, part, because } = making;
  const board = boardOf(draft.design);
  const { bus } = kindOf(part);
  if (!bus) return;
  for (const skill of ['data', 'clock'] as const) {
    const line = bus[skill];
    const ref = terminalRef(part.id, line);
    const pins = kindOf(board).terminals.filter((t) => t.can?.includes(skill));
    const busy = pins.find((t) =>
      wiringOf(draft.design)
        .ends(terminalRef(board.id, t.id))
        .some((e) => e.kind.bus?.[skill] === e.terminal.id),
    );
    const pin = busy
      ? terminalRef(board.id, busy.id)
      : pinFor(draft.design, { mode: 'input', skill });
    wire(draft, pin, ref);
    if (!busy) {
      put(draft, 'resistor', `Pull-up ${line}`, { ohms: 4.7e3 }, [
        terminalRef(part.id, bus.supply),
        ref,
      ]);
      draft.make({ type: 'set-pin', pin, mode: 'input', skill });
    }
  }
  because.push(
    'Data and clock to the pins that have them; one pair of 4.7 kΩ serves the whole bus.',
  );
}
