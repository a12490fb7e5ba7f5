import { applyEdit, type Design } from '../design/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { brief, channel, onBoard, output, pins } from '../testing/small.js';
import {
  Draft,
  potentials,
  swapEnds,
  usualColour,
  wireAmps,
  wireColours,
  wireOhms,
  wiringOf,
} from './index.js';

describe('a draft', () => {
  it('is one edit that makes what it showed, and leaves the design alone', () => {
    const design = slipwayBeam();
    const before = structuredClone(design);
    const draft = new Draft(design);
    const id = draft.between('resistor', 'Extra', { ohms: 330 }, 'U1.5V', 'U1.A1');
    draft.set(id, 'ohms', 470);
    expect(applyEdit(design, draft.edit('extra'))).toEqual(draft.design);
    expect(design).toEqual(before);
    expect(() => draft.add('flux-capacitor', 'X')).toThrow(/no part kind/);
  });

  it('joins once, and never an end with itself', () => {
    const draft = new Draft(onBoard('resistor R', ''));
    const wires = draft.design.wires.length;
    draft.join('R.a', 'U.A0').join('U.A0', 'R.a').join('R.a', 'R.a');
    expect(draft.design.wires).toHaveLength(wires + 1);
  });

  it('moves every wire of a terminal; one that would end where it starts goes', () => {
    const draft = new Draft(onBoard('resistor R, resistor S', 'R.a U.A0, S.a R.a, R.a R.b'));
    draft.rewire('R.a', 'R.b');
    const ends = draft.design.wires.slice(2).map((w) => [w.from, w.to]);
    expect(ends).toEqual([
      ['R.b', 'U.A0'],
      ['S.a', 'R.b'],
    ]);
  });

  it('exchanges pins with all that uses them', () => {
    const both = {
      ...channel('U.A0'),
      ...output('U.D8'),
      ...pins('U.A0 analogue', 'U.D8 output pwm'),
    };
    const design = onBoard('resistor R, resistor S', 'R.a U.A0, S.a U.D8', both);
    const moved = new Draft(design).movePins(
      new Map([
        ['U.A0', 'U.D8'],
        ['U.D8', 'U.A0'],
      ]),
    ).design;
    expect(moved.wires.slice(2).map((w) => w.to)).toEqual(['U.D8', 'U.A0']);
    expect(moved.controller.pins).toEqual([
      { pin: 'U.D8', mode: 'analogue' },
      { pin: 'U.A0', mode: 'output', skill: 'pwm' },
    ]);
    expect([moved.channels[0].pin, moved.outputs[0].pin]).toEqual(['U.D8', 'U.A0']);
  });

  it('exchanges two terminals, also where a wire joins them', () => {
    const draft = new Draft(brief('led H, resistor R, adapter G', 'R.b H.k, H.a G.minus, H.a H.k'));
    swapEnds(draft, 'H.a', 'H.k');
    expect(draft.design.wires.map((w) => [w.from, w.to])).toEqual([
      ['R.b', 'H.a'],
      ['H.k', 'G.minus'],
      ['H.k', 'H.a'],
    ]);
  });
});

describe('copper', () => {
  it('of a wire: ρ·l/A at 25 °C, nothing without a length, 6 A/mm²', () => {
    const wire = { id: 'w', from: 'A.a', to: 'B.a', length: 10, gauge: 1e-6 };
    // 17.24 nΩm at 20 °C and 0.393 %/K (IEC 60028).
    expect(wireOhms(wire)).toBeCloseTo((17.241e-9 * 1.01965 * 10) / 1e-6, 5);
    expect(wireOhms({ ...wire, length: undefined })).toBe(0);
    expect(wireAmps(wire)).toBeCloseTo(6, 9);
    expect(wireAmps({ ...wire, gauge: undefined })).toBeUndefined();
  });

  it('lets the volts fall from wire to wire along a net', () => {
    const ends = ['A.a', 'B.a', 'C.a'];
    const wires = [
      { id: 'w1', from: 'A.a', to: 'B.a', length: 1, gauge: 1e-6 },
      { id: 'w2', from: 'C.a', to: 'B.a', length: 2, gauge: 1e-6 },
    ];
    const net = { id: 'A.a', terminals: ends, wires, name: 'N', nature: 'signal' } as const;
    const at = potentials({ ...net, terminals: [...ends], wires: [...wires] }, { w1: 2, w2: -1 });
    const perMetre = wireOhms(wires[0]);
    expect(at.get('B.a')).toBeCloseTo(-2 * perMetre, 9);
    // One ampere flows on from B to C, over twice the length.
    expect(at.get('C.a')).toBeCloseTo(-4 * perMetre, 9);
  });
});

describe('colours', () => {
  it('are all used before one comes again', () => {
    let design: Design = onBoard('keypad S', '');
    const signals = ['R1', 'R2', 'R3', 'R4', 'C1', 'C2', 'C3', 'C4'];
    const used = signals.map((t, i) => {
      const [from, to] = [`S.${t}`, `U.D${i + 2}`];
      const colour = usualColour(design, from, to);
      design = new Draft(design).join(from, to, { colour }).design;
      return colour;
    });
    expect(new Set(used).size).toBe(signals.length);
    expect(used.every((c) => wireColours.some((known) => known === c))).toBe(true);
  });
});

describe('who is joined to whom', () => {
  const wiring = wiringOf(onBoard('resistor R, hall-switch B', 'U.5V R.a, R.b B.OUT, B.GND U.GND'));
  it('finds ends, what lies between, and the far end', () => {
    expect(
      wiring
        .ends('R.b')
        .map((e) => e.ref)
        .sort(),
    ).toEqual(['B.OUT', 'R.b']);
    expect(wiring.between('U.5V', 'B.OUT').map((p) => p.id)).toEqual(['R']);
    expect(wiring.ends('R.b').map((e) => wiring.beyond(e))).toContain('R.a');
    expect(wiring.ground()).toMatch(/GND|minus/);
    expect([wiring.nature('R.a'), wiring.nature('B.GND'), wiring.nature('R.b')]).toEqual([
      'supply',
      'ground',
      'signal',
    ]);
    expect([wiring.wired('B.VCC'), wiring.same('B.GND', 'G.minus')]).toEqual([false, true]);
  });
  it('is worked out once for a design', () => {
    const design = slipwayBeam();
    expect(wiringOf(design)).toBe(wiringOf(design));
  });
});
