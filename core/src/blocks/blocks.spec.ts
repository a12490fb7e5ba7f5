import { catalog } from '../catalog/index.js';
import { check, gatherEvidence } from '../check/index.js';
import { Circuit } from '../circuit/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { brief, onBoard } from '../testing/small.js';
import { Draft, wiringOf } from '../wiring/index.js';
import {
  addComparator,
  bestLoad,
  blocks,
  CannotBuild,
  searchBlocks,
  usualAnswers,
  type Answers,
} from './index.js';

const block = (id: string) => {
  const found = blocks.find((b) => b.id === id);
  if (!found) throw new Error(`no block ${id}`);
  return found;
};
/** A block wired with what it would take unasked, and some answers of one's own. */
function build(id: string, design: Design, answers: Answers = {}, about?: string) {
  const { asks, build: make } = block(id);
  const built = make(design, { ...usualAnswers(asks(design, about)), ...answers });
  return { ...built, design: applyEdit(design, built.edit) };
}
const errors = (design: Design): string[] =>
  check(gatherEvidence(design, undefined))
    .filter((f) => f.severity === 'error')
    .map((f) => `${f.code} ${f.about.join(' ')}`);
const value = (design: Design, name: string, param = 'ohms'): number | undefined =>
  design.parts.find((p) => p.name === name)?.params[param];

describe('each block', () => {
  const loaded = (load: string): Design => onBoard(`${load}, adapter W`, 'W.minus U.GND');
  const cases: [string, Design, Answers?][] = [
    ['front-end', onBoard('photoresistor B', '')],
    ['best-load', onBoard('photoresistor B, resistor R', 'U.5V B.a, B.b R.a, R.b U.GND')],
    ['end-of-line', onBoard('loop-contact S', '')],
    ['capacitive-divider', onBoard('mat-capacitor B', '')],
    ['sensor-power', onBoard('probe-rods B, resistor R', 'U.5V R.a, R.b B.a, B.b U.GND, B.a U.A0')],
    [
      'level-shifter',
      brief(
        'adapter G volts=5, radio-board-3v3 U, ultrasonic-ranger B',
        'G.plus U.VIN, G.minus U.GND, B.VCC U.VIN, B.GND U.GND',
      ),
      { low: 'U.P8', high: 'B.TRIG' },
    ],
    ['pull-up', onBoard('hall-switch B', 'B.VCC U.5V, B.GND U.GND'), { terminal: 'B.OUT' }],
    ['pull-down', onBoard('logic-mosfet Q', 'Q.s U.GND, Q.g U.D8'), { terminal: 'Q.g' }],
    [
      'comparator',
      onBoard('photoresistor B, resistor R', 'U.5V B.a, B.b R.a, R.b U.GND'),
      { terminal: 'B.b' },
    ],
    [
      'schmitt-555',
      brief('adapter G, photoresistor B, resistor R', 'G.plus B.a, B.b R.a, R.b G.minus'),
    ],
    ['transistor-stage', loaded('sounder-12v P')],
    ['mosfet-stage', loaded('pump-12v M')],
    ['relay-stage', loaded('filament-lamp H')],
    ['thyristor-latch', loaded('bell P'), { driver: 'U.D8' }],
    ['led', onBoard('resistor R', ''), { terminal: 'U.D8' }],
    ['supply-filter', onBoard('resistor R', ''), { supply: 'G.plus' }],
  ];
  it('has a case here', () => {
    expect(cases.map(([id]) => id).sort()).toEqual(blocks.map((b) => b.id).sort());
  });
  it.each(cases)('%s wires itself, says why, and leaves no new error', (...row) => {
    const [id, design, answers] = row;
    const before = errors(design);
    const built = build(id, design, answers);
    expect(built.because.join(' ').length).toBeGreaterThan(20);
    expect(built.because.join(' ')).not.toMatch(/NaN|undefined|Infinity/);
    expect(built.design).not.toEqual(design);
    expect(errors(built.design).filter((e) => !before.includes(e))).toEqual([]);
  });
  it.each(blocks.map((b) => [b.id]))('%s says what is missing on an empty bench', (id) => {
    expect(() => build(id, brief('resistor R', ''))).toThrow(CannotBuild);
  });
  it.each([
    ['switch a pump', 'mosfet-stage'],
    ['dusk', 'schmitt-555'],
    ['relay', 'relay-stage'],
    ['button', 'pull-up'],
    ['reverse polarity', 'supply-filter'],
    ['burglar', undefined],
  ])('"%s" finds it', (text, id) => {
    expect(searchBlocks(text)[0]?.id).toBe(id);
  });
});

