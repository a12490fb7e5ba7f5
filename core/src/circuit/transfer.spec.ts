import fc from 'fast-check';
import { catalog, findKind, openModule, type Numbers, type PartKind } from '../catalog/index.js';
import { sketch } from '../testing/small.js';
import { characteristic, Circuit, curveOf, readings, runTransient, voltsAt } from './index.js';

const kindOf = (name: string): PartKind => {
  const kind = findKind(name);
  if (!kind) throw new Error(`There is no kind ${name}.`);
  return kind;
};
/** What a part's curve shows at a point. */
const at = (kind: string, x: number, params: Numbers = {}): number =>
  readings(kindOf(kind), params)(x);
const zero = 273.15;
const epsilon0 = 8.8541878188e-12;

/** Kind, point, expected, relative tolerance, where the expectation comes from. */
type Case = [kind: string, x: number, expected: number, within: number, source: string];

describe('transfer functions against closed forms and published values', () => {
  const cases: Case[] = [
    ['photoresistor', 10, 1 / (1 / 15e3 + 1 / 2e6), 1e-3, 'R10 beside the dark resistance'],
    ['photoresistor', 1000, 15e3 * 100 ** -0.7, 2e-3, 'R10·(E/10 lx)^−γ'],
    ['flame-receiver', 0.1, 10e3 * 0.1 * 4e-4, 2e-3, 'S·E·RL'],
    ['photodiode', 1, 100e3 * 5e-6, 5e-3, 'S·E·RL'],
    ['ntc', 25, 10e3, 1e-4, 'R25'],
    ['ntc', 0, 33620, 1e-3, 'β equation, 33.62 kΩ at 0 °C'],
    ['ntc', 100, 1e4 * Math.exp(3950 * (1 / (100 + zero) - 1 / (25 + zero))), 1e-4, 'β equation'],
    ['temperature-chip', 25, 0.75, 1e-3, '500 mV + 10 mV/°C (data sheets)'],
    ['temperature-chip', 100, 1.5, 1e-3, '500 mV + 10 mV/°C'],
    ['linear-hall', 0, 2.5, 2e-3, 'half the supply at rest (common practice)'],
    ['linear-hall', 0.1, 2.5 + 1.4, 2e-3, '14 V/T'],
    ['ultrasonic-ranger', 1, 2e6 / (331.3 * Math.sqrt(1 + 25 / zero)), 1e-6, '2·d/c, ideal gas'],
    ['ultrasonic-ranger', 4.5, 38000, 1e-6, 'given up after 38 ms (from memory)'],
    ['mat-capacitor', 0, (1e12 * epsilon0 * 2 * 0.12) / 1.4e-3, 1e-3, 'ε0·εr·A/d'],
    ['level-strip', 0.2, 20 + (1e12 * epsilon0 * 3 * 0.01 * 0.2) / 0.2e-3, 1e-6, 'ε0·εr·w·h/d'],
    ['pressure-level', 1, 5 * (0.1 + (0.8 * 9806.65) / 20e3), 2e-3, 'ρ·g·h, ratiometric'],
    ['load-cell', 490, 5 * 2e-3 * 1.02, 5e-4, '2 mV/V at full load with its offset'],
    ['force-film', 500, 30e3 / 10 ** 0.9, 2e-2, 'k/Fⁿ of its share of the load'],
    ['probe-rods', 0.1, Math.acosh(0.02 / 0.003) / (Math.PI * 0.05 * 0.1), 1e-3, 'two cylinders'],
    ['rain-pad', 1, 1e-3 / (5e-3 * 1.2 * 0.3e-3), 1e-3, 'gap/(σ·l·h)'],
    ['soil-probe', 0.225, 1.8, 5e-3, 'half way between dry and soaked'],
    ['flow-sensor', 10, 750, 1e-6, '7.5 Hz per L/min over ten seconds'],
    ['accelerometer', 30, 3.3 * (0.5 + 0.1 * 0.5), 1e-3, 'half the supply + 0.1·sin 30°'],
    ['heading-sensor', 90, 1800 + 900, 1e-9, 'angle of the level field'],
    ['sound-level-module', 0.5, Math.SQRT2 * 0.5 * 6.3e-3 * 300, 5e-3, 'p·S·gain, peak'],
    ['supervised-contact', 0, 2200, 1e-3, 'line resistor with the contact closed'],
    ['supervised-contact', 0.05, 6900, 1e-3, 'both resistors when tripped'],
    ['touch-pad', 10e-12, 200, 1e-9, '(10 pF + 10 pF)/0.1 pF'],
    ['tag-reader', 1234, 1234, 0, 'the number itself'],
    ['tag-reader-bus', 1234, 1234, 0, 'the number itself'],
  ];
  it.each(cases)('%s at %d reads %d', (kind, x, expected, within) => {
    expect(Math.abs(at(kind, x) / expected - 1)).toBeLessThanOrEqual(within);
  });

  // 25 °C and 50 % relative humidity: it conducts 1 + 0.008·5 − 0.004·15 = 0.98 times as much as at 20 °C and 65 %.
  it.each([
    ['gas-combustible', 200, 10e3, 1.74],
    ['gas-combustible', 1000, 10e3, 0.844],
    ['gas-combustible', 10_000, 10e3, 0.2995],
    ['gas-alcohol', 212, 20e3, 1],
    ['gas-monoxide', 100, 10e3, 1],
    ['gas-air', 0.3, 20e3, 1],
  ])('%s at %d is where its published line is: %d Ω times %d', (kind, x, r0, ratio) => {
    expect((0.98 * at(kind, x)) / r0 / ratio).toBeGreaterThan(0.98);
    expect((0.98 * at(kind, x)) / r0 / ratio).toBeLessThan(1.01);
  });

  it.each([
    ['gas-combustible', 98e3],
    ['gas-alcohol', 1.2e6],
    ['gas-monoxide', 270e3],
    ['gas-air', 72e3],
  ])('%s in clean air has R0 times its own ratio', (kind, ohms) => {
    expect((0.98 * at(kind, 0)) / ohms).toBeCloseTo(1, 2);
  });

  it('gas: the more there is, the better it conducts, also where it begins to show', () => {
    for (const kind of ['gas-combustible', 'gas-alcohol', 'gas-monoxide', 'gas-air']) {
      const most = kind === 'gas-air' ? 2 : 5000;
      const ohms = Array.from({ length: 60 }, (_, i) => at(kind, most * (i / 59) ** 4));
      expect(ohms).toEqual([...ohms].sort((a, b) => b - a));
    }
  });

  it('smoke adds to what the chamber scatters in clear air, in proportion', () => {
    const [clear, thin, thick] = [0, 0.2, 0.4].map((x) => at('smoke-chamber', x));
    expect((thick - clear) / (thin - clear)).toBeCloseTo(2, 2);
  });

  it('a foil mat about doubles when stepped on (common practice), a larger one less', () => {
    const ratio = (area: number): number =>
      at('mat-capacitor', 700, { area }) / at('mat-capacitor', 0, { area });
    expect(ratio(0.12)).toBeGreaterThan(1.8);
    expect(ratio(0.12)).toBeLessThan(2.5);
    expect(ratio(0.5)).toBeLessThan(ratio(0.12));
  });
});

