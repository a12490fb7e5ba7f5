import { crossings, step, wire } from '../testing/lab.js';
import { dead, peak, pulse, run, solve, volts } from '../testing/on-the-bench.js';
import { sketch } from '../testing/small.js';
import { Circuit, voltsAt, type Solution } from './index.js';

/*
 * Every semiconductor against what its data sheet or a closed form says. Where a check names no source,
 * it is arithmetic on the part's own parameters.
 */
describe('semiconductors', () => {
  it.each([
    // Square law in saturation, β/2·(Vgs − Vth)²; any text on MOS transistors. Default: β = 1/(12.5 mΩ·3.4 V).
    ['saturated', 2.0, 12, (1 / (0.0125 * 3.4) / 2) * 0.4 ** 2],
    ['off', 0, 12, 0],
  ])('MOSFET %s', (_, gate, supply, amps) => {
    const circuit = new Circuit(
      sketch(
        ['adapter G volts=12 ohms=0.001', 'adapter V ohms=0.001 maxAmps=30', 'logic-mosfet Q'],
        ['V.minus G.minus', 'V.plus Q.d', 'Q.s G.minus', 'G.plus Q.g'],
      ),
    );
    circuit.setParams('G', { volts: gate });
    circuit.setParams('V', { volts: supply });
    expect(circuit.solve().parts['Q'].amps['d']).toBeCloseTo(amps, 1);
  });

  it('p-channel MOSFET passes the supply when its gate is low, and blocks when it is high', () => {
    const circuit = new Circuit(
      sketch(
        ['adapter G', 'adapter V volts=5', 'p-mosfet Q', 'resistor R ohms=100'],
        ['G.plus Q.s', 'Q.d R.a', 'R.b G.minus', 'V.minus G.minus', 'V.plus Q.g'],
      ),
    );
    circuit.setParams('V', { volts: 0 });
    expect(voltsAt(circuit.solve(), 'R.a')).toBeCloseTo(12, 1);
    circuit.setParams('V', { volts: 12 });
    expect(voltsAt(circuit.solve(), 'R.a')).toBeLessThan(0.01);
  });

  it('PNP transistor as a high-side switch', () => {
    const s = solve(
      ['adapter G volts=5', 'pnp-transistor Q', 'resistor B ohms=1000', 'resistor L ohms=100'],
      'G.plus Q.e; Q.b B.a; B.b G.minus; Q.c L.a; L.b G.minus',
    );
    expect(volts(s, 'L.a')).toBeGreaterThan(4.6);
  });

  // Forward voltages by the data sheets of the types, from memory.
  it.each([
    ['rectifier-diode', 11, 0.85, 1.1],
    ['schottky-diode', 11, 0.38, 0.55],
    ['led', 1000, 1.8, 2.0],
    ['zener-diode', 1000, 0.6, 0.8],
  ])('%s in forward direction', (kind, ohms, low, high) => {
    const s = solve(
      ['adapter G', `resistor R ohms=${ohms}`, `${kind} D`],
      'G.plus R.a; R.b D.a; D.k G.minus',
    );
    expect(volts(s, 'D.a')).toBeGreaterThan(low);
    expect(volts(s, 'D.a')).toBeLessThan(high);
  });

  it.each([
    ['zener-diode', 'zener of 5.1 V at 5 mA', 1380, 5.1, 2],
    ['voltage-reference', '2.495 V reference', 2200, 2.495, 1],
  ])('%s: %s', (kind, _, ohms, expected, digits) => {
    const s = solve(
      ['adapter G', `resistor R ohms=${ohms}`, `${kind} D`],
      'G.plus R.a; R.b D.k; D.a G.minus',
    );
    expect(volts(s, 'D.k')).toBeCloseTo(expected, digits);
  });

  it('a Darlington channel drops about 1 V and its diode catches a coil (2003-type data sheet: 0.9–1.1 V at 100 mA)', () => {
    const parts = [
      'adapter G',
      'adapter V volts=5',
      'darlington-channel U',
      'solenoid Y ohms=120',
      'loop-contact S bounce=0',
    ];
    const wires =
      'G.minus V.minus; G.minus U.gnd; V.plus S.a; S.b U.in; G.plus Y.plus; Y.minus U.out; U.com G.plus';
    const on = solve(parts, wires);
    expect(volts(on, 'U.out')).toBeGreaterThan(0.8);
    expect(volts(on, 'U.out')).toBeLessThan(1.2);
    const kick = run(parts, wires, 0.05, [pulse('S', 'gap', 0.01)]);
    expect(peak(kick, 'U').volts).toBeLessThan(13.5);
  });

  it('an optocoupler carries its current over to a circuit with no wire in common', () => {
    const s = solve(
      [
        'adapter G volts=5',
        'resistor R ohms=370',
        'optocoupler U',
        'lead-battery H',
        'resistor L ohms=1000',
      ],
      'G.plus R.a; R.b U.a; U.k G.minus; H.plus L.a; L.b U.c; U.e H.minus',
    );
    // About 10 mA at 100 % would be 10 mA; 12 V over 1 kΩ allows it to saturate just.
    expect(s.parts['U'].amps['a']).toBeCloseTo(0.01, 3);
    expect(s.parts['U'].amps['c']).toBeGreaterThan(0.008);
    expect(s.problems).toEqual([]);
  });

  it('a photodiode gives sensitivity × irradiance into its load', () => {
    const circuit = new Circuit(
      sketch(
        ['adapter G volts=5', 'photodiode B', 'resistor R ohms=100000'],
        ['G.plus B.k', 'B.a R.a', 'R.b G.minus'],
      ),
    );
    circuit.setState('B', { stimulus: { infrared: 4 } });
    expect(voltsAt(circuit.solve(), 'R.a')).toBeCloseTo(1e5 * (5e-6 * 4 + 2e-9), 3);
  });
});