describe('numbers', () => {
  it('the best load of a resistance is the geometric mean of both ends', () => {
    // Photoresistor with γ = 0.7 (its dark resistance in parallel), NTC by the β equation.
    const at = (lux: number): number => 1 / (1 / (15e3 * (lux / 10) ** -0.7) + 1 / 2e6);
    const part = { id: 'B', kind: 'photoresistor', name: 'B', params: {} };
    expect(bestLoad(part, [1, 1000]).ohms / Math.sqrt(at(1) * at(1000))).toBeCloseTo(1, 2);
    const beta = (c: number): number => 10e3 * Math.exp(3950 * (1 / (c + 273.15) - 1 / 298.15));
    const ntc = { id: 'B', kind: 'ntc', name: 'B', params: {} };
    expect(bestLoad(ntc, [5, 60]).ohms / Math.sqrt(beta(5) * beta(60))).toBeCloseTo(1, 2);
  });

  it('LED, base and gate resistors follow from the load', () => {
    // (5 − 1.9)/8 mA = 387.5 Ω; (5 − 0.7)/(60 mA/10) = 717 Ω.
    expect(
      value(build('led', onBoard('resistor R', ''), { terminal: 'U.D8' }).design, 'LED resistor'),
    ).toBe(390);
    const sounder = onBoard('sounder-12v P, adapter W', 'W.minus U.GND');
    expect(value(build('transistor-stage', sounder).design, 'Base resistor')).toBe(680);
    expect(() =>
      build('transistor-stage', onBoard('pump-12v P, adapter W', 'W.minus U.GND')),
    ).toThrow(/takes 350.mA, too much/);
  });

  it.each(['above', 'below'] as const)(
    'the comparator that is high %s trips where it was told, with the hysteresis it was told',
    (high) => {
      const design = brief('adapter G volts=5, signal-generator V', 'V.gnd G.minus');
      const { design: built } = build('comparator', design, {
        ...{ terminal: 'V.out', trip: 2, width: 0.2, high },
      });
      const circuit = new Circuit(built);
      const isHigh = (volts: number): boolean => {
        circuit.setParams('V', { mean: volts });
        const { parts } = circuit.solve();
        return (parts['U1'].volts['out'] ?? NaN) > 2.5;
      };
      const steps = (from: number, to: number): number[] =>
        Array.from({ length: 400 }, (_, i) => from + ((to - from) * i) / 399);
      const [clear, beyond] = high === 'above' ? [1, 3] : [3, 1];
      const trips = steps(clear, beyond).find(isHigh) ?? NaN;
      const clears = steps(beyond, clear).find((v) => !isHigh(v)) ?? NaN;
      expect(trips).toBeCloseTo(2, 1);
      expect(Math.sign(trips - clears)).toBe(high === 'above' ? 1 : -1);
      // E24 rounding and the wiper's own resistance leave some of it.
      expect(Math.abs(trips - clears)).toBeGreaterThan(0.15);
      expect(Math.abs(trips - clears)).toBeLessThan(0.25);
    },
  );

  it('an end-of-line loop reads as it says in all four states', () => {
    const { design } = build('end-of-line', onBoard('loop-contact S', ''));
    const [line, across, top] = [2200, 4700, value(design, 'Loop resistor') ?? 0];
    const circuit = new Circuit(design);
    const at = (gap: number): number => {
      circuit.setState('S', { stimulus: { gap } });
      return circuit.solve().parts['S'].volts['a'] ?? NaN;
    };
    expect(at(0)).toBeCloseTo((5 * line) / (line + top), 1);
    expect(at(0.05)).toBeCloseTo((5 * (line + across)) / (line + across + top), 1);
  });
});

