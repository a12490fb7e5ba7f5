import { demo } from '../testing/demo.js';
import { c, l, r, step, wire } from '../testing/lab.js';
import { sketch } from '../testing/small.js';
import {
  Circuit,
  noiseAt,
  readingNoise,
  runCycles,
  runTransient,
  sourceOhms,
  sweep,
  Transient,
  voltsAt,
  worstCase,
} from './index.js';

const boltzmann = 1.380649e-23;

describe('sweep up and down finds trip points and hysteresis', () => {
  it('the dusk switch trips where the photoresistor makes ⅓ and ⅔ of the supply', () => {
    const circuit = new Circuit(demo('steps-lamp-at-dusk'));
    const set = (light: number): void => circuit.setState('B1', { stimulus: { light } });
    const { trips } = sweep(circuit, set, 0.5, 100, 40);
    // R10·(E/10)^−γ beside 2 MΩ of darkness, over a trimmer at half of 20 kΩ and 2.2 kΩ (and 2 Ω of wiper).
    const bottom = 12202 + 2;
    const lux = (ohms: number): number => 10 * (1 / (1 / ohms - 1 / 2e6) / 15e3) ** (-1 / 0.7);
    expect(trips.map((t) => [t.way, ...t.parts])).toEqual([
      ['up', 'U1', 'K1'],
      ['down', 'U1', 'K1'],
    ]);
    expect(trips[0].value / lux(bottom / 2)).toBeCloseTo(1, 3);
    expect(trips[1].value / lux(bottom * 2)).toBeCloseTo(1, 3);
  });

  it('the sump trips at two levels', () => {
    const circuit = new Circuit(demo('bilge-sump'));
    const set = (water: number): void => circuit.setState('B1', { stimulus: { water } });
    const { trips } = sweep(circuit, set, 0, 0.5, 51);
    // The reference by superposition with the output low, and high through the pull-up.
    const perMetre = (Math.PI * 0.005) / Math.acosh(0.02 / 0.003);
    const level = (volts: number): number => {
      const ohms = (15e3 * volts) / (12 - volts);
      return (1 / ohms - 1 / 20e6) / perMetre;
    };
    const g = 1 / 270e3 + 1 / 10e3;
    const low = 12 / 270e3 / (g + 1 / 200e3);
    const high = (12 / 270e3 + 12 / 204.7e3) / (g + 1 / 204.7e3);
    expect(trips).toHaveLength(2);
    // The output low is not quite 0 V, and the rail not quite 12 V: a per cent.
    expect(Math.abs(trips[0].value / level(low) - 1)).toBeLessThan(0.02);
    expect(Math.abs(trips[1].value / level(high) - 1)).toBeLessThan(0.01);
  });

  it('a circuit without switches has no trips', () => {
    const circuit = new Circuit(
      sketch(['adapter G', 'resistor R', 'led H'], ['G.plus R.a', 'R.b H.a', 'H.k G.minus']),
    );
    const { trips, up, down } = sweep(
      circuit,
      (ohms) => circuit.setParams('R', { ohms }),
      100,
      1e4,
      20,
    );
    expect(trips).toEqual([]);
    expect(up).toHaveLength(20);
    expect(down[19].solution.parts['H'].amps['a']).toBeCloseTo(
      up[0].solution.parts['H'].amps['a'] ?? NaN,
      12,
    );
  });

  it('temperature: a silicon junction falls about 2 mV/K (Sze, Physics of Semiconductor Devices)', () => {
    const circuit = new Circuit(
      sketch(
        ['adapter G', 'resistor R ohms=10000', 'npn-transistor Q'],
        ['G.plus R.a', 'R.b Q.b', 'Q.b Q.c', 'Q.e G.minus'],
      ),
    );
    const at = (celsius: number): number => {
      circuit.setTemperature(celsius);
      return voltsAt(circuit.solve(), 'Q.b') ?? NaN;
    };
    const slope = (at(50) - at(0)) / 50;
    expect(slope).toBeGreaterThan(-2.4e-3);
    expect(slope).toBeLessThan(-1.6e-3);
  });
});

it('a hot relay needs more volts: its copper grows by 0.393 %/K (IEC 60028)', () => {
  const pullIn = (celsius: number): number => {
    const circuit = new Circuit(
      sketch(['adapter G ohms=0.001', 'relay-12v K'], ['G.plus K.plus', 'K.minus G.minus']),
    );
    circuit.setTemperature(celsius);
    const { trips } = sweep(circuit, (volts) => circuit.setParams('G', { volts }), 1, 12, 30);
    return trips[0].value;
  };
  expect(pullIn(25)).toBeCloseTo(8.4, 3);
  expect(pullIn(85) / pullIn(25)).toBeCloseTo((1 + 0.00393 * 65) / (1 + 0.00393 * 5), 4);
});