describe('thyristor', () => {
  const parts = (load: string): string[] => [
    'adapter G',
    load,
    'thyristor Q',
    'push-button S bounce=0',
    'resistor R ohms=10000',
  ];
  const wires = 'G.plus L.a; L.b Q.a; Q.k G.minus; G.plus S.a; S.b R.a; R.b Q.g';
  const press = [pulse('S', 'force', 0.01, 0.02)];
  const after = (load: string): number =>
    run(parts(load), wires, 0.05, press).nets['Q.a'].at(-1) ?? NaN;

  it('stays on after the gate lets go when it carries more than its latching current', () => {
    expect(after('resistor L ohms=470')).toBeLessThan(1.2);
  });
  it('goes off with the gate when the load draws less', () => {
    expect(after('resistor L ohms=3300')).toBeGreaterThan(11.9);
  });
  it('does not fire below its gate current', () => {
    const weak = parts('resistor L ohms=470').with(4, 'resistor R ohms=100000');
    expect(run(weak, wires, 0.05, press).nets['Q.a'].at(-1)).toBeGreaterThan(11.9);
  });

  it.each([
    ['lets go under a bell that interrupts itself', [], true],
    ['holds it with a bleed resistor beside the bell', ['resistor B ohms=1000'], false],
  ])('%s', (_, bleed, released) => {
    const result = run(
      [
        'adapter G',
        'bell L',
        'thyristor Q',
        'push-button S bounce=0',
        'resistor R ohms=10000',
        'rectifier-diode D',
        ...bleed,
      ],
      `G.plus L.plus; L.minus Q.a; Q.k G.minus; G.plus S.a; S.b R.a; R.b Q.g; D.k L.plus; D.a L.minus${bleed.length ? '; B.a L.plus; B.b L.minus' : ''}`,
      0.4,
      press,
    );
    const late = result.times.flatMap((t, i) => (t > 0.3 ? [result.nets['Q.a'][i]] : []));
    expect(Math.min(...late) > 5).toBe(released);
  });
});

