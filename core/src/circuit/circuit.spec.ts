import fc from 'fast-check';
import { pinConverter } from '../catalog/index.js';
import { arbitraryDesign } from '../testing/arbitrary-design.js';
import { slipwayBeam } from '../testing/demo.js';
import { brief, sketch } from '../testing/small.js';
import { Circuit, solveOnce, thermalVoltage, voltsAt } from './index.js';

/** Principal branch of the Lambert W function of e^y, by Halley's iteration on w + ln w = y. */
function lambertOfExp(y: number): number {
  let w = y > 1 ? y - Math.log(y) : Math.exp(y);
  for (let i = 0; i < 60; i++) {
    const f = w + Math.log(w) - y;
    const d = 1 + 1 / w;
    w -= f / (d + f / (2 * w * w * d));
  }
  return w;
}

/**
 * Current of a diode behind a resistor, I = (n·Vt/R)·W((Is·R/(n·Vt))·exp((V + Is·R)/(n·Vt))) − Is:
 * Banwell and Jayakumar, "Exact analytical solution for current flow through diode with series
 * resistance", Electronics Letters 36 (2000).
 */
function diodeCurrent(volts: number, ohms: number, saturation: number, scale: number): number {
  const y = Math.log((saturation * ohms) / scale) + (volts + saturation * ohms) / scale;
  return (scale / ohms) * lambertOfExp(y) - saturation;
}

describe('operating point against closed forms', () => {
  const diodeCases = [0.2, 0.5, 0.8, 1.5, 5, 12].flatMap((v) =>
    [10, 1e3, 47e3, 4.7e6].map((r) => [v, r]),
  );
  it.each(diodeCases)(
    'diode behind a resistor, %d V and %d Ω: Lambert W to 1e-9',
    (volts, ohms) => {
      const design = sketch(
        [
          `adapter G volts=${volts < 1 ? 1 : volts} ohms=0.1`,
          `resistor R ohms=${ohms}`,
          'rectifier-diode D',
        ],
        ['G.plus R.a', 'R.b D.a', 'D.k G.minus'],
      );
      const circuit = new Circuit(design);
      circuit.setParams('G', { volts });
      const amps = circuit.solve().parts['D'].amps['a'];
      const exact = diodeCurrent(volts, ohms + 0.1 + 0.034, 7e-9, 1.8 * thermalVoltage());
      expect(Math.abs((amps ?? NaN) / exact - 1)).toBeLessThan(1e-9);
    },
  );

  it('thermal voltage at 25 °C is 25.693 mV (CODATA 2022)', () => {
    expect(thermalVoltage()).toBeCloseTo(0.0256926, 7);
  });

  it('loaded divider: V·R2/(R1+R2), Thévenin with a load', () => {
    fc.assert(
      fc.property(
        ...([0, 1, 2].map(() => fc.double({ min: 1, max: 4e6, noNaN: true })) as [
          fc.Arbitrary<number>,
          fc.Arbitrary<number>,
          fc.Arbitrary<number>,
        ]),
        (r1, r2, load) => {
          const solution = solveOnce(
            sketch(
              [
                'adapter G volts=10 ohms=0.001 maxAmps=30',
                `resistor A ohms=${r1}`,
                `resistor B ohms=${r2}`,
                `resistor L ohms=${load}`,
              ],
              ['G.plus A.a', 'A.b B.a', 'B.b G.minus', 'A.b L.a', 'L.b G.minus'],
            ),
          );
          const open = (10 * r2) / (r1 + 0.001 + r2);
          const source = 1 / (1 / (r1 + 0.001) + 1 / r2);
          expect(voltsAt(solution, 'A.b')).toBeCloseTo((open * load) / (source + load), 8);
        },
      ),
    );
  });

  it('unbalanced Wheatstone bridge by Millman at both middle nodes', () => {
    const solution = solveOnce(
      sketch(
        [
          'adapter G volts=6 ohms=0.001',
          'resistor A ohms=100',
          'resistor B ohms=200',
          'resistor C ohms=300',
          'resistor D ohms=450',
          'resistor M ohms=50',
        ],
        [
          'G.plus A.a',
          'G.plus C.a',
          'A.b B.a',
          'C.b D.a',
          'B.b G.minus',
          'D.b G.minus',
          'A.b M.a',
          'C.b M.b',
        ],
      ),
    );
    const [u, x, y] = ['G.plus', 'A.b', 'C.b'].map((t) => voltsAt(solution, t) ?? NaN);
    expect(x * (1 / 100 + 1 / 200 + 1 / 50)).toBeCloseTo(u / 100 + y / 50, 12);
    expect(y * (1 / 300 + 1 / 450 + 1 / 50)).toBeCloseTo(u / 300 + x / 50, 12);
  });

  it('transistor in its active region: base current by Lambert W, collector current β times that', () => {
    const solution = solveOnce(
      sketch(
        [
          'adapter G volts=5 ohms=0.001',
          'resistor B ohms=1000000',
          'resistor C ohms=1000',
          'npn-transistor Q gain=150',
        ],
        ['G.plus B.a', 'B.b Q.b', 'G.plus C.a', 'C.b Q.c', 'Q.e G.minus'],
      ),
    );
    const { amps } = solution.parts['Q'];
    const supply = voltsAt(solution, 'G.plus') ?? NaN;
    const exact = diodeCurrent(supply, 1e6, 6.7e-15 / 150, thermalVoltage());
    expect(Math.abs((amps['b'] ?? NaN) / exact - 1)).toBeLessThan(1e-8);
    expect(Math.abs((amps['c'] ?? NaN) / (150 * exact) - 1)).toBeLessThan(1e-8);
  });

  // Vt·ln((1 + (βforced + 1)/βR) / (1 − βforced/βF)): Sedra and Smith, Microelectronic Circuits (from memory).
  it.each([2, 10, 40, 100])('saturated transistor at a forced gain near %d', (gain) => {
    const solution = solveOnce(
      sketch(
        [
          'adapter G volts=12 ohms=0.001',
          `resistor B ohms=${Math.round(gain * 1100)}`,
          'resistor C ohms=1100',
          'npn-transistor Q gain=150',
        ],
        ['G.plus B.a', 'B.b Q.b', 'G.plus C.a', 'C.b Q.c', 'Q.e G.minus'],
      ),
    );
    const { amps, volts } = solution.parts['Q'];
    const forced = (amps['c'] ?? NaN) / (amps['b'] ?? NaN);
    const inner = thermalVoltage() * Math.log((1 + (forced + 1) / 0.74) / (1 - forced / 150));
    expect((volts['c'] ?? NaN) - (volts['e'] ?? NaN)).toBeCloseTo(
      inner + 1 * (amps['c'] ?? NaN),
      9,
    );
  });

  it.each([
    [12, 5],
    [6.5, 5],
    [5, 3.9],
    [3, 1.9],
  ])('regulator fed with %d V gives about %d V', (input, output) => {
    const solution = solveOnce(
      sketch(
        [`adapter G volts=${input}`, 'controller-5v-8bit U'],
        ['G.plus U.VIN', 'G.minus U.GND'],
      ),
    );
    expect(solution.parts['U'].volts['5V']).toBeCloseTo(output, 1);
  });
});