describe('a latch keeps what happened', () => {
  it('the loop fires when a contact opens, stays on when it closes, and ends with the key', () => {
    const pulse = (part: string, on: number, off: number) => ({
      part,
      of: { stimulus: 'gap' } as const,
      times: [0, on, on, off, off],
      values: [0, 0, 1, 1, 0],
    });
    const { acting, halt } = runTransient(demo('fuel-locker-loop'), {
      until: 0.5,
      drives: [pulse('S1', 0.1, 0.2), pulse('S4', 0.4, 0.45)],
    });
    expect(halt).toBeUndefined();
    expect(acting.map((a) => [a.part, a.active])).toEqual([
      ['P1', true],
      ['P1', false],
    ]);
    expect(acting[0].t).toBeGreaterThan(0.1);
    expect(acting[0].t).toBeLessThan(0.101);
    expect(acting[1].t).toBeCloseTo(0.4, 6);
  });
});

describe('noise', () => {
  // kT/C: the whole noise of an RC filter depends on C alone (Nyquist; any text on noise).
  it.each([
    [1e3, 1e-9],
    [1e6, 1e-10],
    [47e3, 1e-7],
  ])('of %d Ω into %d F adds up to kT/C', (ohms, farads) => {
    const network = wire(step('in', 1), r('in', 'out', ohms), c('out', '0', farads));
    network.rest();
    const corner = 1 / (2 * Math.PI * ohms * farads);
    const { volts, shares } = noiseAt(network, 'out', [1e-5 * corner, 1e5 * corner]);
    expect(volts / Math.sqrt((boltzmann * 298.15) / farads)).toBeCloseTo(1, 3);
    expect(shares[0].part).toBe('resistor 1');
  });

  it('of a resistor at 1 kΩ and 1 Hz bandwidth is 4.06 nV (Johnson–Nyquist, 25 °C)', () => {
    const network = wire(step('in', 1), r('in', 'out', 1e3), r('out', '0', 1e12));
    network.rest();
    expect(noiseAt(network, 'out', [1000, 1001]).volts).toBeCloseTo(4.057e-9, 11);
  });

  it('an inductor that shorts low frequencies leaves none there', () => {
    const network = wire(step('in', 1), r('in', 'out', 1e3), l('out', '0', 1));
    network.rest();
    expect(noiseAt(network, 'out', [1e-6, 1e-3]).volts).toBeLessThan(1e-14);
  });

  it('of a reading adds circuit, converter and rounding by squares', () => {
    expect(readingNoise(0, 5 / 1023, 0)).toBeCloseTo(1 / Math.sqrt(12), 12);
    expect(readingNoise(3 * (5 / 1023), 5 / 1023, 4)).toBeCloseTo(
      Math.hypot(5, 1 / Math.sqrt(12)),
      9,
    );
  });

  it('the resistance seen into a divider is both in parallel (Thévenin)', () => {
    const network = wire(step('in', 5), r('in', 'out', 10e3), r('out', '0', 15e3));
    network.rest();
    expect(sourceOhms(network, ['out'])[0]).toBeCloseTo(6e3, 3);
  });
});

describe('worst case', () => {
  it('of a divider with 5 % resistors and 5 % supply lies at the corners', () => {
    const design = sketch(
      ['adapter G volts=10 ohms=0.001', 'resistor A ohms=1000', 'resistor B ohms=3000'],
      ['G.plus A.a', 'A.b B.a', 'B.b G.minus'],
    );
    const spread = worstCase(design, (s) => voltsAt(s, 'A.b'));
    const at = (v: number, a: number, b: number): number =>
      (10 * v * 3000 * b) / (3000 * b + 1000 * a + 0.001);
    expect(spread?.nominal).toBeCloseTo(at(1, 1, 1), 9);
    expect(spread?.low).toBeCloseTo(at(0.95, 1.05, 0.95), 9);
    expect(spread?.high).toBeCloseTo(at(1.05, 0.95, 1.05), 9);
    expect(spread?.contributions[0]).toMatchObject({ part: 'G', param: 'volts' });
    expect(spread?.likely).toBeLessThan((spread?.high ?? 0) - (spread?.nominal ?? 0));
  });

  it('knows corners that lie inside: a bridge that is balanced at nominal', () => {
    const design = sketch(
      ['adapter G', 'resistor A', 'resistor B', 'resistor C', 'resistor D'],
      ['G.plus A.a', 'A.b B.a', 'B.b G.minus', 'G.plus C.a', 'C.b D.a', 'D.b G.minus'],
    );
    const spread = worstCase(design, (s) =>
      Math.abs((voltsAt(s, 'A.b') ?? NaN) - (voltsAt(s, 'C.b') ?? NaN)),
    );
    expect(spread?.nominal).toBeCloseTo(0, 9);
    // ±5 % on all four and on 12 V: 12.6·(1.05/2 − 0.95/2).
    expect(spread?.high).toBeCloseTo(12.6 * 0.05, 2);
  });
});

