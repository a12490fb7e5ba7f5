import { kindOf, type PartKind, type Terminal } from '../catalog/index.js';
import {
  type Design,
  type Part,
  splitRef,
  terminalRef,
  type TerminalRef,
} from '../design/index.js';
import { parseQuantity } from '../quantity/index.js';

/** A wire as it was typed: its two ends, and the resistor in between if one was named. */
export type Said =
  | { ok: true; from: TerminalRef; to: TerminalRef; through?: number }
  | { ok: false; reason: string };

/** Words for what a terminal does, where its label does not say it. */
const meanings: readonly {
  words: readonly string[];
  is: (terminal: Terminal, kind: PartKind) => boolean;
}[] = [
  { words: ['ground', 'gnd', 'minus', '-', '−', 'negative', '0v'], is: (t) => t.role === 'ground' },
  {
    words: ['supply', 'power', 'vcc', 'plus', '+', 'positive'],
    is: (t) => t.role === 'supply-in' || t.role === 'supply-out',
  },
  { words: ['out', 'output', 'signal'], is: (t) => t.role === 'signal-out' },
  { words: ['in', 'input'], is: (t) => t.role === 'signal-in' },
  { words: ['coil'], is: (t) => t.role === 'coil' },
  { words: ['anode', 'long'], is: (t, k) => ends(k, 'anode').includes(t.id) },
  { words: ['cathode', 'band', 'short'], is: (t, k) => ends(k, 'cathode').includes(t.id) },
  { words: ['base'], is: (t, k) => t.id === k.transistor?.base },
  { words: ['collector'], is: (t, k) => t.id === k.transistor?.collector },
  { words: ['emitter'], is: (t, k) => t.id === k.transistor?.emitter },
  { words: ['gate'], is: (t, k) => t.id === (k.mosfet ?? k.thyristor)?.gate },
  { words: ['drain'], is: (t, k) => t.id === k.mosfet?.drain },
  { words: ['source'], is: (t, k) => t.id === k.mosfet?.source },
];

/** Where current enters or leaves a junction, diode or thyristor. */
const ends = (kind: PartKind, end: 'anode' | 'cathode'): (string | undefined)[] => {
  const { junctions = [], conducts, clamps, thyristor } = kind;
  const way = conducts ?? clamps;
  return [...junctions.map((j) => j[end]), end === 'anode' ? way?.from : way?.to, thyristor?.[end]];
};

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/**
 * Reads a wire from words: "OUT of PIR to D2", "R1.a U1.5V", "join gate of Q1 and D8", "D8 to base of Q1
 * through 1k". A terminal without a part is looked for on controllers first, then anywhere.
 */
export function sayWiring(design: Design, text: string): Said {
  const { body, through } = takeThrough(text);
  const said = plain(body).replace(/^(wire|join|connect|solder|run)( from)? /, '');
  const halves = splitHalves(said);
  if (!halves) {
    return { ok: false, reason: 'Say two ends with “to” between them: “OUT of PIR to D2”.' };
  }
  const [from, to] = [findEnd(design, halves[0]), findEnd(design, halves[1])];
  if (typeof from !== 'string') return from;
  if (typeof to !== 'string') return to;
  if (from === to) return { ok: false, reason: `Both ends are ${from}.` };
  return { ok: true, from, to, ...(through === undefined ? {} : { through }) };
}

/** "… through 1k" names a resistor to put in between. */
function takeThrough(text: string): { body: string; through?: number } {
  const match =
    /^(.*?)\s+(?:through|via|with|over)\s+(\S+(?:\s*(?:ohms?|Ω))?)(?:\s+resistor)?$/i.exec(
      text.trim(),
    );
  if (!match) return { body: text };
  const [, body = '', ohms = ''] = match;
  const parsed = parseQuantity(ohms.replace(/\s*ohms?$/i, ''), 'Ω');
  return parsed.ok && parsed.value > 0 ? { body, through: parsed.value } : { body: text };
}

function splitHalves(said: string): [string, string] | undefined {
  const [from, to, ...more] = said.split(/ (?:to|and|with|→|->|–) /);
  if (from !== undefined && to !== undefined && more.length === 0) return [from, to];
  const [first, second, ...others] = said.split(' ');
  return first?.includes('.') && second?.includes('.') && others.length === 0
    ? [first, second]
    : undefined;
}

