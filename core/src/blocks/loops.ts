import { CannotBuild } from './block.js';
import { kindOf, paramsOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft, replacePart } from '../wiring/index.js';
import type { Block } from './block.js';
import { usePin } from './load-stage.js';
import {
  askPart,
  boardOf,
  groundOf,
  nearestE24,
  partOf,
  pinFor,
  put,
  railOf,
  railVolts,
  wire,
} from './site.js';

export const endOfLine: Block = {
  id: 'end-of-line',
  label: 'End-of-line loop',
  summary: 'A contact whose wire is watched too: rest, tripped, cut and shorted read differently.',
  words: ['loop', 'supervised', 'end of line', 'tamper', 'cut', 'contact', 'zone'],
  asks: (design, about) => [askPart(design, 'Contact', (kind) => kind.loop !== undefined, about)],
  build: (design, answers) => {
    const part = partOf(design, answers);
    const pin = pinFor(design, { mode: 'analogue' });
    const board = boardOf(design);
    const draft = new Draft(design);
    const wires = draft.design.wires.filter((w) =>
      [w.from, w.to].some((e) => e.startsWith(`${part.id}.`)),
    );
    for (const { id } of wires) draft.make({ type: 'remove-wire', id });
    if (!kindOf(part).loop?.resistors)
      draft.make(replacePart(draft.design, part.id, 'supervised-contact'));
    const loop = draft.design.parts.find((p) => p.id === part.id) ?? part;
    const ends = kindOf(loop).loop;
    const resistors = ends?.resistors?.(paramsOf(loop));
    if (!ends || !resistors) throw new CannotBuild(`${part.name} has no resistors for that.`);
    const { line, across } = resistors;
    const rail = railVolts(board);
    const top = nearestE24(Math.sqrt(line * (line + across)));
    const at = (ohms: number): string => formatQuantity((rail * ohms) / (ohms + top), 'V');
    put(draft, 'resistor', 'Loop resistor', { ohms: top }, [
      railOf(board),
      terminalRef(part.id, ends.a),
    ]);
    wire(draft, terminalRef(part.id, ends.b), groundOf(design));
    wire(draft, terminalRef(part.id, ends.a), pin);
    draft.make({ type: 'set-pin', pin, mode: 'analogue' });
    return {
      edit: draft.edit('add end-of-line loop'),
      because: [
        `At the pin: rest ${at(line)}, tripped ${at(line + across)}, cut ${formatQuantity(rail, 'V')}, shorted 0 V.`,
        `The resistor above is √(${formatQuantity(line, 'Ω')}·${formatQuantity(line + across, 'Ω')}), so that rest and tripped lie farthest apart. The line’s resistors belong into the contact’s own housing.`,
      ],
    };
  },
};

/** Capacitance of a plate or strip, as its readout gives it. */
function farads(part: Parameters<typeof paramsOf>[0], stimulus: number): number {
  const kind = kindOf(part);
  const quantity = kind.senses?.quantities[0] ?? 'force';
  const readout = kind.reads?.find((r) => r.picofarads);
  const senses = new Proxy({} as Record<string, number>, {
    get: (_, q) => (q === quantity ? stimulus : 0),
  });
  const solved = { volts: {}, amps: {}, watts: 0 };
  return readout ? 1e-12 * readout.counts(senses as never, paramsOf(part), solved) : NaN;
}

export const capacitiveDivider: Block = {
  id: 'capacitive-divider',
  label: 'Capacitive divider',
  summary:
    'A pulse over a known capacitor into a plate, mat or strip: what arrives tells its capacitance.',
  words: ['capacitive', 'divider', 'mat', 'foil', 'plate', 'strip', 'level', 'pressure'],
  asks: (design, about) => [
    askPart(
      design,
      'Plate',
      (kind) => kind.reads?.some((r) => r.picofarads === true) ?? false,
      about,
    ),
  ],
  build: (design, answers) => {
    const part = partOf(design, answers);
    const { curve } = kindOf(part);
    const [from, to] = curve?.operating ?? [0, 1];
    const [low, high] = [farads(part, from), farads(part, to)];
    const reference = Math.sqrt(low * high);
    const board = boardOf(design);
    const draft = new Draft(design);
    const drive = pinFor(draft.design, { mode: 'output' });
    usePin(draft, drive, `${part.name} pulse`, { feeds: true });
    const sense = pinFor(draft.design, { mode: 'analogue' });
    draft.make({ type: 'set-pin', pin: sense, mode: 'analogue' });
    const rounded = nearestE24(reference);
    const signal = terminalRef(
      part.id,
      kindOf(part).terminals.find((t) => t.role === 'signal-out')?.id ?? 'b',
    );
    const other = terminalRef(
      part.id,
      kindOf(part).terminals.find((t) => t.role === 'passive')?.id ?? 'a',
    );
    put(draft, 'capacitor', 'Reference capacitor', { farads: rounded }, [drive, signal]);
    wire(draft, signal, sense);
    wire(draft, other, groundOf(design));
    put(draft, 'resistor', 'Bleed resistor', { ohms: 10e6 }, [signal, groundOf(design)]);
    const at = (c: number): string =>
      formatQuantity((railVolts(board) * rounded) / (rounded + c), 'V');
    return {
      edit: draft.edit('add capacitive divider'),
      because: [
        `V = Vs·Cref/(Cref + Cx): ${at(low)} at ${formatQuantity(low, 'F')}, ${at(high)} at ${formatQuantity(high, 'F')}. Cref = √(C1·C2) = ${formatQuantity(reference, 'F')} sets them farthest apart; ${formatQuantity(rounded, 'F')} of E24.`,
        'Read right after the pulse rises; the bleed resistor empties it until the next. The picture shows the steady state, in which nothing is left at the pin; for rehearsals use the part’s own reading in pF.',
      ],
    };
  },
};
