import { kindOf } from '../catalog/index.js';
import { sayVolts } from '../circuit/index.js';
import { applyEdit, type Design, type Edit } from '../design/index.js';
import { snapshot } from '../rehearsal/index.js';
import { demo, slipwayBeam } from '../testing/demo.js';
import { brief, channel, onBoard, pins } from '../testing/small.js';
import {
  branchOf,
  duplicateChannel,
  freePin,
  joinEdit,
  moveWireEnd,
  repeatedChannels,
  replacements,
  replacePart,
  sayWiring,
  splitWire,
  suppliesOf,
  usualColour,
  whyNotJoin,
  wiringOf,
} from './index.js';

const make = (design: Design, edit: Edit): Design => applyEdit(design, edit);
const bench = (): Design =>
  onBoard(
    'pyroelectric-module B1, led H1, resistor R1, npn-transistor Q1',
    'B1.VCC U.5V, B1.GND U.GND, R1.b H1.a',
  );

describe('joining', () => {
  const low = brief(
    'adapter G volts=5, radio-board-3v3 U, ultrasonic-ranger B',
    'G.plus U.VIN, G.minus U.GND, B.VCC U.VIN, B.GND U.GND',
  );
  /** A board that nothing feeds yet. */
  const atItsRail = (volts: number): Design =>
    brief(`adapter G volts=${volts}, adapter V volts=5, controller-5v-8bit U`, 'G.minus U.GND');
  it.each([
    ['U.5V', 'U.GND', bench(), /short the supply/],
    ['U.5V', 'B1.GND', bench(), /short the supply/],
    ['U.5V', 'G.plus', bench(), /Two supplies/],
    ['U.5V', 'G.plus', atItsRail(5), /^$/],
    ['U.5V', 'G.plus', atItsRail(9), /Two supplies/],
    ['V.plus', 'G.plus', atItsRail(5), /Two supplies/],
    ['R1.b', 'H1.a', bench(), /joined already/],
    ['R1.b', 'R1.b', bench(), /where the wire starts/],
    ['R1.b', 'R9.a', bench(), /no such terminal/],
    ['B.ECHO', 'U.P2', low, /reaches 5.V; U.P2 stands 3.3.V.*level shifter/],
    ['G.plus', 'U.P2', low, /reaches 5.V; U.P2 stands 3.3.V/],
    ['B.TRIG', 'U.P2', low, /^$/],
    ['B1.OUT', 'U.D2', bench(), /^$/],
  ])('%s to %s', (from, to, design, reason) => {
    expect(whyNotJoin(design, from, to)).toMatch(reason);
    if (whyNotJoin(design, from, to)) expect(() => joinEdit(design, from, to)).toThrow(reason);
    else expect(wiringOf(make(design, joinEdit(design, from, to))).same(from, to)).toBe(true);
  });

  it('takes red for supply, black for ground, and another colour for each signal', () => {
    const design = bench();
    expect(usualColour(design, 'U.5V', 'R1.a')).toBe('red');
    expect(usualColour(design, 'H1.k', 'B1.GND')).toBe('black');
    const first = make(design, joinEdit(design, 'B1.OUT', 'U.D2'));
    const [one, two] = [usualColour(design, 'B1.OUT', 'U.D2'), usualColour(first, 'R1.a', 'U.D8')];
    expect(one).not.toBe(two);
    expect([one, two]).not.toContain('red');
    // What joins a net that has a colour keeps to it.
    expect(usualColour(first, 'U.D2', 'Q1.b')).toBe(one);
  });

  it('knows every supply with its nominal voltage, behind its fuse', () => {
    const fused = brief('lead-battery G, fuse F', 'G.plus F.a, G.minus F.b');
    expect(suppliesOf(fused)).toEqual([{ ref: 'F.b', volts: 12 }]);
    expect(suppliesOf(bench())).toEqual([
      { ref: 'G.plus', volts: 9 },
      { ref: 'U.5V', volts: 5 },
    ]);
  });
});

describe('mains', () => {
  const bench = brief(
    'adapter G, relay-12v K, mains-appliance X, mains-appliance Y',
    'G.plus K.plus, G.minus K.minus, K.com X.a, K.no X.b',
  );

  it('is joined to the contacts of a relay and to nothing else', () => {
    expect(whyNotJoin(bench, 'X.b', 'Y.a')).toBe('');
    expect(whyNotJoin(bench, 'Y.a', 'K.nc')).toBe('');
    for (const end of ['G.plus', 'G.minus', 'K.plus'])
      expect(whyNotJoin(bench, end, 'X.a')).toMatch(/Mains ends at the contacts/);
  });

  it('is not computed, but whether its contact is closed is', () => {
    const { solution, acting } = snapshot(bench, undefined);
    const net = solution.nets.find((n) => n.terminals.includes('X.a'));
    expect([net?.name, net?.volts, sayVolts(net)]).toEqual(['mains at X.a', undefined, 'mains']);
    expect(solution.wires['w3']).toBeUndefined();
    expect(acting['X'].active).toBe(true);
    const open = { ...bench, wires: bench.wires.slice(1) };
    expect(snapshot(open, undefined).acting['X'].active).toBe(false);
  });
});