describe('amplifiers and gates', () => {
  it('op-amp with two resistors amplifies by 1 + R2/R1, and stops at its rails', () => {
    const circuit = new Circuit(
      sketch(
        [
          'adapter G',
          'adapter V volts=1 ohms=0.001',
          'op-amp U',
          'resistor A ohms=1000',
          'resistor B ohms=4000',
        ],
        [
          'G.plus U.vcc',
          'G.minus U.gnd',
          'V.minus G.minus',
          'V.plus U.plus',
          'U.minus A.a',
          'A.b G.minus',
          'B.a U.minus',
          'B.b U.out',
        ],
      ),
    );
    expect(voltsAt(circuit.solve(), 'U.out')).toBeCloseTo(5, 2);
    circuit.setParams('V', { volts: 4 });
    const high = voltsAt(circuit.solve(), 'U.out') ?? NaN;
    expect(high).toBeGreaterThan(10);
    expect(high).toBeLessThan(12 - 1.4);
  });

  it('op-amp slews at its slew rate', () => {
    const result = run(
      ['adapter G', 'op-amp U', 'signal-generator V shape=1 mean=3 amplitude=3 hertz=1e4'],
      'G.plus U.vcc; G.minus U.gnd; V.out U.plus; V.gnd G.minus; U.minus U.out',
      60e-6,
    );
    const [from] = crossings(result.times, result.nets['U.out'], 1);
    const [to] = crossings(result.times, result.nets['U.out'], 4);
    expect(3 / (to - from) / 0.3e6).toBeCloseTo(1, 1);
  });

  it('Schmitt inverter with R and C oscillates at RC·(ln((1−f)/(1−r)) + ln(r/f))', () => {
    const result = dead(
      [
        'adapter G volts=5',
        'schmitt-inverter U',
        'resistor R ohms=100000',
        'capacitor C farads=1e-8 esr=0.001 leak=1e13',
      ],
      'G.plus U.vcc; G.minus U.gnd; U.out R.a; R.b U.in; C.a U.in; C.b G.minus',
      0.01,
    );
    const ups = crossings(result.times, result.nets['U.out'], 2.5);
    const [rise, fall] = [0.56, 0.36];
    const period =
      1e5 * (1e-8 + 3.5e-12) * (Math.log((1 - fall) / (1 - rise)) + Math.log(rise / fall));
    expect((ups[3] - ups[2]) / period).toBeCloseTo(1, 3);
  });

  it('a push-pull comparator pulls its output up by itself, either way', () => {
    const at = (plus: number): number => {
      const network = wire(step('vcc', 5), step('p', plus), step('m', 2), {
        type: 'comparator',
        plus: 'p',
        minus: 'm',
        output: 'out',
        supply: 'vcc',
        ground: '0',
        stage: 'push-pull',
        offset: 0,
        hysteresis: 0,
        bias: 0,
        headroom: 0,
        sinkAmps: 0.02,
        sinkOhms: 50,
        delay: 0,
      });
      network.rest();
      return network.volts('out') ?? NaN;
    };
    expect(at(3)).toBeCloseTo(5, 3);
    expect(at(1)).toBeCloseTo(0, 3);
  });

  it('a comparator needs its pull-up, and gives no more than it can sink', () => {
    const build = (pullUp: number): Solution =>
      solve(
        [
          'adapter G volts=5',
          'comparator-393 U',
          `resistor P ohms=${pullUp}`,
          'resistor A',
          'resistor B',
        ],
        'G.plus U.vcc; G.minus U.gnd; G.plus P.a; P.b U.out; U.plus G.minus; G.plus A.a; A.b U.minus; B.a U.minus; B.b G.minus',
      );
    expect(volts(build(4700), 'U.out')).toBeLessThan(0.1);
    const tooMuch = build(100);
    expect(tooMuch.parts['U'].amps['out']).toBeCloseTo(0.016, 4);
    expect(volts(tooMuch, 'U.out')).toBeGreaterThan(3);
  });
});

describe('two junctions that block one after the other', () => {
  const boltzmann = 0.025693;

  /** Both blocking 12 V, the one of less saturation current on the far side; the voltage across the other. */
  const near = (less: number, more: number): number => {
    const network = wire(
      { type: 'voltage-source', plus: 'top', minus: '0', volts: 12 },
      { type: 'diode', anode: 'mid', cathode: 'top', saturation: more, emission: 1 },
      { type: 'diode', anode: '0', cathode: 'mid', saturation: less, emission: 1 },
    );
    expect(network.rest().settled).toBe(true);
    return 12 - (network.volts('mid') ?? NaN);
  };

  // The lesser one gives all of its saturation current: Is·(1 − exp(−V/Vt)) = Is' of the other (Shockley).
  it.each([1.01, 1.03, 1.1, 1.5, 3, 1000])('saturation currents as 1 to %d', (ratio) => {
    const volts = -boltzmann * Math.log(1 - 1 / ratio);
    expect(near(3e-6, 3e-6 * ratio) / volts).toBeCloseTo(1, 2);
  });

  it.each([0, 1, 100, 1000])(
    'a panel at %d lx and a diode keep a battery from emptying',
    (light) => {
      const circuit = new Circuit(
        sketch(
          ['solar-panel G', 'lead-battery B', 'schottky-diode D'],
          ['G.plus D.a', 'D.k B.plus', 'G.minus B.minus'],
        ),
      );
      circuit.setStimulus('G', 'light', light);
      const { problems, parts } = circuit.solve();
      expect(problems).toEqual([]);
      expect(Math.abs(parts['B'].amps['plus'] ?? NaN)).toBeLessThan(20e-6);
    },
  );
});