describe('laws that hold for any design', () => {
  it('ends with finite values or a named reason, and its power balances', () => {
    fc.assert(
      fc.property(arbitraryDesign, (design) => {
        const { parts, nets, problems } = solveOnce(design);
        const watts = Object.values(parts).map((p) => p.watts);
        const volts = nets.flatMap((n) => n.volts ?? []);
        expect([...watts, ...volts].every(Number.isFinite)).toBe(true);
        for (const p of problems) expect(p.message.length + p.cure.length).toBeGreaterThan(20);
        if (problems.some((p) => p.kind === 'unsolvable')) return;
        const total = watts.reduce((a, b) => a + b, 0);
        const turned = watts.reduce((a, b) => a + Math.abs(b), 0);
        expect(Math.abs(total)).toBeLessThanOrEqual(1e-6 * turned + 1e-8);
      }),
      { numRuns: 400, seed: 5 },
    );
  });

  it('currents of the wires at a terminal add up to what its part takes', () => {
    const design = slipwayBeam();
    const { wires, parts } = solveOnce(design);
    for (const [ref, part, terminal] of [
      ['U1.GND', 'U1', 'GND'],
      ['B1.e', 'B1', 'e'],
    ] as const) {
      const sum = design.wires.reduce(
        (s, w) => s + (w.to === ref ? wires[w.id] : w.from === ref ? -wires[w.id] : 0),
        0,
      );
      expect(sum).toBeCloseTo(parts[part].amps[terminal] ?? NaN, 9);
    }
  });
});

