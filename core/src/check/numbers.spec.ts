import type { Design } from '../design/index.js';
import { complaints } from '../testing/rule-cases.js';
import { brief, channel, onBoard, output, pins } from '../testing/small.js';
import { gatherEvidence } from './index.js';
import { range } from './evidence.js';
import { across } from './lookup.js';

/** The numbers that findings name, against values worked by hand. */
const reason = (design: Design, code: string): string =>
  complaints(design, code)
    .map((f) => f.reason)
    .join(' ')
    .replace(/\u00a0/g, ' ');

const lamp = (watts: number, more: object): Design => ({
  ...brief(`adapter G volts=12 ohms=0.001 maxAmps=10, filament-lamp H watts=${watts}`, ''),
  wires: [
    { id: 'w0', from: 'G.plus', to: 'H.a', ...more },
    { id: 'w1', from: 'G.minus', to: 'H.b' },
  ],
});

describe('numbers in findings', () => {
  it('volts lost along a wire are I·ρ·l/A', () => {
    // 36 W at 12 V: 3 A. Copper, 17.58 nΩm at 25 °C (IEC 60028): 20 m of 0.5 mm² are 0.70 Ω, 2.1 V, 18 %.
    const text = reason(lamp(36, { length: 20, gauge: 0.5e-6 }), 'wire-drop');
    expect(text).toMatch(/3\.00 A at rest over 20 m: 18 % of 12\.0 V/);
  });

  it('a wire carries 6 A/mm²', () => {
    // 0.14 mm²: 0.84 A.
    expect(reason(lamp(36, { gauge: 0.14e-6 }), 'wire-thin')).toMatch(/3\.00 A.*good for 840 mA/);
  });

  it('a fuse lasts at three quarters of its rating, and the next size up is offered', () => {
    // 5 W at 12 V: 0.42 A with the battery's 12.6 V; 0.4 A lasts up to 0.3 A; 0.63 A lasts up to 0.47 A.
    const small = brief(
      'adapter G, filament-lamp H, fuse F amps=0.4',
      'G.plus F.a, F.b H.a, G.minus H.b',
    );
    const [found] = complaints(small, 'fuse-too-small');
    expect(found.reason.replace(/\u00a0/g, ' ')).toMatch(/rated 400 mA, it lasts up to 300 mA/);
    expect(found.fix?.label.replace(/\u00a0/g, ' ')).toBe('Take 630 mA');
  });

  it('an LED resistor is (V − Vf)/I with the next of E12', () => {
    // From a 5 V pin at 60 % of 20 mA: (5 − 1.9)/12 mA = 258 Ω, so 270 Ω.
    const [found] = complaints(
      onBoard('led H', 'U.D8 H.a, H.k U.GND', output('U.D8')),
      'led-without-resistor',
    );
    expect(found.fix?.label.replace(/\u00a0/g, ' ')).toBe('Put 270 Ω into the lead of H.a');
  });

  it('a coil stores ½·L·I²', () => {
    // 12 V over 400 Ω of copper, 392 Ω at the scene's 20 °C: 30.6 mA; ½ · 0.4 H · (30.6 mA)² = 187 µJ.
    const design = brief(
      'adapter G ohms=0.001, relay-12v K, toggle-switch S',
      'G.plus K.plus, K.minus S.a, S.b G.minus',
    );
    expect(reason(design, 'coil-without-diode')).toMatch(/30\.6 mA.*187 µJ are stored/);
  });

  it('of a sounder that nothing drives yet, the current it will take counts', () => {
    const design = onBoard(
      'npn-transistor Q, sounder-12v P amps=0.08, resistor R ohms=10e6',
      'G.plus P.plus, P.minus Q.c, Q.e U.GND, U.D8 R.a, R.b Q.b',
      output('U.D8'),
    );
    expect(reason(design, 'coil-without-diode')).toMatch(
      /^80\.0 mA will flow in it once it is driven/,
    );
  });

  it('forced gain is collector over base current', () => {
    // Sounder of 60 mA at 12 V: 200 Ω; at 9 V 45 mA less the transistor's drop. Base (5 − 0.75)/47 kΩ ≈ 90 µA.
    const design = onBoard(
      'npn-transistor Q gain=300, sounder-12v P, resistor R ohms=47000',
      'G.plus P.plus, P.minus Q.c, Q.e U.GND, U.D8 R.a, R.b Q.b',
      output('U.D8'),
    );
    const gain = Number(/forced gain (\d+)/.exec(reason(design, 'transistor-unsaturated'))?.[1]);
    expect(gain).toBeGreaterThan(200);
    expect(gain).toBeLessThan(310);
  });

  it('the inrush of a lamp follows from cold tungsten', () => {
    // (2500/293)^1.2 = 13.1 times 5 W/12 V · … with the relay's and supply's little resistance: 5.4 A.
    const design = brief(
      'adapter G maxAmps=10, relay-12v K maxAmps=2, filament-lamp H watts=5',
      'G.plus K.plus, K.minus G.minus, G.plus K.com, K.no H.a, H.b G.minus',
    );
    const amps = Number(/about ([\d.]+) A/.exec(reason(design, 'contact-inrush'))?.[1]);
    expect(amps / ((5 / 12) * (2500 / 293) ** 1.2)).toBeCloseTo(1, 1);
  });

  it('bulk capacitance is I·t/ΔV', () => {
    // A servo's current changes by 0.7 A − 8 mA: 1 ms at 0.5 V want 1.4 mF; 2.2 mF is sold.
    const design = brief('adapter G volts=5, servo M', 'G.plus M.VCC, G.minus M.GND');
    expect(reason(design, 'bulk-missing')).toMatch(/changes by 692 mA; that wants about 2\.2 mF/);
  });

  it('a reading from 500 kΩ is off by what the sampling capacitor lacks', () => {
    // 1023·e^(−t/RC) counts with the board's own sampling time and capacitor.
    const design = onBoard(
      'resistor A ohms=1e6, resistor B ohms=1e6',
      'U.5V A.a, A.b B.a, B.b U.GND, B.a U.A0',
      channel('U.A0'),
    );
    expect(reason(design, 'source-resistance-high')).toMatch(/^49\d kΩ are seen at U\.A0/);
  });

  it('a comparator without feedback has no width, and switches twice a period of hum', () => {
    // ±5 mV of hum on a signal of 0.1 V/s: 0.1 s within reach, 10 crossings at 50 Hz.
    const design = brief(
      'adapter G, comparator-393 U, resistor A, resistor B, resistor P, trimmer T',
      'G.plus U.vcc, G.minus U.gnd, G.plus A.a, A.b U.plus, A.b B.a, B.b G.minus, G.plus T.a, T.b G.minus, T.w U.minus, G.plus P.a, P.b U.out',
    );
    expect(reason(design, 'hysteresis-missing')).toMatch(/0 V wide.*about 10 times/);
  });

  it('a pulse is missed in 1 − d/T of cases', () => {
    // 0.5 s read every 2 s: a quarter is caught.
    const design = onBoard('push-button S', 'S.a U.D2, S.b U.GND', {
      ...channel('U.D2', { trips: 'below', threshold: 50, every: 2 }),
      ...pins('U.D2 pull-up'),
      scenes: [
        {
          id: 's',
          name: 'S',
          seed: 1,
          duration: 20,
          ambient: {},
          happenings: [
            {
              id: 'h',
              kind: 'finger-touches',
              name: 'Tap',
              intent: 'wanted',
              start: 1,
              params: { lasts: 0.5 },
              path: [{ x: 1, y: 1 }],
            },
          ],
        },
      ],
    });
    const placed = design.parts.map((p) =>
      p.id === 'S' ? { ...p, place: { x: 1, y: 1, facing: 0 } } : p,
    );
    expect(reason({ ...design, parts: placed }, 'pulse-missed')).toMatch(/missed in 75 % of cases/);
  });

  it('the chatter of a channel amid its hysteresis agrees with trying it', () => {
    // Normal noise of 0.7 counts by the Box–Muller transform, ±0.5 counts of hysteresis, two in a row.
    const design = onBoard(
      'resistor A, resistor B',
      'U.5V A.a, A.b B.a, B.b U.GND, B.a U.A0',
      channel('U.A0', { threshold: 600, hysteresis: 1, every: 0.01, hits: 2, misses: 2 }),
    );
    const said = Number(/about ([\d.]+) changes/.exec(reason(design, 'may-chatter'))?.[1]);
    let seed = 1;
    const random = (): number => {
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
      return (seed + 0.5) / 4294967296;
    };
    let [tripped, run, changes] = [false, 0, 0];
    const readings = 400_000;
    for (let i = 0; i < readings; i++) {
      const noise = 0.7 * Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
      const speaks = tripped ? noise < -0.5 : noise > 0.5;
      run = speaks ? run + 1 : 0;
      if (run < 2) continue;
      tripped = !tripped;
      run = 0;
      changes += 1;
    }
    expect(said / (changes / ((readings * 0.01) / 60))).toBeCloseTo(1, 1);
  });
});

