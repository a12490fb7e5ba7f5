import fc from 'fast-check';
import { solveOnce, sweep, Circuit, voltsAt } from '../circuit/index.js';
import type { Channel } from '../design/index.js';
import { onBoard } from '../testing/small.js';
import {
  designComparator,
  driftBorne,
  missChance,
  preferredBetween,
  ride,
  slowestNoticed,
  slowestReading,
  spreadTrimmer,
  timerSchmitt,
  trimmerSetting,
  tripPoints,
  type ComparatorTask,
} from './index.js';

const channel: Channel = {
  id: 'c',
  name: 'c',
  pin: 'U.A0',
  trips: 'above',
  threshold: 60,
  hysteresis: 20,
  every: 0.1,
  hits: 1,
  misses: 1,
  baseline: { kind: 'learnt', learn: 15, follow: 20, freeze: true, unit: 'counts' },
};

describe('a trimmer', () => {
  it('is set to a voltage as the circuit confirms', () => {
    const span = { top: 4.7e3, track: 10e3, bottom: 3.3e3 };
    const { share, from, to } = trimmerSetting(5, span, 1.9);
    const at = (turn: number): number => {
      const design = onBoard(
        `resistor A ohms=${span.top}, trimmer T ohms=${span.track} turn=${turn}, resistor B ohms=${span.bottom}`,
        'U.5V A.a, A.b T.a, T.b B.a, B.b U.GND, T.w U.A0',
      );
      const solution = solveOnce(design);
      return (voltsAt(solution, 'T.w') ?? NaN) / (voltsAt(solution, 'U.5V') ?? NaN);
    };
    // The model leaves 2 Ω between wiper and end.
    expect(at(share) * 5).toBeCloseTo(1.9, 3);
    expect(at(0) * 5).toBeCloseTo(from, 2);
    expect(at(1) * 5).toBeCloseTo(to, 2);
  });

  it('of one turn moves 19 mV a degree across 5 V, of fifteen 0.9', () => {
    const { perDegree } = trimmerSetting(5, { top: 0, track: 10e3, bottom: 0 }, 2);
    expect(perDegree.single).toBeCloseTo(5 / 270, 9);
    expect(perDegree.multi).toBeCloseTo(5 / 5400, 9);
  });

  it('is spread so that every wanted voltage can be set at the worst of tolerances, and no pair is finer', () => {
    const e12 = [0, ...preferredBetween('E12', 10, 10e6)];
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        fc.double({ min: 0.1, max: 1.5, noNaN: true }),
        (low, width) => {
          const high = low + width;
          const found = spreadTrimmer(5, 10e3, low, high);
          const reaches = (top: number, bottom: number): boolean => {
            const track = 8e3;
            const [up, down] = [1.05, 0.95];
            const bottomMost = (5 * bottom * up) / (top * down + track + bottom * up);
            const topLeast = (5 * (bottom * down + track)) / (top * up + track + bottom * down);
            return bottomMost <= low && topLeast >= high;
          };
          const finest = Math.max(
            ...e12.flatMap((top) =>
              e12
                .filter((bottom) => reaches(top, bottom))
                .map((bottom) => (top + bottom + 10e3) / 10e3),
            ),
          );
          if (!found) return expect(finest).toBe(1);
          expect(reaches(found.top, found.bottom)).toBe(true);
          expect(found.finer).toBeCloseTo(finest, 9);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a comparator network', () => {
  const task: ComparatorTask = {
    supply: 5,
    signal: 'minus',
    upper: 3,
    lower: 2,
    pullUp: 4.7e3,
    low: 0.1,
    series: 'E12',
    from: 1e3,
    to: 1e6,
    tolerance: 0.01,
  };

  it.each([
    [3, 2],
    [2.6, 2.4],
    [4.2, 0.9],
  ])('for %d and %d V is the best of all on E12, found by trying every one', (upper, lower) => {
    const values = preferredBetween('E12', 1e3, 1e6);
    let least = Infinity;
    for (const a of values)
      for (const b of values)
        for (const feedback of values) {
          const t = tripPoints(task, { a, b, feedback });
          least = Math.min(least, Math.max(Math.abs(t.upper - upper), Math.abs(t.lower - lower)));
        }
    const [best] = designComparator({ ...task, upper, lower });
    expect(best.error).toBe(least);
  });

  it.each(['minus', 'plus'] as const)(
    'with the signal at %s trips in the circuit where it says',
    (signal) => {
      const [best] = designComparator({ ...task, signal });
      const { a, feedback } = best;
      // The reference of a signal at + is a divider of low resistance here.
      const share = best.reference === undefined ? 0.5 : best.reference / task.supply;
      const parts = `voltage-reference Q volts=2, comparator-393 K bias=0, resistor A ohms=${a}, resistor F ohms=${feedback}, resistor P ohms=4700, recorded-sensor S`;
      const wires =
        signal === 'minus'
          ? 'U.5V A.a, A.b K.plus, B.a K.plus, B.b U.GND, T.w K.minus'
          : 'T.w A.a, A.b K.plus, U.5V C.a, C.b K.minus, B.a K.minus, B.b U.GND';
      const more =
        signal === 'minus'
          ? `resistor B ohms=${best.b}`
          : `resistor C ohms=${100 * (1 - share)}, resistor B ohms=${100 * share}`;
      const design = onBoard(
        `${parts.replace(/voltage-reference[^,]*, /, '').replace(', recorded-sensor S', '')}, ${more}, trimmer T ohms=10 turn=0`,
        `U.5V K.vcc, K.gnd U.GND, F.a K.out, F.b K.plus, P.a U.5V, P.b K.out, U.5V T.a, T.b U.GND, ${wires}`,
      );
      const circuit = new Circuit(design);
      const { trips } = sweep(circuit, (turn) => circuit.setParams('T', { turn }), 0.05, 0.95, 200);
      const volts = (way: 'up' | 'down'): number => {
        circuit.setParams('T', { turn: trips.find((t) => t.way === way)?.value ?? NaN });
        const solution = circuit.solve();
        return (5 * (voltsAt(solution, 'T.w') ?? NaN)) / (voltsAt(solution, 'U.5V') ?? NaN);
      };
      // The real output keeps a little less or more than 0.1 V.
      expect(Math.abs(volts('up') - best.upper)).toBeLessThan(0.06);
      expect(Math.abs(volts('down') - best.lower)).toBeLessThan(0.06);
    },
  );

  it('tells trip points within its worst case wherever the resistors lie in their tolerance', () => {
    const [{ a, b, feedback, worst }] = designComparator({ ...task, tolerance: 0.05 });
    const off = fc.double({ min: 0.95, max: 1.05, noNaN: true });
    fc.assert(
      fc.property(off, off, off, off, (x, y, z, p) => {
        const t = tripPoints(
          { ...task, pullUp: 4700 * p },
          { a: a * x, b: b * y, feedback: feedback * z },
        );
        expect(t.upper).toBeGreaterThanOrEqual(worst.upper[0] - 1e-9);
        expect(t.upper).toBeLessThanOrEqual(worst.upper[1] + 1e-9);
        expect(t.lower).toBeGreaterThanOrEqual(worst.lower[0] - 1e-9);
        expect(t.lower).toBeLessThanOrEqual(worst.lower[1] + 1e-9);
      }),
    );
  });

  it.each([
    [{ upper: 2, lower: 3 }, /higher on the way up/],
    [{ upper: 5.5 }, /between/],
    [{ supply: 0 }, /above 0 V/],
    [{ from: 1e6, to: 1e3 }, /from less to more/],
  ])('refuses %j', (change, reason) => {
    expect(() => designComparator({ ...task, ...change })).toThrow(reason);
  });
});

it('a timer trips at a third and two thirds, whichever way the sensor sits', () => {
  const { ohms, atTwoThirds, atOneThird } = timerSchmitt(5e3, 20e3, 'top');
  expect(ohms).toBe(10e3);
  expect(ohms / (ohms + atTwoThirds)).toBeCloseTo(2 / 3, 9);
  expect(ohms / (ohms + atOneThird)).toBeCloseTo(1 / 3, 9);
  const below = timerSchmitt(5e3, 20e3, 'bottom');
  expect(below.atTwoThirds / (below.ohms + below.atTwoThirds)).toBeCloseTo(2 / 3, 9);
});

it('an event is missed as often as counted over all phases: max(0, 1 − d/T) for one reading', () => {
  expect(missChance(0.3, { every: 1, hits: 1 })).toBeCloseTo(0.7, 9);
  for (const [lasts, every, hits] of [
    [0.3, 1, 1],
    [2.4, 1, 2],
    [2.4, 0.8, 3],
    [0.5, 0.2, 3],
  ]) {
    const phases = 10_000;
    let missed = 0;
    for (let i = 0; i < phases; i++) {
      const first = ((i + 0.5) / phases) * every;
      if (Math.floor((lasts - first) / every) + 1 < hits) missed += 1;
    }
    expect(missChance(lasts, { every, hits })).toBeCloseTo(missed / phases, 3);
  }
  expect(missChance(0.3, { every: slowestReading(0.3, { hits: 3 }), hits: 3 })).toBeCloseTo(0, 9);
});

describe('a baseline that follows', () => {
  it('takes a drift of less than threshold/τ along and trips on more', () => {
    const edge = driftBorne(channel, 60);
    expect(edge).toBeCloseTo(3, 9);
    const trips = (rate: number): boolean =>
      ride(channel, { rest: 300, by: 500, lasts: 500 / rate }).tripped !== undefined;
    expect(trips(0.95 * edge)).toBe(false);
    expect(trips(1.05 * edge)).toBe(true);
  });

  it('misses an intruder who is slower than this, and notices a quicker one', () => {
    const slowest = slowestNoticed(channel, 300, 200);
    // Lag of a ramp of height A over time T behind a first-order filter: A·τ/T·(1 − e^(−T/τ)), here 60.
    const lag = ((200 * 20) / slowest) * (1 - Math.exp(-slowest / 20));
    expect(lag).toBeGreaterThan(59);
    expect(lag).toBeLessThan(62);
    expect(
      slowestNoticed(
        { ...channel, baseline: { ...(channel.baseline as object), follow: 0 } as never },
        300,
        200,
      ),
    ).toBe(Infinity);
    expect(slowestNoticed(channel, 300, 30)).toBe(0);
  });
});