describe('asked again for its operating point, where the last digit does not matter', () => {
  const divided = (refines = false): Circuit => {
    const circuit = new Circuit(
      brief(
        'adapter G volts=5, resistor A ohms=1e3, resistor B ohms=1e3, heading-sensor H',
        'G.plus A.a, A.b B.a, B.b G.minus',
      ),
    );
    circuit.refines = refines;
    return circuit;
  };
  const asks = (circuit: Circuit) => jest.spyOn(circuit.network, 'rest');
  const middle = (circuit: Circuit): number | undefined => voltsAt(circuit.solve(), 'A.b');

  it('solves nothing while what is felt moves no element, and tells a solution of its own', () => {
    const circuit = divided();
    const first = circuit.solve();
    const asked = asks(circuit);
    circuit.setStimulus('H', 'heading', 40);
    const second = circuit.solve();
    expect(asked).not.toHaveBeenCalled();
    expect(second).not.toBe(first);
    expect(second).toEqual({ ...first, iterations: 0 });
  });

  it('solves once more where it does matter', () => {
    const circuit = divided(true);
    circuit.solve();
    const asked = asks(circuit);
    circuit.solve();
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it.each<[string, (circuit: Circuit) => void, number]>([
    ['a value is another', (circuit) => circuit.setParams('B', { ohms: 3e3 }), 3.75],
    ['it is warmer', (circuit) => circuit.setTemperature(60), 2.5],
    ['it stands elsewhere', (circuit) => circuit.network.system.x.fill(1), 2.5],
  ])('solves anew where %s', (_, change, volts) => {
    const circuit = divided();
    circuit.solve();
    const asked = asks(circuit);
    change(circuit);
    expect(middle(circuit)).toBeCloseTo(volts, 2);
    expect(asked).toHaveBeenCalledTimes(1);
  });
});

it('a solution is plain data: it survives being sent to another thread', () => {
  const solution = solveOnce(slipwayBeam());
  expect(structuredClone(solution)).toEqual(solution);
});

describe('counts of a solved divider', () => {
  it('follow round(V/Vref·1023) with the board voltage as reference', () => {
    const design = sketch(
      ['adapter G', 'controller-5v-8bit U', 'resistor A ohms=3300', 'resistor B ohms=10000'],
      ['G.plus U.VIN', 'G.minus U.GND', 'U.5V A.a', 'A.b B.a', 'B.b U.GND', 'A.b U.A0'],
    );
    const solution = solveOnce(design);
    const converter = pinConverter(design, 'U.A0');
    // Ratiometric: the share of the divider alone decides, 10000/13300 of 1023.
    expect(converter?.counts(voltsAt(solution, 'U.A0') ?? 0, solution.parts['U'])).toBe(
      Math.round((10000 / 13300) * 1023),
    );
  });
});

describe('what cannot be solved is named in the maker’s words', () => {
  const cases: [string, string[], string[], RegExp][] = [
    [
      'a part without wires',
      ['adapter G', 'resistor R'],
      ['G.plus G.minus'].slice(1),
      /R is not connected/,
    ],
    [
      'a net without a return',
      ['adapter G', 'resistor R', 'resistor S'],
      ['R.a S.a'],
      /R and S has no path to ground/,
    ],
    [
      'grounds that are not joined',
      ['adapter G', 'adapter H', 'resistor R', 'resistor S'],
      ['G.plus R.a', 'R.b G.minus', 'H.plus S.a', 'S.b H.minus'],
      /ground of .* is not joined/,
    ],
    ['no ground at all', ['resistor R', 'led H'], ['R.a H.a', 'R.b H.k'], /No part has a ground/],
  ];
  it.each(cases)('%s', (_, parts, wires, message) => {
    const { problems } = solveOnce(sketch(parts, wires));
    expect(problems.map((p) => p.message).join(' ')).toMatch(message);
  });

  it('solves the rest all the same', () => {
    const design = sketch(
      ['adapter G', 'resistor R', 'resistor Loose'],
      ['G.plus R.a', 'R.b G.minus'],
    );
    const solution = solveOnce(design);
    expect(solution.problems).toHaveLength(1);
    expect(solution.parts['R'].amps['a']).toBeCloseTo(12 / 10000.1, 9);
  });

  it('a shorted adapter gives one and a half times its rating', () => {
    const { parts } = solveOnce(sketch(['adapter G maxAmps=2'], ['G.plus G.minus']));
    expect(Math.abs((parts['G'].amps['plus'] ?? NaN) / -3 - 1)).toBeLessThan(0.01);
  });
});