describe('stress', () => {
  it('without its diode the sounder relay lifts the transistor to its breakdown; with it, to a diode above 12 V', () => {
    const kick = (diode: boolean): number => {
      const run = runTransient(
        sketch(
          [
            'adapter G',
            'relay-12v K',
            'npn-transistor Q',
            'resistor R ohms=2200',
            'loop-contact S closedAtRest=1 bounce=0',
            ...(diode ? ['rectifier-diode D'] : []),
          ],
          [
            'G.plus K.plus',
            'K.minus Q.c',
            'Q.e G.minus',
            'G.plus S.a',
            'S.b R.a',
            'R.b Q.b',
            ...(diode ? ['D.a K.minus', 'D.k K.plus'] : []),
          ],
        ),
        {
          until: 0.05,
          drives: [
            { part: 'S', of: { stimulus: 'gap' }, times: [0, 0.01, 0.01], values: [0, 0, 1] },
          ],
        },
      );
      const ratings = run.peaks.find((p) => p.part === 'Q')?.ratings;
      const worst = ratings?.find((x) => x.rating === 'volts-c-e');
      expect(worst?.at).toBeGreaterThanOrEqual(0.01);
      return worst?.value ?? NaN;
    };
    expect(kick(true)).toBeGreaterThan(12.3);
    expect(kick(true)).toBeLessThan(13.2);
    expect(kick(false)).toBeGreaterThan(40);
  });
});

it('leaping over cycles ends where running each of them ends', () => {
  const build = () => {
    const circuit = new Circuit(
      sketch(
        ['lead-battery G ampHours=0.2', 'electrolytic-capacitor C', 'resistor R ohms=100000'],
        ['G.plus C.plus', 'C.minus G.minus', 'G.plus R.a', 'R.b G.minus'],
      ),
    );
    circuit.solve();
    const run = circuit.transient();
    run.startAtRest();
    const load = (ohms: number): void => {
      circuit.setParams('R', { ohms });
      run.restart();
    };
    const cycle = (start: number): void => {
      load(100);
      run.advance(start + 0.1);
      load(100e3);
      run.advance(start + 5);
    };
    const level = (): number => circuit.values('G').update().volts['#level'];
    return { run, cycle, level };
  };
  const full = build();
  for (let k = 0; k < 1000; k++) full.cycle(5 * k);
  const extrapolated = build();
  const done = runCycles(extrapolated.run, { period: 5, count: 1000, cycle: extrapolated.cycle });
  expect(done.extrapolated).toBeGreaterThan(500);
  expect(extrapolated.run.t).toBeCloseTo(5000, 6);
  expect((0.9 - extrapolated.level()) / (0.9 - full.level())).toBeCloseTo(1, 3);
});

describe('bad values end with a bounded answer or a clear word', () => {
  it.each([
    ['a 1e-30 F capacitor', [step('in', 5), r('in', 'out', 1e3), c('out', '0', 1e-30)]],
    ['a 1e-12 H coil', [step('in', 5), r('in', 'out', 1e3), l('out', '0', 1e-12)]],
    ['a shorted source', [step('in', 5), r('in', '0', 1e-6)]],
    ['a million farads', [step('in', 5), r('in', 'out', 1e-3), c('out', '0', 1e6)]],
  ])('%s', (_, elements) => {
    const network = wire(...elements);
    const run = new Transient(network);
    run.startDead();
    run.advance(1e-2);
    expect(run.halt).toBeUndefined();
    expect(network.system.x.every(Number.isFinite)).toBe(true);
  });

  it('two ideal sources on one pair of wires are named', () => {
    const network = wire(step('in', 5), step('in', 6), r('in', '0', 1));
    expect(network.structure.sourceLoop).toEqual(['voltage-source 1']);
  });

  it('a part without resistance, or with a value that is no number, is refused by name', () => {
    for (const ohms of [0, -5, NaN]) {
      const make = () => wire(step('in', 5), r('in', '0', ohms));
      expect(make).toThrow(/resistor 1.*ohms/);
    }
    expect(() => wire(step('in', 5), c('in', '0', -1e-6))).toThrow(/capacitor 1.*farads/);
  });

  it('ten thousand parts are solved', () => {
    const rungs = Array.from({ length: 5000 }, (_, i) => [
      r(`n${i}`, `n${i + 1}`, 1e3),
      r(`n${i + 1}`, '0', 1e6),
    ]).flat();
    const network = wire(step('n0', 10), ...rungs);
    const { settled } = network.rest();
    expect(settled).toBe(true);
    // A long ladder has the iterative resistance R/2 + √(R²/4 + R·Z) towards its far end.
    const seen = 10 / -(network.system.x[network.system.size - 1] ?? NaN);
    expect(seen).toBeCloseTo(500 + Math.sqrt(500 ** 2 + 1e3 * 1e6), 2);
  });

  it('a run that would take too long ends with a reason', () => {
    const network = wire(
      {
        type: 'voltage-source',
        plus: 'in',
        minus: '0',
        volts: 0,
        wave: { shape: 'sine', mean: 0, amplitude: 1, hertz: 1e6 },
      },
      r('in', 'out', 1e3),
      c('out', '0', 1e-9),
    );
    const run = new Transient(network, { maxSteps: 1000 });
    run.startDead();
    run.advance(3600);
    expect(run.halt).toBe('too many steps');
  });
});
