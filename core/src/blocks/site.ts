import { endsOf, kindOf, paramsOf, type PartKind, type Terminal } from '../catalog/index.js';
import { terminalRef, type Design, type Part, type TerminalRef } from '../design/index.js';
import { formatNominal, preferredValues } from '../quantity/index.js';
import {
  boardsOf,
  freePin,
  suppliesOf,
  usualColour,
  wiringOf,
  type Draft,
  type PinNeed,
} from '../wiring/index.js';
import { CannotBuild, type Answers, type Ask } from './block.js';

/** Ground of a design. */
export function groundOf(design: Design): TerminalRef {
  const ground = wiringOf(design).ground();
  if (ground === undefined)
    throw new CannotBuild('Nothing here has a ground yet: add a supply first.');
  return ground;
}

/** The supply nearest to a wanted voltage, by ratio. */
export function supplyNear(design: Design, volts: number): { ref: TerminalRef; volts: number } {
  const far = (v: number): number => Math.abs(Math.log(v / volts));
  const found = suppliesOf(design).sort((a, b) => far(a.volts) - far(b.volts))[0];
  if (!found) throw new CannotBuild('Nothing here gives a voltage yet: add a supply first.');
  return found;
}

/** The first controller. */
export function boardOf(design: Design): Part {
  const [board] = boardsOf(design);
  if (!board) throw new CannotBuild('There is no controller here yet: add a board first.');
  return board;
}

/** A terminal that a board takes its pins' supply from. */
export function railOf(board: Part): TerminalRef {
  const { terminals, feed } = kindOf(board);
  const out = terminals.find((t) => t.role === 'supply-out')?.id ?? feed?.plus;
  if (out === undefined) throw new CannotBuild(`${board.name} gives no supply.`);
  return terminalRef(board.id, out);
}

/** The voltage a board's pins work at. */
export const railVolts = (board: Part): number =>
  kindOf(board).inputs?.nominal(paramsOf(board)) ?? 5;

/** A free pin, or the reason why there is none. */
export function pinFor(design: Design, need: PinNeed): TerminalRef {
  const board = boardOf(design);
  const pin = freePin(design, board, need);
  if (pin === undefined) {
    const what = need.skill ?? need.mode;
    throw new CannotBuild(`${board.name} has no free pin for ${what}: free one in the pin plan.`);
  }
  return pin;
}

export const partOf = (design: Design, answers: Answers, id = 'part'): Part => {
  const part = design.parts.find((p) => p.id === answers[id]);
  if (!part)
    throw new CannotBuild(
      'Say for which part: none is chosen. Where the list is empty, add the part first, or take off the wires of the one that is there.',
    );
  return part;
};

/** A terminal that was answered. */
export const terminalOfAnswer = (answers: Answers, id: string): TerminalRef => {
  const ref = answers[id];
  if (typeof ref !== 'string' || ref === '')
    throw new CannotBuild('Say at which terminal: none is chosen.');
  return ref;
};

export const numberOf = (answers: Answers, id: string): number => {
  const value = Number(answers[id]);
  if (!Number.isFinite(value) || value <= 0)
    throw new CannotBuild(`“${String(answers[id])}” is no positive number.`);
  return value;
};

/** Asks for one of the parts that fit. */
export function askPart(
  design: Design,
  label: string,
  fits: (kind: PartKind, part: Part) => boolean,
  about?: string,
  id = 'part',
): Ask {
  const parts = design.parts.filter((p) => fits(kindOf(p), p));
  const options = parts.map((p) => ({ value: p.id, label: `${p.id} ${p.name}` }));
  const value =
    options.find((o) => o.value === about)?.value ?? options[options.length - 1]?.value ?? '';
  return { id, label, type: 'pick', options, value };
}

/** Asks for one of the terminals that fit. */
export function askTerminal(
  design: Design,
  label: string,
  fits: (terminal: Terminal, ref: TerminalRef, part: Part) => boolean,
  about?: string,
  id = 'terminal',
): Ask {
  const options = design.parts.flatMap((part) =>
    kindOf(part)
      .terminals.filter((t) => fits(t, terminalRef(part.id, t.id), part))
      .map((t) => ({
        value: terminalRef(part.id, t.id),
        label: `${t.label} of ${part.id} ${part.name}`,
      })),
  );
  const value =
    options.find((o) => o.value.startsWith(`${about}.`))?.value ?? options[0]?.value ?? '';
  return { id, label, type: 'pick', options, value };
}

/** Asks for a supply. */
export function askSupply(design: Design, label: string, volts: number, id = 'supply'): Ask {
  const supplies = suppliesOf(design);
  const options = supplies.map((s) => ({
    value: s.ref,
    label: `${formatNominal(s.volts, 'V')} at ${s.ref}`,
  }));
  const far = (v: number): number => Math.abs(Math.log(v / volts));
  const nearest = [...supplies].sort((a, b) => far(a.volts) - far(b.volts))[0];
  return { id, label, type: 'pick', options, value: nearest?.ref ?? '' };
}

/** The voltage of an answered supply. */
export function answeredSupply(
  design: Design,
  answers: Answers,
  id = 'supply',
): { ref: TerminalRef; volts: number } {
  const found = suppliesOf(design).find((s) => s.ref === answers[id]);
  if (!found) throw new CannotBuild('Say from which supply: none is chosen. Add one first.');
  return found;
}

/** Joins with the usual colour. */
export function wire(draft: Draft, from: TerminalRef, to: TerminalRef): void {
  if (wiringOf(draft.design).same(from, to)) return;
  draft.join(from, to, { colour: usualColour(draft.design, from, to) });
}

/** A new resistor, capacitor, diode … between two terminals, wires in the usual colours. */
export function put(
  draft: Draft,
  kind: string,
  name: string,
  params: Record<string, number>,
  [from, to]: readonly [TerminalRef, TerminalRef],
): string {
  const id = draft.add(kind, name, params);
  const [first, second] = endsOf(kind);
  wire(draft, from, terminalRef(id, first.id));
  wire(draft, terminalRef(id, second.id), to);
  return id;
}

export const nearestE24 = (value: number): number => preferredValues(value, 'E24').nearest;
export const e12Below = (value: number): number => preferredValues(value, 'E12').below;
export const e12Above = (value: number): number => preferredValues(value, 'E12').above;