describe('blocks by circumstance', () => {
  it('a sensor that takes more than a pin gives is fed through a MOSFET, on when low', () => {
    const design = onBoard('ultrasonic-ranger B', 'B.VCC U.5V, B.GND U.GND');
    const { design: built, because } = build('sensor-power', design, { part: 'B' });
    expect(built.parts.some((p) => p.kind === 'p-mosfet')).toBe(true);
    expect(built.outputs[0]).toMatchObject({ feeds: true, active: 'low' });
    expect(because.join()).toMatch(/more than a pin should give/);
    // It is on while it is read: the sensor has its 5 V at rest.
    const { quiet } = gatherEvidence(built, undefined);
    expect(quiet.solution.parts['B'].volts['VCC']).toBeGreaterThan(4.9);
  });

  it('a small one is fed by the pin itself; one that shares its supply wire is left alone', () => {
    const design = onBoard('photoresistor B, resistor R', 'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0');
    const { design: built } = build('sensor-power', design, { part: 'B' });
    expect(built.parts).toHaveLength(design.parts.length);
    expect(built.outputs[0]).toMatchObject({ feeds: true, active: 'high' });
    const hub = onBoard('photoresistor B, resistor R', 'U.5V B.a, B.a R.a, R.b U.GND, B.b U.A0');
    expect(() => build('sensor-power', hub, { part: 'B' })).toThrow(/Other parts are fed/);
  });

  it.each([
    ['relay-stage', 'U.D8', 'relay-board-1'],
    ['relay-stage', 'V.out', 'relay-12v'],
  ])('%s driven by %s takes a %s', (id, driver, kind) => {
    const design = onBoard(
      'filament-lamp H, adapter W, timer-555 V',
      'W.minus U.GND, V.vcc W.plus, V.gnd U.GND',
    );
    const { design: built } = build(id, design, { part: 'H', driver });
    expect(built.parts.some((p) => p.kind === kind)).toBe(true);
  });

  it('a thyristor holds a weak load by a resistor beside it, and refuses one too strong', () => {
    const small = onBoard('active-buzzer P amps=0.01', '');
    const { design } = build('thyristor-latch', small, { part: 'P', driver: 'U.D8' });
    // Twice 1.5 times 5 mA at 4 V: 267 Ω, 220 Ω of E12.
    expect(value(design, 'Bleed resistor')).toBe(220);
    const big = onBoard('filament-lamp H watts=36, adapter W', 'W.minus U.GND');
    expect(() => build('thyristor-latch', big, { part: 'H', driver: 'U.D8' })).toThrow(/more than/);
  });

  it('a level shifter goes into the wire it protects, low side low', () => {
    const design = brief(
      'adapter G volts=5, radio-board-3v3 U, ultrasonic-ranger B',
      'G.plus U.VIN, G.minus U.GND, B.VCC U.VIN, B.GND U.GND, B.ECHO U.P8',
    );
    const { design: built } = build('level-shifter', design, { low: 'U.P8', high: 'B.ECHO' });
    expect(wiringOf(built).same('U.P8', 'B.ECHO')).toBe(false);
    const shifter = built.parts.find((p) => p.kind === 'level-shifter')?.id ?? '';
    expect(wiringOf(built).same(`${shifter}.low`, 'U.P8')).toBe(true);
    expect(wiringOf(built).same(`${shifter}.high`, 'B.ECHO')).toBe(true);
    const five = onBoard('ultrasonic-ranger B', 'B.VCC U.5V, B.GND U.GND');
    expect(() => build('level-shifter', five, { low: 'U.A0', high: 'G.plus' })).toThrow(
      CannotBuild,
    );
  });

  it('a comparator near its supply, or with more hysteresis than room, is refused', () => {
    const design = brief('adapter G volts=5, signal-generator V', 'V.gnd G.minus');
    expect(() => build('comparator', design, { terminal: 'V.out', trip: 4 })).toThrow(
      /up to 3\.50.V/,
    );
    expect(() => build('comparator', design, { terminal: 'V.out', width: 3 })).toThrow(/no room/);
    // Fed from 9 V it could tell 4.95 V, which with 2 % for the feedback is beyond a trimmer on 5 V.
    const supply = { ref: 'G.plus', volts: 5 };
    const told = { signal: 'V.out', supply, fed: { ...supply, volts: 9 }, trip: 4.95, width: 0.1 };
    expect(() => addComparator(new Draft(design), { ...told, high: 'below' })).toThrow(/at most/);
    expect(() => build('comparator', design, { terminal: 'V.out', trip: -1 })).toThrow(
      /no positive/,
    );
  });

  it('a capacitive divider stands at the geometric mean of both capacitances', () => {
    const { because } = build('capacitive-divider', onBoard('level-strip B', ''));
    // 20 pF dry; ε0·3·0.01/0.2e-3 F/m over 0.3 m more when full: 418 pF. √(20 · 418) = 91 pF.
    expect(because[0]).toMatch(/Cref = √\(C1·C2\) = 9[12]\.\d.pF/);
  });

  it('a supply filter stands between the supply and everything it feeds', () => {
    const design = onBoard('resistor R', '');
    const { design: built } = build('supply-filter', design, { supply: 'G.plus' });
    const diode = built.parts.find((p) => p.kind === 'schottky-diode')?.id ?? '';
    expect(wiringOf(built).same('U.VIN', `${diode}.k`)).toBe(true);
    expect(wiringOf(built).same('G.plus', 'U.VIN')).toBe(false);
    const volts = new Circuit(built).solve().parts['U'].volts['VIN'];
    expect(volts).toBeGreaterThan(8.5);
    expect(volts).toBeLessThan(8.9);
  });
});

