import { catalog, findKind, paramsOf, type Curve, type PartKind } from '../catalog/index.js';
import { checkDocument } from '../exchange/index.js';
import { characteristic, Circuit, curveOf, readings, testBench } from './index.js';

const kindOf = (name: string): PartKind => {
  const kind = findKind(name);
  if (!kind) throw new Error(`There is no kind ${name}.`);
  return kind;
};
const at = (kind: string, x: number, params = {}): number => readings(kindOf(kind), params)(x);

describe('the bench on which a curve is taken', () => {
  it.each(catalog.map((k) => [k.kind, k] as const))('of %s solves without a problem', (_, kind) => {
    const design = testBench(kind, {});
    const ids = design.parts.map((p) => p.id);
    expect(new Set(ids).size).toBe(ids.length);
    const { problems } = new Circuit(design).solve();
    expect(problems.filter((p) => p.kind !== 'floating')).toEqual([]);
  });

  it('is a design like any other where its values are possible ones', () => {
    const read = checkDocument(
      JSON.parse(JSON.stringify(testBench(kindOf('temperature-chip'), { lag: 5 }))),
    );
    expect(read.ok ? [] : read.problems.map((p) => p.place)).toEqual([]);
  });

  it('names what is varied and what is read, with units', () => {
    expect(characteristic(kindOf('ntc'), {}, 3)).toMatchObject({
      x: { label: 'Temperature', unit: '°C', scale: 'linear' },
      y: { label: 'Resistance', unit: 'Ω' },
      operating: [-20, 105],
    });
    expect(characteristic(kindOf('led'), {}, 3)).toMatchObject({
      x: { label: 'Voltage from v to K', unit: 'V' },
      y: { label: 'Current into A', unit: 'A' },
    });
    expect(characteristic(kindOf('servo'), {}, 9)).toMatchObject({
      xs: [0, 1, 2],
      x: { label: 'Now', choices: ['holding still', 'moving', 'stalled'] },
    });
    expect(characteristic(kindOf('relay-12v'), {}, 3).y).toEqual({ label: 'Pulled in', unit: '' });
    expect(characteristic(kindOf('flow-sensor'), {}, 3).y.unit).toBe('counts');
  });

  it('spaces a logarithm evenly, and ends where it should', () => {
    const { xs } = characteristic(kindOf('photoresistor'), {}, 6);
    const ratios = xs.slice(1).map((x, i) => x / xs[i]);
    for (const ratio of ratios) expect(ratio).toBeCloseTo(10, 9);
    expect(xs[5]).toBeCloseTo(10e3, 6);
  });

  it('shows the current from its first terminal where a kind has no curve of its own', () => {
    const plain = kindOf('resistor');
    const curve: Curve = curveOf({ ...plain, curve: undefined });
    expect(curve).toMatchObject({ vary: { plus: 'a', minus: 'b' }, reads: { amps: 'a' } });
    const { default: ohms } = plain.params[0];
    expect(at('resistor', 5)).toBeCloseTo(5 / ohms, 9);
  });

  it('takes values over the defaults, and leaves the others', () => {
    const part = testBench(kindOf('ntc'), { r25: 47e3 }).parts[0];
    expect(paramsOf(part)).toMatchObject({ r25: 47e3, beta: 3950 });
  });
});

