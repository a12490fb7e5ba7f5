import { findKind, type Quantity } from '../catalog/index.js';
import { sketch } from '../testing/small.js';
import { Circuit, sweep, voltsAt } from './index.js';

/**
 * Boards with comparator and trimmer: what makes them trip, and in which direction AO goes then. The condition
 * for the trimmer keeps AO within what a 393-type comparator tells apart, 1.5 V under the supply.
 */
const boards: [
  kind: string,
  quantity: Quantity,
  quiet: number,
  strong: number,
  ao: 'falls' | 'rises',
  condition: number,
][] = [
  ['reflective-module', 'reflection', 0, 2000, 'falls', 600],
  ['rain-module', 'wet', 0, 1, 'falls', 0.3],
  ['sound-module', 'sound', 0.001, 2, 'rises', 0.6],
  ['gas-module-combustible', 'propane', 10, 20e3, 'rises', 500],
  ['gas-module-alcohol', 'alcohol', 10, 20e3, 'rises', 200],
  ['gas-module-monoxide', 'monoxide', 10, 20e3, 'rises', 100],
  ['gas-module-air', 'smoke', 0.01, 5, 'rises', 0.5],
];

const powered = (kind: string, params = ''): Circuit =>
  new Circuit(
    sketch(
      [
        'adapter G volts=5 ohms=0.01',
        `${kind} X ${params}`.trim(),
        'resistor A ohms=10000000',
        'resistor D ohms=10000000',
      ],
      ['G.plus X.VCC', 'X.GND G.minus', 'X.AO A.a', 'A.b G.minus', 'X.DO D.a', 'D.b G.minus'],
    ),
  );
const seen = (circuit: Circuit): { ao: number; do: number; lamp: number; wiper: number } => {
  const solution = circuit.solve();
  const { volts } = solution.parts['X'];
  return {
    ao: voltsAt(solution, 'X.AO') ?? NaN,
    do: voltsAt(solution, 'X.DO') ?? NaN,
    // Volts over the lamp's own resistor tell whether it is lit.
    lamp: 5 - (volts['#R9.b'] ?? NaN),
    wiper: volts['#RV1.w'] ?? NaN,
  };
};

describe.each(boards)('%s', (kind, quantity, quiet, strong, ao, condition) => {
  it('pulls DO low and lights its lamp when AO passes the trimmer', () => {
    const circuit = powered(kind);
    circuit.setState('X', { stimulus: { [quantity]: quiet } });
    const rest = seen(circuit);
    circuit.setState('X', { stimulus: { [quantity]: strong } });
    const tripped = seen(circuit);
    expect(rest.do).toBeGreaterThan(4);
    expect(tripped.do).toBeLessThan(0.6);
    expect(tripped.lamp).toBeGreaterThan(rest.lamp + 1);
    expect(Math.sign(tripped.ao - rest.ao)).toBe(ao === 'rises' ? 1 : -1);
  });

  it('trips where AO and the wiper meet', () => {
    const circuit = powered(kind);
    const set = (x: number): void => circuit.setState('X', { stimulus: { [quantity]: x } });
    const { trips } = sweep(circuit, set, quiet, strong, 60);
    const up = trips.find((t) => t.way === 'up');
    expect(up).toBeDefined();
    set(up?.value ?? NaN);
    const { ao: reading, wiper } = seen(circuit);
    expect(reading).toBeCloseTo(wiper, 2);
  });

  it('the trimmer routine: turned until the lamp lights, back until it just goes out', () => {
    const circuit = powered(kind);
    circuit.setState('X', { stimulus: { [quantity]: condition } });
    const lit = (turn: number): boolean => {
      circuit.setParams('X', { turn });
      return seen(circuit).do < 1;
    };
    // From the end at which it does not trip towards the other, in hundredths of a turn.
    const turns = Array.from({ length: 99 }, (_, i) => (i + 1) / 100);
    const way = ao === 'rises' ? [...turns].reverse() : turns;
    const at = way.findIndex(lit);
    expect(at).toBeGreaterThan(0);
    expect(lit(way[at - 1])).toBe(false);
    const reading = seen(circuit).ao;
    expect(Math.abs(reading / 5 - way[at])).toBeLessThan(0.03);
  });
});

it('every board with a comparator is tried here', () => {
  const tried = new Set(boards.map(([kind]) => kind));
  for (const [kind] of boards) expect(findKind(kind)?.inside).toBeDefined();
  expect(tried.size).toBe(boards.length);
});