describe('evidence', () => {
  it('the worst case of a divider is the sum of the changes by each tolerance', () => {
    // 12 V ± 5 % over two 10 kΩ ± 5 %: 6 V; 0.3 V by the supply and 0.15 V by each resistor, to first order.
    const evidence = gatherEvidence(
      brief('adapter G ohms=0.001, resistor A, resistor B', 'G.plus A.a, A.b B.a, B.b G.minus'),
      undefined,
    );
    const at = range(evidence.quiet, (s) => s.parts['B']?.volts['a']);
    expect(at.value).toBeCloseTo(6, 3);
    expect(at.high).toBeCloseTo(6 + 0.3 + 2 * 6 * (0.05 / 2.05), 1);
    expect(at.low).toBeCloseTo(12 - at.high, 5);
  });

  it('where a tolerance makes a comparator switch, what then is the case is one case, and adds to nothing', () => {
    // Inputs at 6.06 and 6 V: any of four resistors of 5 % turns the output over, which is at 0 or at the supply.
    const evidence = gatherEvidence(
      brief(
        'adapter G ohms=0.001, comparator-393 U, resistor A ohms=10000, resistor B ohms=10200, resistor C, resistor D, resistor L',
        `G.plus U.vcc, G.minus U.gnd, G.plus A.a, A.b B.a, B.b G.minus, A.b U.minus,
         G.plus C.a, C.b D.a, D.b G.minus, C.b U.plus, G.plus L.a, L.b U.out`,
      ),
      undefined,
    );
    const load = range(evidence.quiet, across(evidence.design.parts[6], 'a', 'b'));
    expect(load.value).toBeGreaterThan(11.5);
    expect(load.low).toBeGreaterThan(-0.01);
    expect(load.low).toBeLessThan(0.5);
    expect(load.high).toBeLessThan(12.7);
  });

  it('what is seen at a terminal is the parallel resistance, with every pin an input', () => {
    const evidence = gatherEvidence(
      onBoard(
        'resistor A ohms=3000, resistor B ohms=6000, resistor C ohms=1000',
        'U.5V A.a, A.b B.a, B.b U.GND, B.a U.A0, U.D8 C.a, C.b U.A0',
        output('U.D8'),
      ),
      undefined,
    );
    // 3 kΩ beside 6 kΩ; the pin at the other end of 1 kΩ drives nothing while it is an input.
    expect(evidence.seen('U.A0')).toBeGreaterThan(1990);
    expect(evidence.seen('U.A0')).toBeLessThan(2010);
  });

  it('looks at rest, fired, and in each happening, and says which', () => {
    const evidence = gatherEvidence(
      onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
      undefined,
    );
    expect([evidence.quiet.when, evidence.fired.when]).toEqual(['at rest', 'while firing']);
    expect([...evidence.quiet.acting, ...evidence.fired.acting]).toEqual(['H']);
  });
});