describe('yes or no, with the points at which they change', () => {
  /** The first point at which the curve passes half of what it covers, up and down. */
  const transitions = (kind: string, params: Numbers = {}): number[] => {
    const { xs, ys, back = ys } = characteristic(kindOf(kind), params, 601);
    const middle = (Math.max(...ys) + Math.min(...ys)) / 2;
    return [ys, back].map((list) => xs[list.findIndex((y) => y > middle !== list[0] > middle)]);
  };
  const cases: [string, Numbers, number, number, string][] = [
    ['hall-switch', {}, 15e-3, 10e-3, 'operate and release point'],
    ['hall-latch', {}, 8e-3, -8e-3, 'the other pole lets go'],
    ['tilt-switch', {}, 30, 20, 'opens and closes'],
    ['float-switch', {}, 0.21, 0.2, 'travel of the float'],
    ['touch-module', { active: 1 }, 2.4e-12, 1.6e-12, '±20 % about its least'],
    ['pyroelectric-module', {}, 0.204, 0.196, '±2 % about its least'],
    ['modulated-receiver', {}, 3.3e-4, 2.7e-4, '±10 % about its least'],
    ['reed-contact', {}, 2.5e-3, 1.2e-3, 'pull-in and drop-out'],
    ['vibration-switch', {}, 2, 1, 'touches and lets go'],
  ];
  it.each(cases)('%s %j', (kind, params, up, down) => {
    const { from, to, scale } = curveOf(kindOf(kind));
    const [rise, fall] = transitions(kind, params);
    const step = (x: number): number =>
      scale === 'log' ? x * ((to / from) ** (1 / 600) - 1) : (to - from) / 600;
    expect(Math.abs(rise - up)).toBeLessThanOrEqual(1.01 * step(up));
    expect(Math.abs(fall - down)).toBeLessThanOrEqual(1.01 * Math.max(step(down), step(up)));
  });
});

