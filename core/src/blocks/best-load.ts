import { kindOf, surroundings, type Quantity } from '../catalog/index.js';
import { Circuit, voltsAt } from '../circuit/index.js';
import { emptyDesign, terminalRef, type Part } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft, wiringOf } from '../wiring/index.js';
import { CannotBuild, type Answers, type Block, type Built } from './block.js';
import { askPart, nearestE24, numberOf, partOf } from './site.js';

/** Supply on which a load is sought: the swing's best place does not depend on it for a resistance. */
const benchVolts = 5;

/** What a two-terminal sensor gives over its load in two conditions. */
export interface Swing {
  ohms: number;
  low: number;
  high: number;
}

/** Terminals of a sensor without supply of its own: where it hangs on, and where its signal is. */
export function dividerEnds(part: Pick<Part, 'kind'>): { top: string; signal: string } | undefined {
  const { terminals, feed, stage } = kindOf(part);
  const signal = terminals.find((t) => t.role === 'signal-out');
  const top = terminals.find((t) => t.role === 'passive');
  if (stage !== 'feels' || feed || terminals.length !== 2 || !signal || !top) return undefined;
  return { top: top.id, signal: signal.id };
}

/**
 * The load resistance that makes the largest difference between two conditions, sensor on top. For a resistance
 * that changes from R1 to R2 it is √(R1·R2); for any other two-terminal sensor it is sought on the solved
 * circuit, 60 steps of golden section over six decades.
 *
 * @param between the two values of its main quantity
 */
export function bestLoad(
  part: Part,
  between: readonly [number, number],
  volts = benchVolts,
): Swing {
  const ends = dividerEnds(part);
  const quantity = kindOf(part).senses?.quantities[0];
  if (!ends || !quantity) throw new CannotBuild(`${part.name} does not work with a load resistor.`);
  const circuit = bench(part, ends, volts);
  const at = (ohms: number, stimulus: number): number => {
    circuit.setParams('R', { ohms });
    circuit.setState(part.id, { stimulus: { [quantity]: stimulus } });
    return voltsAt(circuit.solve(), 'R.a') ?? 0;
  };
  const swing = (log: number): number =>
    Math.abs(at(10 ** log, between[0]) - at(10 ** log, between[1]));
  const ohms = 10 ** maximum(swing, 1, 7);
  const [first, second] = [at(ohms, between[0]), at(ohms, between[1])];
  return { ohms, low: Math.min(first, second), high: Math.max(first, second) };
}

/** The sensor on a supply, over a resistor to ground. */
function bench(part: Part, ends: { top: string; signal: string }, volts: number): Circuit {
  return new Circuit({
    ...emptyDesign('Load'),
    parts: [
      { ...part, place: undefined },
      { id: 'G', kind: 'adapter', name: 'G', params: { volts, ohms: 1e-3 } },
      { id: 'R', kind: 'resistor', name: 'R', params: { ohms: 1e4 } },
    ],
    wires: [
      { id: 'w1', from: 'G.plus', to: terminalRef(part.id, ends.top) },
      { id: 'w2', from: terminalRef(part.id, ends.signal), to: 'R.a' },
      { id: 'w3', from: 'R.b', to: 'G.minus' },
    ],
  });
}

/** Place of the maximum of a function with one hill (golden section). */
function maximum(f: (x: number) => number, from: number, to: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  for (let i = 0; i < 60 && b - a > 1e-5; i++) {
    const [c, d] = [b - golden * (b - a), a + golden * (b - a)];
    if (f(c) >= f(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}

/** The quantity a sensor feels first, with the ends of the range it is meant for. */
export function usualRange(part: Pick<Part, 'kind'>): {
  quantity: Quantity;
  between: [number, number];
} {
  const { senses, curve } = kindOf(part);
  const quantity = senses?.quantities[0] ?? 'light';
  const fits = curve && 'stimulus' in curve.vary && curve.vary.stimulus === quantity;
  const { min, max } = surroundings[quantity];
  return { quantity, between: fits ? [curve.operating[0], curve.operating[1]] : [min, max] };
}

export const bestLoadBlock: Block = {
  id: 'best-load',
  label: 'Load resistor for the best swing',
  summary:
    'Chooses the resistor under a sensor so that two conditions lie as far apart as they can.',
  words: ['load', 'divider', 'swing', 'resistor', 'sensor', 'best'],
  asks: (design, about) => {
    const sensor = askPart(design, 'Sensor', (_, p) => dividerEnds(p) !== undefined, about);
    const part = design.parts.find((p) => p.id === sensor.value);
    if (!part) return [sensor];
    const { quantity, between } = usualRange(part);
    const { label, unit } = surroundings[quantity];
    const name = (which: string): string => `${label} ${which}${unit ? `, ${unit}` : ''}`;
    return [
      sensor,
      { id: 'quiet', label: name('when quiet'), type: 'number', unit: '', value: between[0] },
      {
        id: 'wanted',
        label: name('when it should trip'),
        type: 'number',
        unit: '',
        value: between[1],
      },
    ];
  },
  build: (design, answers: Answers): Built => {
    const part = partOf(design, answers);
    const between: [number, number] = [numberOf(answers, 'quiet'), numberOf(answers, 'wanted')];
    const best = bestLoad(part, between);
    const ohms = nearestE24(best.ohms);
    const load = loadOf(part.id, design);
    if (!load)
      throw new CannotBuild(
        `No resistor leads from ${part.name} to a rail: use “front end of a sensor” first.`,
      );
    const edit = new Draft(design).set(load, 'ohms', ohms).edit('choose load');
    return {
      edit,
      because: [
        `The two conditions lie farthest apart over ${formatQuantity(best.ohms, 'Ω')}: ${formatQuantity(best.low, 'V')} and ${formatQuantity(best.high, 'V')} of ${benchVolts} V.`,
        `Taken: ${formatQuantity(ohms, 'Ω')}, the nearest of the series E24.`,
      ],
    };
  },
};

/** The resistor that joins a sensor's signal to a rail. */
function loadOf(id: string, design: Parameters<Block['build']>[0]): string | undefined {
  const wiring = wiringOf(design);
  const part = wiring.part(id);
  const ends = part && dividerEnds(part);
  if (!ends) return undefined;
  return [ends.signal, ends.top]
    .flatMap((t) => wiring.ends(terminalRef(id, t)))
    .find((e) => {
      const far = e.kind.resistance ? wiring.beyond(e) : undefined;
      return far !== undefined && wiring.nature(far) !== 'signal';
    })?.part.id;
}