describe('more transfer functions, against closed forms', () => {
  const cases: [string, number, number, number, string, object?][] = [
    ['phototransistor', 1, 10e3 * 1e-4, 2e-3, 'S·E·RL'],
    ['solar-panel', 55e3, -0.3, 0.08, 'half the sun, half the short-circuit current'],
    ['trimmer', 0.25, 1.25, 2e-3, 'a divider by the turn'],
    ['signal-generator', 2, 2 * (10e3 / 10050), 1e-6, 'its mean through 50 Ω into 10 kΩ'],
    ['recorded-sensor', 3, 3 * (1e6 / 1001e3), 1e-6, 'the reading through 1 kΩ'],
    ['cable', 12, (12 * 22) / (22 + 1.61), 0.1, 'the drop of its copper'],
    ['voltage-reference', 9, 2.5, 0.03, 'its reference volts'],
    ['zener-diode', 9, 5.1, 0.02, 'its breakdown volts'],
    ['op-amp', 2, 2, 2e-3, 'a follower'],
    ['linear-regulator', 9, 5, 1e-2, 'its output'],
    ['linear-regulator', 4, 4 - 1.8, 0.1, 'its input less the drop-out'],
    ['lead-battery', 1, 12.72, 1e-3, '2.12 V a cell, full (handbook value)'],
    ['lead-battery', 0, 11.4, 1e-3, '1.90 V a cell, empty'],
    ['lithium-cell', 1, 4.2, 1e-3, '4.2 V full (data sheets)'],
    ['lithium-cell', 0, 3.0, 1e-2, '3.0 V empty'],
    ['alkaline-pack', 1, 3 * 1.59, 1e-2, '1.6 V a new cell'],
    ['rgb-led', 5, (5 - 1.9) / 220, 0.05, 'volts less its own over the resistor'],
    ['infrared-emitter', 5, (5 - 1.35) / 101, 0.05, 'volts less its own over the resistor'],
    ['laser-spot', 5, 0.02, 0.02, 'its stated current at 5 V'],
    ['flow-sensor', 0.9, 0, 0, 'the wheel stands below its least flow'],
    ['touch-pad', 0, 100, 1e-9, '10 pF at rest, in tenths of a picofarad'],
    ['keypad', 1, 0.02488, 0.01, '50 Ω of the key under 10 kΩ on 5 V'],
    ['keypad', 2, 5, 1e-3, 'another column'],
    ['rotary-knob', 1, 0.0005, 0.01, 'contact A closed in the second quarter'],
    ['rotary-knob', 4, 5, 1e-3, 'and open again a step on'],
    ['window-foil', 0.001, 0.0015, 0.01, '3 Ω under 10 kΩ on 5 V'],
    ['loop-contact', 0.02, 5, 1e-3, 'opened beyond 15 mm'],
    ['push-button', 2, 0.00005, 0.01, 'pressed harder than 1.5 N'],
    ['toggle-switch', 0, 5, 1e-3, 'off'],
    ['audio-player', 5, 0.02, 0.01, 'idle'],
    ['network-message', 3.3, 3.3, 1e-3, 'it only looks'],
    [
      'small-motor',
      6,
      2 * Math.PI * 150 * (1 - (0.2 * (0.8 - 0.07)) / (0.8 - 0.07)),
      0.03,
      'slower in proportion to its load',
    ],
  ];
  it.each(cases)('%s at %d reads %d', (kind, x, expected, within, _source, params = {}) => {
    const read = at(kind, x, params);
    expect(Math.abs(read - expected)).toBeLessThanOrEqual(within * Math.abs(expected) + 1e-12);
  });

  it('reflection: LED current · intensity · what comes back · sensitivity, over the load', () => {
    // (5 V − 1.35 V)/181 Ω through the LED, 0.5 W/sr/A, 1e-4 A·m²/W, crosstalk 0.3/m², 10 kΩ.
    const amps = (5 - 1.33) / 181;
    const fall = (x: number): number => amps * 0.5 * (x + 0.3) * 1e-4 * 10e3;
    for (const x of [10, 50, 100]) {
      expect((5 - at('reflective-pair', x)) / fall(x)).toBeCloseTo(1, 1);
    }
  });

  it('age: an emitter dims, a gas element drifts, a pad is eaten, rods foul, a mat tires', () => {
    expect(at('rain-pad', 1, { eaten: 0.5 }) / at('rain-pad', 1)).toBeCloseTo(2, 2);
    expect(at('probe-rods', 0.1, { fouled: 0.5 }) / at('probe-rods', 0.1)).toBeCloseTo(2, 2);
    expect(at('gas-combustible', 1000, { drift: 1.4 }) / at('gas-combustible', 1000)).toBeCloseTo(
      1.4,
      2,
    );
    const pair = (aged: number): number => 5 - at('reflective-pair', 50, { aged });
    expect(pair(0.5) / pair(0)).toBeCloseTo(0.5, 1);
    const step = (age: number): number =>
      at('mat-capacitor', 700, { age }) / at('mat-capacitor', 0, { age });
    expect(step(0.8)).toBeLessThan(step(0));
  });

  it('supply: ratiometric sensors move with it, others do not', () => {
    const half = (kind: string, x: number): number => {
      const bench = testBench(kindOf(kind), {});
      const circuit = new Circuit(bench);
      const { vary } = curveOf(kindOf(kind));
      if ('stimulus' in vary) circuit.setState('X', { stimulus: { [vary.stimulus]: x } });
      const full = circuit.solve().parts['X'].volts['OUT'];
      circuit.setParams('G0', { volts: 0.9 * (bench.parts[1].params['volts'] ?? 0) });
      return (circuit.solve().parts['X'].volts['OUT'] ?? NaN) / (full ?? NaN);
    };
    expect(half('linear-hall', 0.02)).toBeCloseTo(0.9, 3);
    expect(half('pressure-level', 1)).toBeCloseTo(0.9, 3);
    expect(half('temperature-chip', 25)).toBeCloseTo(1, 3);
    expect(half('soil-probe', 0.2)).toBeCloseTo(1, 3);
  });
});