describe('changing wires', () => {
  it('moves an end, keeping colour and length, or refuses', () => {
    const wired = {
      ...bench(),
      wires: [{ id: 'w', from: 'B1.OUT', to: 'U.D2', colour: 'blue', length: 2 }],
    };
    const moved = make(wired, moveWireEnd(wired, 'w', 'to', 'U.D3'));
    expect(moved.wires).toEqual([
      { id: 'w', from: 'B1.OUT', to: 'U.D3', colour: 'blue', length: 2 },
    ]);
    expect(() => moveWireEnd(wired, 'w', 'to', 'B1.OUT')).toThrow(/starts/);
    expect(() => moveWireEnd(wired, 'x', 'to', 'U.D3')).toThrow(/no wire x/);
  });

  it('splits a wire with a resistor, half the length on either side', () => {
    const wired = { ...bench(), wires: [{ id: 'w', from: 'B1.OUT', to: 'U.D2', length: 2 }] };
    const split = make(wired, splitWire(wired, 'w', 'resistor', 'Series', { ohms: 1000 }));
    const [first, second] = split.wires;
    expect([first.from, first.to, second.from, second.to]).toEqual([
      'B1.OUT',
      'R2.a',
      'R2.b',
      'U.D2',
    ]);
    expect([first.length, second.length]).toEqual([1, 1]);
    expect(() => splitWire(wired, 'w', 'npn-transistor', 'Q')).toThrow(/two terminals/);
  });
});

describe('replacing a part', () => {
  it('keeps every wire at the terminal that means the same', () => {
    const design = slipwayBeam();
    const edit = replacePart(design, 'Q1', 'logic-mosfet');
    const changed = make(design, edit);
    const before = wiringOf(design);
    const after = wiringOf(changed);
    expect(kindOf(after.part('Q1') ?? { kind: '' }).kind).toBe('logic-mosfet');
    for (const [old, now] of [
      ['c', 'd'],
      ['b', 'g'],
      ['e', 's'],
    ]) {
      const others = before.ends(`Q1.${old}`).filter((e) => e.part.id !== 'Q1');
      for (const { ref } of others) expect(after.same(`Q1.${now}`, ref)).toBe(true);
    }
  });
  it('of a board keeps its channels, outputs and rules', () => {
    const design = onBoard('photoresistor B', 'B.a U.5V, B.b U.A0', channel('U.A0'));
    expect(() => replacePart(design, 'U', 'small-computer-3v3')).not.toThrow();
    const other = make(design, replacePart(design, 'U', 'radio-board-3v3'));
    expect(other.channels).toHaveLength(1);
    expect(other.channels[0].pin.startsWith('U.')).toBe(true);
  });
  it('offers only kinds on which no wire is lost', () => {
    const design = slipwayBeam();
    const names = (id: string): string[] =>
      replacements(design, design.parts.find((p) => p.id === id) ?? design.parts[0]).map(
        (k) => k.kind,
      );
    expect(names('Q1')).toEqual(expect.arrayContaining(['logic-mosfet', 'pnp-transistor']));
    expect(names('Q1')).not.toContain('relay-12v');
    expect(() => replacePart(design, 'Q1', 'rectifier-diode')).toThrow(/not a place/);
    expect(() => replacePart(design, 'X9', 'resistor')).toThrow(/no part X9/);
  });
});

describe('a branch through a board of relays', () => {
  const design = onBoard(
    'relay-board-2 K, led H, led J, resistor R ohms=330, resistor S ohms=330',
    `U.D4 K.IN1, U.D5 K.IN2, K.GND U.GND, K.VCC U.5V, K.COM1 U.5V, K.COM2 U.5V,
     K.NO1 R.a, R.b H.a, H.k U.GND, K.NC2 S.a, S.b J.a, J.k U.GND`,
  );
  it('leads from each input to its own contacts, and from these back to it', () => {
    expect(branchOf(design, 'U.D4')).toEqual(['K', 'H', 'R']);
    expect(branchOf(design, 'U.D5')).toEqual(['K', 'J', 'S']);
    expect(branchOf(design, 'H.a')).toEqual(['K', 'H', 'R']);
  });
});