describe('front ends', () => {
  const sensors = catalog
    .filter(
      (k) =>
        k.stage === 'feels' &&
        !k.emits &&
        ![
          'mat-capacitor',
          'level-strip',
          'keypad',
          'rotary-knob',
          'smoke-chamber',
          'reflective-pair',
          'recorded-sensor',
          'signal-generator',
        ].includes(k.kind),
    )
    .map((k) => k.kind);
  it.each(sensors)('%s is wired without an error and reaches the controller', (kind) => {
    const board =
      kind === 'touch-pad' ||
      [
        ...['light-proximity-chip', 'heading-sensor', 'accelerometer'],
        ...['tag-reader', 'tag-reader-bus'],
      ].includes(kind)
        ? 'radio-board-3v3'
        : 'controller-5v-8bit';
    const design = brief(
      `adapter G volts=${board === 'radio-board-3v3' ? 5 : 9}, adapter G5 volts=5.1, ${board} U, ${kind} B`,
      'G.plus U.VIN, G.minus U.GND, G5.minus U.GND',
    );
    const built = build('front-end', design, { part: 'B' });
    expect(errors(built.design)).toEqual([]);
    const pins = built.design.controller.pins.map((p) => p.pin);
    const reached = pins.some((pin) => wiringOf(built.design).wired(pin));
    expect(reached).toBe(true);
  });
});

it('a dusk switch is three parts and three blocks', () => {
  let design = brief('adapter G maxAmps=2, photoresistor B, filament-lamp H', 'G.minus H.b');
  design = { ...design, wires: [] };
  design = build('front-end', design, { part: 'B' }).design;
  design = build('schmitt-555', design, { terminal: 'B.b' }).design;
  design = build('relay-stage', design, { part: 'H', driver: 'U1.out' }).design;
  expect(errors(design)).toEqual([]);
  const circuit = new Circuit(design);
  const lit = (lux: number): boolean => {
    circuit.setState('B', { stimulus: { light: lux } });
    return Math.abs(circuit.solve().parts['H'].amps['a'] ?? NaN) > 0.1;
  };
  expect([lit(0.01), lit(3000), lit(0.01)]).toEqual([true, false, true]);
});