/** The terminal that half a sentence names, or why it names none or several. */
function findEnd(design: Design, half: string): TerminalRef | Extract<Said, { ok: false }> {
  const [, dotted, terminal] = /^(\S+)\.(\S+)$/.exec(half) ?? [];
  if (dotted && terminal) return inPart(design, dotted, terminal, half);
  const [, called, of] = /^(?:the )?(.+?) (?:of|on|at) (?:the )?(.+)$/.exec(half) ?? [];
  if (called && of) return inPart(design, of, called, half);
  const alone = anywhere(design, half);
  if (typeof alone === 'string') return alone;
  // "PIR out": the part first, or "out PIR".
  const words = half.split(' ');
  for (let i = 1; i < words.length; i++) {
    const [head, tail] = [words.slice(0, i).join(' '), words.slice(i).join(' ')];
    for (const [part, terminal] of [
      [head, tail],
      [tail, head],
    ] as const) {
      const found = inPart(design, part, terminal, half);
      if (typeof found === 'string') return found;
    }
  }
  return alone;
}

function inPart(
  design: Design,
  partWords: string,
  terminalWords: string,
  half: string,
): TerminalRef | Extract<Said, { ok: false }> {
  const parts = partsCalled(design, partWords);
  const [part] = parts;
  if (!part) return { ok: false, reason: `No part is called “${partWords}”.` };
  const found = parts.flatMap((p) =>
    terminalsCalled(p, terminalWords).map((t) => terminalRef(p.id, t.id)),
  );
  if (found.length === 0) {
    const labels = kindOf(part).terminals.map((t) => t.label);
    return {
      ok: false,
      reason: `${part.name} (${part.id}) has no “${terminalWords}”; it has ${labels.slice(0, 12).join(', ')}.`,
    };
  }
  return one(design, found, half);
}

/** A terminal named without its part: on controllers first, then the only one of that name. */
function anywhere(design: Design, words: string): TerminalRef | Extract<Said, { ok: false }> {
  const find = (parts: readonly Part[]): TerminalRef[] =>
    parts.flatMap((p) => terminalsCalled(p, words).map((t) => terminalRef(p.id, t.id)));
  const boards = design.parts.filter((p) => kindOf(p).terminals.some((t) => t.role === 'pin'));
  const onBoards = find(boards);
  if (onBoards.length > 0) return one(design, onBoards, words);
  const grounds = find(design.parts.filter((p) => kindOf(p).stage === 'feeds'));
  if (grounds.length > 0) return one(design, grounds, words);
  const found = find(design.parts);
  if (found.length === 0) return { ok: false, reason: `Nothing here is called “${words}”.` };
  return one(design, found, words);
}

/** One terminal, or the first of several that are one net's or unwired equals; else which there are. */
function one(
  design: Design,
  found: readonly TerminalRef[],
  words: string,
): TerminalRef | Extract<Said, { ok: false }> {
  const [only, ...others] = found;
  if (only && others.length === 0) return only;
  const boards = new Set(found.map((ref) => splitRef(ref).part));
  if (boards.size === 1) {
    const free = found.filter((ref) => !design.wires.some((w) => w.from === ref || w.to === ref));
    const [alone, ...more] = free;
    if (alone && more.length === 0) return alone;
  }
  return { ok: false, reason: `“${words}” could be ${found.slice(0, 6).join(', ')}: say which.` };
}

/** Parts by id, by name, by the start of a name, or by what a maker calls the kind. */
function partsCalled(design: Design, words: string): Part[] {
  const said = plain(words);
  const ways: ((p: Part) => boolean)[] = [
    (p) => p.id.toLowerCase() === said,
    (p) => plain(p.name) === said,
    (p) => plain(p.name).includes(said),
    (p) => kindOf(p).words.includes(said) || plain(kindOf(p).label).includes(said),
  ];
  for (const way of ways) {
    const found = design.parts.filter(way);
    if (found.length > 0) return found;
  }
  return [];
}

/** Terminals by id or label first, then by what they do. */
function terminalsCalled(part: Part, words: string): Terminal[] {
  const said = plain(words);
  const squeezed = said.replace(/\s/g, '');
  const kind = kindOf(part);
  const { terminals } = kind;
  const named = terminals.filter(
    (t) => t.id.toLowerCase() === squeezed || t.label.toLowerCase().replace(/\s/g, '') === squeezed,
  );
  if (named.length > 0) return [...named];
  const meaning = meanings.find((m) => m.words.includes(said));
  return meaning ? terminals.filter((t) => meaning.is(t, kind)) : [];
}