describe('what physics says goes one way', () => {
  const rising = ['linear-hall', 'temperature-chip', 'pressure-level', 'level-strip', 'load-cell'];
  const falling = ['photoresistor', 'ntc', 'force-film', 'rain-pad', 'probe-rods', 'soil-probe'];
  const gases = ['gas-combustible', 'gas-alcohol', 'gas-monoxide', 'gas-air'];
  it.each([
    ...rising.map((kind) => [kind, 1] as const),
    ...[...falling, ...gases].map((kind) => [kind, -1] as const),
  ])('%s', (name, sign) => {
    const kind = kindOf(name);
    const { operating, scale } = curveOf(kind);
    const [from, to] = operating;
    const point = (share: number): number =>
      scale === 'log' ? from * (to / from) ** share : from + (to - from) * share;
    const read = readings(kind);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.98, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (a, more) => {
          const b = Math.min(1, a + more);
          expect(sign * (read(point(b)) - read(point(a)))).toBeGreaterThan(0);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('every kind has a curve', () => {
  it.each(catalog.map((k) => [k.kind, k] as const))('%s', (_, kind) => {
    const { xs, ys, back = [] } = characteristic(kind, {}, 9);
    expect([...xs, ...ys, ...back].every(Number.isFinite)).toBe(true);
    const [low, high] = curveOf(kind).operating;
    expect(low).toBeLessThanOrEqual(high);
    expect(high).toBeLessThanOrEqual(Math.max(...xs) * (1 + 1e-9));
  });
});

describe('modules are circuits', () => {
  const modules = catalog.filter((k) => k.inside !== undefined);
  it.each(modules.map((k) => [k.kind, k] as const))('%s', (_, kind) => {
    // The board behaves the same as its parts wired up by themselves.
    const supply = kind.terminals.find((t) => t.role === 'supply-in')?.id ?? kind.terminals[0].id;
    const ground = kind.terminals.find((t) => t.role === 'ground')?.id ?? kind.terminals[1].id;
    const wires = [`G.plus R.a`, `R.b X.${supply}`, `X.${ground} G.minus`];
    const loads: string[] = [];
    kind.terminals.forEach(({ id }, i) => {
      if (id === supply || id === ground) return;
      loads.push(`resistor L${i} ohms=${22e3 + 1000 * i}`);
      wires.push(`X.${id} L${i}.a`, `L${i}.b G.minus`);
    });
    const closed = sketch(
      ['adapter G volts=5', 'resistor R ohms=1', `${kind.kind} X`, ...loads],
      wires,
    );
    const open = openModule(closed, 'X');
    expect(open.parts.length).toBeGreaterThan(closed.parts.length);
    const [module, parts] = [closed, open].map((d) => new Circuit(d).solve());
    expect(parts.problems).toEqual([]);
    for (const load of loads) {
      const id = load.split(' ')[1];
      expect(voltsAt(module, `${id}.a`)).toBeCloseTo(voltsAt(parts, `${id}.a`) ?? NaN, 6);
    }
    expect(module.parts['R'].amps['a'] ?? NaN).toBeCloseTo(parts.parts['R'].amps['a'] ?? NaN, 9);
  });
});

describe('time', () => {
  it('a photoresistor follows light faster than dark', () => {
    const design = sketch(
      ['adapter G volts=5', 'photoresistor B', 'resistor R ohms=10000'],
      ['G.plus B.a', 'B.b R.a', 'R.b G.minus'],
    );
    const run = runTransient(design, {
      until: 2,
      moments: 1e5,
      drives: [
        {
          part: 'B',
          of: { stimulus: 'light' },
          times: [0, 0.1, 0.1, 1, 1],
          values: [1, 1, 100, 100, 1],
        },
      ],
    });
    const signal = run.nets['B.b'];
    const middle = (Math.max(...signal) + Math.min(...signal)) / 2;
    const crossings = run.times.filter(
      (_, i) => i > 0 && signal[i] > middle !== signal[i - 1] > middle,
    );
    expect(crossings).toHaveLength(2);
    expect(crossings[1] - 1).toBeGreaterThan(2 * (crossings[0] - 0.1));
  });

  const pir = (params: string): string[] => [
    'adapter G volts=5',
    `pyroelectric-module B warmUp=0.2 ${params}`,
    'resistor R ohms=100000',
  ];
  const wiring = ['G.plus B.VCC', 'B.GND G.minus', 'B.OUT R.a', 'R.b G.minus'];
  /** When the output was high, s, with warmth felt in these stretches. */
  const high = (params: string, until: number, ...stimulus: [number, number][]): number[][] => {
    const run = runTransient(sketch(pir(params), wiring), {
      until,
      moments: 1e5,
      drives: [
        {
          part: 'B',
          of: { stimulus: 'heat' },
          times: [0, ...stimulus.flatMap(([a, b]) => [a, a, b, b])],
          values: [0, ...stimulus.flatMap(() => [0, 1, 1, 0])],
        },
      ],
    });
    const out = run.nets['B.OUT'];
    const stretches: number[][] = [];
    run.times.forEach((t, i) => {
      if (i === 0 || out[i] > 1.6 === out[i - 1] > 1.6) return;
      if (out[i] > 1.6) stretches.push([t]);
      else stretches.at(-1)?.push(t);
    });
    return stretches;
  };
  it('a motion module holds for its time, from the last motion when it retriggers', () => {
    const [[on, off]] = high('hold=2', 6, [1, 1.2]);
    expect(on).toBeGreaterThan(1);
    expect(off - 1.2).toBeGreaterThan(1.9);
    expect(off - 1.2).toBeLessThan(2.6);
    const [[, later]] = high('hold=2', 8, [1, 1.2], [2, 2.2]);
    expect(later - off).toBeCloseTo(1, 1);
  });
  it('without retriggering a second motion changes nothing, and afterwards it is blocked', () => {
    const [[, off]] = high('hold=2 retrigger=0', 8, [1, 1.2], [2, 2.2]);
    expect(off).toBeLessThan(3.6);
    expect(high('hold=2 block=3', 8, [1, 1.2], [4, 4.2])).toHaveLength(1);
    expect(high('hold=2 block=0.5', 8, [1, 1.2], [5, 5.2])).toHaveLength(2);
  });
  it('does not answer before it has warmed up; a gas element begins by reading gas', () => {
    const cold = sketch(
      pir('').map((p) => p.replace('warmUp=0.2', 'warmUp=20')),
      wiring,
    );
    const drives = [{ part: 'B', of: { stimulus: 'heat' }, times: [0], values: [1] } as const];
    const run = runTransient(cold, { until: 60, from: 'dead', drives });
    const first = run.times[run.nets['B.OUT'].findIndex((v) => v > 1.6)];
    // One time constant, and the ramp of nothing before it.
    expect(first).toBeGreaterThan(17);
    expect(first).toBeLessThan(24);

    const gas = sketch(
      ['adapter G volts=5', 'gas-module-combustible B'],
      ['G.plus B.VCC', 'B.GND G.minus', 'B.AO R.a', 'R.b G.minus'].slice(0, 2),
    );
    gas.parts.push({ id: 'R', kind: 'resistor', name: 'R', params: { ohms: 1e6 } });
    gas.wires.push({ id: 'x', from: 'B.AO', to: 'R.a' }, { id: 'y', from: 'R.b', to: 'G.minus' });
    const { times, nets } = runTransient(gas, { until: 600, from: 'dead' });
    const volts = (t: number): number => nets['B.AO'][times.findIndex((v) => v >= t)];
    const highest = nets['B.AO'].reduce((a, b) => Math.max(a, b));
    expect(highest).toBeGreaterThan(1.3 * volts(600));
    expect(times[nets['B.AO'].indexOf(highest)]).toBeLessThan(60);
    expect(volts(300) / volts(600)).toBeCloseTo(1, 1);
  });
});
