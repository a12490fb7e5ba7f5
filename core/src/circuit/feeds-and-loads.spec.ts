import { kindOf, restStimulus } from '../catalog/index.js';
import { crossings, r, record, wire } from '../testing/lab.js';
import { dead, peak, pulse, run, solve, volts } from '../testing/on-the-bench.js';
import { sketch } from '../testing/small.js';
import { Circuit, voltsAt, type Drive, type Solution } from './index.js';

/*
 * Every feed and everything that fires against what its data sheet or a closed form says. Where a check
 * names no source, it is arithmetic on the part's own parameters.
 */
describe('feeds', () => {
  it.each([
    [12, 100, 5.0, 2],
    [6, 100, 4.2, 1],
    [12, 2, 3.0, 0],
  ])('linear regulator: %d V in, %d Ω load gives %d V', (input, load, output, digits) => {
    const s = solve(
      [`adapter G volts=${input} ohms=0.001`, 'linear-regulator U', `resistor L ohms=${load}`],
      'G.plus U.in; G.minus U.gnd; U.out L.a; L.b G.minus',
    );
    expect(volts(s, 'U.out')).toBeCloseTo(output, digits);
  });

  it('switching regulator takes output power over efficiency, plus its own current', () => {
    const s = solve(
      ['adapter G ohms=0.001', 'switching-regulator U', 'resistor L ohms=10'],
      'G.plus U.in; G.minus U.gnd; U.out L.a; L.b G.minus',
    );
    const out = volts(s, 'U.out') ** 2 / 10;
    expect(s.parts['U'].amps['in']).toBeCloseTo(out / 0.88 / 12 + 2e-3, 3);
  });

  it('lead–acid battery: 12.6 V nearly full, sags by its inner resistance, empties after its charge', () => {
    const s = solve(['lead-battery G', 'resistor L ohms=6'], 'G.plus L.a; L.b G.minus');
    expect(volts(s, 'G.plus')).toBeCloseTo((12.648 * 6) / (6 + 0.03 * 1.02), 1);
    const result = run(
      ['lead-battery G ampHours=0.1', 'resistor L ohms=60'],
      'G.plus L.a; L.b G.minus',
      3600,
    );
    const [empty] = crossings(result.times, result.nets['12 V'], 10, false);
    // 0.09 A·h at about 0.2 A lasts about 27 minutes.
    expect(empty / 60).toBeGreaterThan(25);
    expect(empty / 60).toBeLessThan(29);
  });

  it('solar panel: its short-circuit current scales with the sun; charging stops at its limit', () => {
    // 110 klx come with 1000 W/m².
    const under = (sun: number, ohms: number): Solution => {
      const wires = ['G.plus L.a', 'L.b G.minus'];
      const circuit = new Circuit(sketch(['solar-panel G', `resistor L ohms=${ohms}`], wires));
      circuit.setState('G', { stimulus: { light: 110 * sun } });
      return circuit.solve();
    };
    const amps = (sun: number): number => -(under(sun, 1).parts['G'].amps['plus'] ?? NaN);
    expect(amps(1000)).toBeCloseTo(0.6, 2);
    expect(amps(300)).toBeCloseTo(0.18, 2);
    const open = under(1000, 100e3);
    expect(volts(open, 'G.plus')).toBeGreaterThan(13.6);
    expect(volts(open, 'G.plus')).toBeLessThan(14.2);
  });

  it('fuse: a short melts it at I²t, its rated current never', () => {
    const blow = (ohms: number): number | undefined => {
      const result = run(
        [
          'adapter G ohms=0.001 maxAmps=30',
          'fuse F amps=1 melting=0.5',
          `resistor L ohms=${ohms}`,
          'loop-contact S closedAtRest=0 bounce=0 ohms=0.001',
        ],
        'G.plus F.a; F.b S.a; S.b L.a; L.b G.minus',
        20,
        [pulse('S', 'gap', 1)],
      );
      return crossings(result.times, result.nets['L.a–S.b'], 1, false)[0];
    };
    const amps = 12 / (1 + 0.1 + 0.002);
    // θ' = (I² − Ic²·θ)/M reaches 1 after −M/Ic²·ln(1 − Ic²/I²).
    const expected = (-0.5 / 1.35 ** 2) * Math.log(1 - (1.35 / amps) ** 2);
    expect((blow(1) ?? NaN) - 1).toBeCloseTo(expected, 5);
    expect(blow(12)).toBeUndefined();
  });

  it('cable: 24 AWG copper is 84.2 Ω/km (ASTM B258, IEC 60028)', () => {
    const area = Math.PI * (0.511e-3 / 2) ** 2;
    const circuit = new Circuit(
      sketch(
        ['adapter G ohms=0.001', `cable W length=500 area=${area}`, 'resistor L ohms=1000'],
        ['G.plus W.a1', 'G.minus W.b1', 'W.a2 L.a', 'W.b2 L.b'],
      ),
    );
    circuit.setTemperature(20);
    const s = circuit.solve();
    const ohms = (volts(s, 'G.plus') - volts(s, 'L.a')) / (s.parts['L'].amps['a'] ?? NaN);
    expect(ohms / 0.5).toBeCloseTo(84.1, 0);
  });
});