describe('duplicating a channel', () => {
  it('copies sensor and conditioning to a free pin that can do the same', () => {
    const design = slipwayBeam();
    const branch = branchOf(design, design.channels[0].pin);
    const copy = make(design, duplicateChannel(design, design.channels[0].id));
    expect(copy.parts).toHaveLength(design.parts.length + branch.length);
    expect(copy.channels).toHaveLength(2);
    const pin = copy.channels[1].pin;
    expect(copy.controller.pins.find((p) => p.pin === pin)?.mode).toBe('analogue');
    expect(branchOf(copy, pin)).toHaveLength(branch.length);
    // The same kinds joined alike: as many ends on each rail.
    const rails = (d: Design, pinRef: string): number =>
      branchOf(d, pinRef).filter((id) =>
        ['a', 'b', 'c', 'e'].some((t) => wiringOf(d).nature(`${id}.${t}`) !== 'signal'),
      ).length;
    expect(rails(copy, pin)).toBe(rails(design, design.channels[0].pin));
  });
  it('says when no pin is left', () => {
    const all = [0, 1, 2, 3, 4, 5].map((n) => `U.A${n} analogue`);
    const full = onBoard('photoresistor B', 'B.a U.5V, B.b U.A0', {
      ...channel('U.A0'),
      ...pins(...all),
    });
    expect(() => duplicateChannel(full, 'c1')).toThrow(/No pin is free/);
    expect(() => duplicateChannel(full, 'c9')).toThrow(/no channel c9/);
  });
  it('leaves scarce skills for what needs them, and reserved pins alone', () => {
    const design = onBoard('', '');
    const [, board] = design.parts;
    expect(freePin(design, board, { mode: 'output' })).toBe('U.D4');
    expect(freePin(design, board, { mode: 'output', skill: 'pwm' })).toBe('U.D5');
    expect(freePin(design, board, { mode: 'input', skill: 'interrupt' })).toBe('U.D2');
    expect(freePin(design, board, { mode: 'input', skill: 'touch' })).toBeUndefined();
  });
});

describe('a wire in words', () => {
  it.each([
    ['OUT of B1 to D2', 'B1.OUT', 'U.D2'],
    ['out of PIR to d2', 'B1.OUT', 'U.D2'],
    ['wire PIR OUT to D2', 'B1.OUT', 'U.D2'],
    ['B1.OUT U.D2', 'B1.OUT', 'U.D2'],
    ['join base of Q1 and D8', 'Q1.b', 'U.D8'],
    ['connect cathode of LED to GND', 'H1.k', 'U.GND'],
    ['5 V to collector of Q1', 'U.5V', 'Q1.c'],
    ['emitter of transistor to ground', 'Q1.e', 'U.GND'],
  ])('%s', (text, from, to) => {
    expect(sayWiring(bench(), text)).toEqual({ ok: true, from, to });
  });
  it('can name a resistor in between', () => {
    expect(sayWiring(bench(), 'D8 to base of Q1 through 1k')).toEqual({
      ok: true,
      from: 'U.D8',
      to: 'Q1.b',
      through: 1000,
    });
  });
  it.each([
    ['OUT of B1', /two ends/],
    ['OUT of doorbell to D2', /No part is called “doorbell”/],
    ['gate of Q1 to D2', /has no “gate”; it has B, C, E/],
    ['wibble to D2', /Nothing here is called “wibble”/],
    ['D2 to D2', /Both ends/],
    ['', /two ends/],
  ])('%s is refused with the reason', (text, reason) => {
    const said = sayWiring(bench(), text);
    expect(said.ok ? '' : said.reason).toMatch(reason);
  });
  it('asks which when several fit', () => {
    const two = onBoard('led H1, led H2', '');
    const said = sayWiring(two, 'anode of led to D8');
    expect(said).toMatchObject({ ok: false });
    expect(said.ok ? '' : said.reason).toMatch(/H1.a, H2.a: say which/);
  });
  it('rebuilds a demo from words alone', () => {
    const design = demo('slipway-beam');
    const bare = { ...design, wires: [] };
    for (const { from, to } of design.wires) {
      const [[a, x], [b, y]] = [from, to].map((ref) => ref.split('.'));
      expect(sayWiring(bare, `${x} of ${a} to ${y} of ${b}`)).toEqual({ ok: true, from, to });
    }
  });
});

describe('repeated channels', () => {
  it('are found after copying, and no longer when one value differs', () => {
    const once = demo('varnish-bench-fire');
    const found = repeatedChannels(once);
    const copied = make(slipwayBeam(), duplicateChannel(slipwayBeam(), 'beam'));
    expect(repeatedChannels(slipwayBeam())).toEqual([]);
    expect(repeatedChannels(copied)).toHaveLength(1);
    const [{ parts, others }] = repeatedChannels(copied);
    expect(others).toHaveLength(1);
    expect(others[0].map((id) => copied.parts.find((p) => p.id === id)?.kind)).toEqual(
      parts.map((id) => copied.parts.find((p) => p.id === id)?.kind),
    );
    const other = make(copied, { type: 'set-param', id: 'R1', param: 'ohms', value: 4700 });
    expect(repeatedChannels(other)).toEqual([]);
    expect(found.map((r) => r.others.length)).toEqual([2]);
  });
});