describe('what fires', () => {
  it('a cold lamp draws about ten times its working current (common practice)', () => {
    const result = run(
      [
        'adapter G ohms=0.001 maxAmps=30',
        'filament-lamp H',
        'loop-contact S closedAtRest=0 bounce=0',
      ],
      'G.plus S.a; S.b H.a; H.b G.minus',
      2,
      [pulse('S', 'gap', 0.1)],
    );
    const hot = 5 / 12;
    expect(peak(result, 'H').amps / hot).toBeGreaterThan(9);
    expect(peak(result, 'H').amps / hot).toBeLessThan(14);
    const end = solve(['adapter G ohms=0.001', 'filament-lamp H'], 'G.plus H.a; H.b G.minus');
    expect(end.parts['H'].amps['a']).toBeCloseTo(hot, 3);
  });

  it('a pump starts at its stall current, runs at its rated one, and burns it all when jammed', () => {
    const wires = 'G.plus M.plus; M.minus G.minus';
    expect(
      peak(dead(['adapter G ohms=0.001 maxAmps=30', 'pump-12v M'], wires, 1), 'M').amps,
    ).toBeGreaterThan(1.8);
    expect(
      solve(['adapter G ohms=0.001', 'pump-12v M'], wires).parts['M'].amps['plus'],
    ).toBeCloseTo(0.35, 2);
    expect(
      solve(['adapter G ohms=0.001 maxAmps=2', 'pump-12v M stalled=1'], wires).parts['M'].amps[
        'plus'
      ],
    ).toBeCloseTo(2, 2);
  });

  const relay = (clamp: string[], wires: string) => {
    const result = run(
      [
        'adapter G ohms=0.001',
        'relay-12v K bounce=0',
        'loop-contact S closedAtRest=0 bounce=0 ohms=0.001',
        ...clamp,
      ],
      `G.plus S.a; S.b K.plus; K.minus G.minus${wires}`,
      0.3,
      [pulse('S', 'gap', 0.01, 0.15)],
    );
    return result.acting.map((a) => a.t);
  };

  it('a relay pulls in after −L/R·ln(1 − Ip/I) and its travel; a diode delays the release by L/R·ln(I/Id)', () => {
    const [pulled, released] = relay(['rectifier-diode D'], '; D.k K.plus; D.a K.minus');
    expect(pulled - 0.01).toBeCloseTo(-1e-3 * Math.log(1 - 8.4 / 12) + 6e-3, 4);
    // L·di/dt = −R·i − Vd: i falls from I to Id against the diode's 0.7 V.
    const decay = 1e-3 * Math.log((12 / 400 + 0.7 / 400) / (1.8 / 400 + 0.7 / 400));
    expect(released - 0.15).toBeCloseTo(decay + 3e-3, 3);
  });

  it('a zener in the clamp releases it sooner than a diode alone', () => {
    const [, slow] = relay(['rectifier-diode D'], '; D.k K.plus; D.a K.minus');
    const [, fast] = relay(
      ['rectifier-diode D', 'zener-diode Z volts=24'],
      '; D.k Z.k; Z.a K.plus; D.a K.minus',
    );
    expect(fast).toBeLessThan(slow - 1e-3);
  });

  it('a latching relay keeps its place without current and goes back on a reversed pulse', () => {
    const result = run(
      [
        'adapter G volts=5',
        'adapter V volts=5',
        'latching-relay K',
        'push-button S bounce=0',
        'push-button T bounce=0',
      ],
      'G.minus V.plus; V.minus K.minus; K.minus G.minus'.replace(
        'V.minus K.minus; K.minus G.minus',
        'G.minus K.minus',
      ) + '; G.plus S.a; S.b K.plus; V.minus T.a; T.b K.plus',
      0.5,
      [pulse('S', 'force', 0.05, 0.1), pulse('T', 'force', 0.3, 0.35)],
    );
    expect(result.acting.map((a) => a.active)).toEqual([true, false]);
    expect(result.acting[1].t).toBeGreaterThan(0.3);
  });

  it('contacts bounce: the number of makes is what the model says, within its time', () => {
    const result = run(
      ['adapter G volts=5', 'push-button S', 'resistor R'],
      'G.plus S.a; S.b R.a; R.b G.minus',
      0.05,
      [pulse('S', 'force', 0.01)],
    );
    const makes = crossings(result.times, result.nets['R.a–S.b'], 2.5);
    expect(makes).toHaveLength(5);
    expect(makes[4] - makes[0]).toBeLessThan(3.001e-3);
  });

  it('a reed closes nearer than it opens', () => {
    const circuit = new Circuit(
      sketch(
        ['adapter G', 'reed-contact S', 'resistor R'],
        ['G.plus S.a', 'S.b R.a', 'R.b G.minus'],
      ),
    );
    const closed = (field: number): boolean => {
      circuit.setState('S', { stimulus: { field } });
      return (voltsAt(circuit.solve(), 'R.a') ?? 0) > 6;
    };
    expect([0, 2e-3, 3e-3, 2e-3, 1e-3].map(closed)).toEqual([false, false, true, true, false]);
  });

  it('a half-bridge pulls up and down by its input, and a level shifter keeps 5 V off a 3.3 V line', () => {
    const bridge = (volts_: number): number =>
      volts(
        solve(
          ['adapter G', `adapter V volts=${volts_}`, 'half-bridge U', 'resistor L ohms=1000'],
          'G.plus U.vm; G.minus U.gnd; V.minus G.minus; V.plus U.in; U.out L.a; L.b G.minus',
        ),
        'U.out',
      );
    expect(bridge(5)).toBeCloseTo(12, 1);
    expect(bridge(1)).toBeCloseTo(0, 1);
    const shifted = solve(
      ['adapter H volts=5', 'adapter L volts=3.3', 'level-shifter U', 'resistor R ohms=1000000'],
      'H.minus L.minus; H.plus U.hv; L.plus U.lv; U.high R.a; R.b H.minus',
    );
    expect(volts(shifted, 'U.high')).toBeGreaterThan(4.9);
    expect(shifted.parts['U'].volts['low']).toBeLessThan(3.4);
  });

  it('a piezo disc takes most current at its resonance (Butterworth and Van Dyke)', () => {
    const swing = (hertz: number): number => {
      const { elements, params } = kindOf({ kind: 'piezo-buzzer' });
      const values = Object.fromEntries(params.map((p) => [p.id, p.default]));
      const state = { stimulus: restStimulus, celsius: 25, pins: {}, wired: () => true };
      const sine = { shape: 'sine', mean: 0, amplitude: 5, hertz } as const;
      const network = wire(
        { type: 'voltage-source', plus: 'in', minus: '0', volts: 0, wave: sine },
        r('in', 'a', 10e3),
        r('b', '0', 1e-3),
        ...elements(values, state),
      );
      const { times, volts: course } = record(network, 0.02, ['a'], { from: 'dead' });
      return Math.max(...course['a'].filter((_, i) => times[i] > 0.015));
    };
    expect(swing(4000) / swing(3000)).toBeLessThan(0.6);
    expect(swing(4000) / swing(4600)).toBeLessThan(0.6);
  });

  it('an audio player drives its speaker with its amplitude while its trigger is low, and not at all else', () => {
    const parts = ['adapter G volts=5 ohms=0.01', 'audio-player P level=2', 'resistor S ohms=7.5'];
    const wires = 'G.plus P.VCC; G.minus P.GND; P.sp S.a; P.sm S.b';
    const loudest = (more: string): number => {
      const { nets } = run(parts, `${wires}${more}`, 0.1);
      const swings = nets['P.sp'].map((v, i) => Math.abs(v - nets['P.sm'][i]));
      return Math.max(...swings);
    };
    // 2 V behind half an ohm, at 7.5 Ω.
    expect(loudest('; P.PLAY G.minus')).toBeCloseTo((2 * 7.5) / 8, 1);
    expect(loudest('')).toBeLessThan(1e-3);
  });

  it('smoke enters a chamber within its lag: 1 − 1/e of it in one time constant', () => {
    const smoke = (t: number): Drive => ({
      part: 'B',
      of: { stimulus: 'smoke' },
      times: [0, 1, 1, t],
      values: [0, 0, 1, 1],
    });
    const parts = [
      'adapter G volts=5 ohms=0.01',
      'smoke-chamber B lag=8',
      'resistor A ohms=33',
      'resistor L ohms=100000',
    ];
    const wires = 'G.plus A.a; A.b B.a; B.k G.minus; G.plus B.pk; B.pa L.a; L.b G.minus';
    const { times, nets } = run(parts, wires, 80, [smoke(80)]);
    const at = (t: number): number => nets['B.pa'][times.findIndex((time) => time >= t)];
    const [first, last] = [at(0), at(79.9)];
    expect(last).toBeGreaterThan(3 * first);
    expect((at(9) - first) / (last - first)).toBeCloseTo(-Math.expm1(-1), 1);
  });
});
