import type { Design } from '../design/index.js';
import { gatherEvidence, rules } from './index.js';
import { brief, channel, onBoard, output, pins, placed } from '../testing/small.js';
import { complaints, expectRule, type RuleCase } from '../testing/rule-cases.js';

/** A lamp that a button lights. */
const lamp = 'adapter G, filament-lamp H, push-button T';
const lit = 'G.plus T.a, T.b H.a, G.minus H.b';
/** A lamp in the place of what reads a sensor. */
const told = 'led J, resistor RJ ohms=330';

/** 8 Ω at 12 V, without its wires. */
const heavy = brief('adapter G maxAmps=2, resistor R ohms=8 watts=50', '');
const fused = (amps: string): Design =>
  brief(
    `lead-battery G, resistor R ohms=20 watts=20, fuse F${amps}`,
    'G.plus F.a, F.b R.a, R.b G.minus',
  );
/** A timer as a threshold: its lamp is lit while the button is held. */
const timer = (parts: string, wires: string): Design =>
  brief(
    `adapter G volts=5, timer-555 U, ${told}, resistor A, push-button T${parts}`,
    `G.plus U.vcc, G.minus U.gnd, U.trig U.thr, A.a U.vcc, A.b U.trig, T.a U.trig, T.b U.gnd, U.reset U.vcc, U.out RJ.a, RJ.b J.a, J.k U.gnd${wires}`,
  );
/** A digital input between two resistors, which a button pulls up. */
const halved = (ohms: number): Design =>
  onBoard(
    `resistor R ohms=${ohms}, resistor S, push-button T`,
    'U.5V R.a, R.b U.D2, U.D2 S.a, S.b U.GND, T.a U.5V, T.b U.D2',
    { ...channel('U.D2', { threshold: 50, hysteresis: 1 }), ...pins('U.D2 input') },
  );
/** A pin that is low while a button is pressed. */
const level = channel('U.D2', { trips: 'below', threshold: 50, hysteresis: 1 });

/** Grounds, supplies, wires and fuses. */
const cases: RuleCase[] = [
  ['ground-missing', brief('resistor R, resistor S', 'R.a S.a, R.b S.b'), brief(lamp, lit)],
  [
    'ground-split',
    brief(
      `${lamp}, adapter G2 volts=5, hall-switch B, ${told}`,
      `${lit}, G2.plus B.VCC, G2.minus B.GND, B.VCC RJ.a, RJ.b J.a, J.k B.OUT`,
    ),
    brief(
      `${lamp}, adapter G2 volts=5, hall-switch B, ${told}`,
      `${lit}, G2.plus B.VCC, G2.minus B.GND, B.VCC RJ.a, RJ.b J.a, J.k B.OUT, G.minus G2.minus`,
    ),
  ],
  [
    'net-floating',
    brief(`${lamp}, resistor R, resistor S`, `${lit}, R.a S.a, R.b S.b`),
    brief(lamp, lit),
  ],
  ['part-unconnected', brief(`${lamp}, resistor R`, lit), brief(lamp, lit)],
  [
    'never-rests',
    brief(
      'adapter G volts=5, schmitt-inverter U, resistor R, resistor L',
      'G.plus U.vcc, G.minus U.gnd, U.out R.a, R.b U.in, U.out L.a, L.b U.gnd',
    ),
    brief(
      'adapter G volts=5, schmitt-inverter U, resistor R, resistor L',
      'G.plus U.vcc, G.minus U.gnd, U.vcc R.a, R.b U.in, U.out L.a, L.b U.gnd',
    ),
  ],
  [
    'terminal-open',
    brief('adapter G, resistor R, led H, push-button T', 'G.plus T.a, T.b R.a, R.b H.a'),
    brief(
      'adapter G, resistor R, led H, push-button T',
      'G.plus T.a, T.b R.a, R.b H.a, H.k G.minus',
    ),
  ],
  [
    'part-unpowered',
    onBoard('hall-switch B, resistor R', 'B.GND U.GND, B.OUT U.D2, R.a U.5V, R.b B.OUT'),
    onBoard(
      'hall-switch B, resistor R',
      'B.GND U.GND, B.VCC U.5V, B.OUT U.D2, R.a U.5V, R.b B.OUT',
    ),
  ],
  [
    'supply-low',
    brief(
      `adapter G volts=3.3, adapter G5 volts=5, pyroelectric-module B, ${told}`,
      'G.plus B.VCC, G.minus B.GND, G.minus G5.minus, B.OUT RJ.a, RJ.b J.a, J.k B.GND',
    ),
    brief(
      `adapter G volts=5, pyroelectric-module B, ${told}`,
      'G.plus B.VCC, G.minus B.GND, B.OUT RJ.a, RJ.b J.a, J.k B.GND',
    ),
  ],
  [
    'heater-weak',
    brief(
      `adapter G volts=4.5, adapter G5 volts=5.1, gas-module-combustible B, ${told}`,
      'G.plus B.VCC, G.minus B.GND, G.minus G5.minus, G.plus RJ.a, RJ.b J.a, J.k B.DO',
    ),
    // A plain 5 V adapter may be too low by its tolerance; a regulator is not.
    brief(
      `adapter G volts=9 maxAmps=2, linear-regulator Z, gas-module-combustible B, ${told}`,
      'G.plus Z.in, Z.gnd G.minus, Z.out B.VCC, G.minus B.GND, Z.out RJ.a, RJ.b J.a, J.k B.DO',
      { notes: 'Not a certified alarm.' },
    ),
  ],
  [
    'supply-high',
    brief(
      `adapter G volts=9, linear-regulator Z, touch-module S, ${told}`,
      'G.plus Z.in, G.minus Z.gnd, G.plus S.VCC, G.minus S.GND, S.OUT RJ.a, RJ.b J.a, J.k S.GND',
    ),
    brief(
      `adapter G volts=9, linear-regulator Z, touch-module S, ${told}`,
      'G.plus Z.in, G.minus Z.gnd, Z.out S.VCC, G.minus S.GND, S.OUT RJ.a, RJ.b J.a, J.k S.GND',
    ),
  ],
  [
    'supply-reversed',
    brief(
      `adapter G volts=5, touch-module S, ${told}`,
      'G.plus S.GND, G.minus S.VCC, S.OUT RJ.a, RJ.b J.a, J.k G.minus',
    ),
    brief(
      `adapter G volts=5, touch-module S, ${told}`,
      'G.plus S.VCC, G.minus S.GND, S.OUT RJ.a, RJ.b J.a, J.k G.minus',
    ),
  ],
  [
    'supplies-joined',
    brief(
      'adapter G, adapter G2, resistor R ohms=100 watts=5',
      'G.plus R.a, G2.plus R.a, R.b G.minus, G2.minus G.minus',
    ),
    brief(
      'adapter G, adapter G2, schottky-diode D, schottky-diode E, resistor R ohms=100 watts=5',
      'G.plus D.a, G2.plus E.a, D.k R.a, E.k R.a, R.b G.minus, G2.minus G.minus',
    ),
  ],
  [
    'regulator-drops-out',
    brief(
      'adapter G volts=6, linear-regulator Z, resistor R ohms=100 watts=1',
      'G.plus Z.in, G.minus Z.gnd, Z.out R.a, R.b Z.gnd',
    ),
    brief(
      'adapter G volts=9, linear-regulator Z, resistor R ohms=100 watts=1',
      'G.plus Z.in, G.minus Z.gnd, Z.out R.a, R.b Z.gnd',
    ),
  ],
  [
    'supply-overloaded',
    brief('adapter G maxAmps=0.3, resistor R ohms=24 watts=10', 'G.plus R.a, R.b G.minus'),
    brief('adapter G, resistor R ohms=24 watts=10', 'G.plus R.a, R.b G.minus'),
  ],
  [
    'supply-shorted',
    brief('adapter G, resistor R ohms=0.1', 'G.plus R.a, R.b G.minus'),
    brief('adapter G, resistor R ohms=100 watts=5', 'G.plus R.a, R.b G.minus'),
  ],
  [
    'wire-thin',
    {
      ...heavy,
      wires: [
        { id: 'w0', from: 'G.plus', to: 'R.a', gauge: 0.14e-6 },
        { id: 'w1', from: 'G.minus', to: 'R.b' },
      ],
    },
    {
      ...heavy,
      wires: [
        { id: 'w0', from: 'G.plus', to: 'R.a', gauge: 0.75e-6 },
        { id: 'w1', from: 'G.minus', to: 'R.b' },
      ],
    },
  ],
  [
    'wire-drop',
    {
      ...heavy,
      wires: [
        { id: 'w0', from: 'G.plus', to: 'R.a', length: 20, gauge: 0.5e-6 },
        { id: 'w1', from: 'G.minus', to: 'R.b' },
      ],
    },
    {
      ...heavy,
      wires: [
        { id: 'w0', from: 'G.plus', to: 'R.a', length: 1, gauge: 0.75e-6 },
        { id: 'w1', from: 'G.minus', to: 'R.b' },
      ],
    },
  ],
  ['wire-shared', shared(true), shared(false)],
  [
    'fuse-missing',
    brief('lead-battery G, resistor R ohms=20 watts=20', 'G.plus R.a, R.b G.minus'),
    fused(''),
  ],
  ['fuse-melts', fused(' amps=0.1'), fused('')],
  ['fuse-too-small', fused(' amps=0.55'), fused('')],
  ['fuse-too-large', fused(' amps=10'), fused('')],
  ['decoupling-missing', timer('', ''), timer(', capacitor C', ', C.a U.vcc, C.b U.gnd')],
  [
    'bulk-missing',
    brief(
      'adapter G volts=5, servo M, push-button T',
      'G.plus T.a, T.b M.VCC, G.minus M.GND, M.SIG M.VCC',
    ),
    brief(
      'adapter G volts=5, servo M, push-button T, electrolytic-capacitor C farads=0.001',
      'G.plus T.a, T.b M.VCC, G.minus M.GND, M.SIG M.VCC, C.plus M.VCC, C.minus M.GND',
    ),
  ],
  [
    'pin-overvoltage',
    brief(
      'adapter G volts=5, radio-board-3v3 U, ultrasonic-ranger B',
      'G.plus U.VIN, G.minus U.GND, B.VCC U.VIN, B.GND U.GND, B.ECHO U.P2',
      pins('U.P2 input'),
    ),
    brief(
      'adapter G volts=5, radio-board-3v3 U, pyroelectric-module B',
      'G.plus U.VIN, G.minus U.GND, B.VCC U.VIN, B.GND U.GND, B.OUT U.P2',
      pins('U.P2 input'),
    ),
  ],
  [
    'pin-below-ground',
    onBoard(
      'adapter N volts=5, resistor R ohms=1000',
      'N.plus U.GND, N.minus R.a, R.b U.A0',
      pins('U.A0 analogue'),
    ),
    onBoard('resistor R ohms=1000', 'R.a U.5V, R.b U.A0', pins('U.A0 analogue')),
  ],
  ['input-undecided', halved(10e3), halved(1e6)],
  [
    'input-floating',
    onBoard('push-button S', 'S.a U.D2, S.b U.GND', { ...level, ...pins('U.D2 input') }),
    onBoard('push-button S', 'S.a U.D2, S.b U.GND', { ...level, ...pins('U.D2 pull-up') }),
  ],
  [
    'gate-floating',
    onBoard(
      'logic-mosfet Q, led H, resistor R ohms=330',
      'U.5V R.a, R.b H.a, H.k Q.d, Q.s U.GND, Q.g U.D8',
      output('U.D8'),
    ),
    onBoard(
      'logic-mosfet Q, led H, resistor R ohms=330, resistor P ohms=100000',
      'U.5V R.a, R.b H.a, H.k Q.d, Q.s U.GND, Q.g U.D8, P.a Q.g, P.b Q.s',
      output('U.D8'),
    ),
  ],
  [
    'pull-up-missing',
    onBoard('hall-switch B', 'B.VCC U.5V, B.GND U.GND, B.OUT U.D2', pins('U.D2 input')),
    onBoard(
      'hall-switch B, resistor R',
      'B.VCC U.5V, B.GND U.GND, B.OUT U.D2, R.a U.5V, R.b B.OUT',
      pins('U.D2 input'),
    ),
  ],
  [
    'outputs-fight',
    onBoard(
      'schmitt-inverter V',
      'V.vcc U.5V, V.gnd U.GND, V.in U.GND, V.out U.D8',
      output('U.D8'),
    ),
    onBoard(
      'schmitt-inverter V',
      'V.vcc U.5V, V.gnd U.GND, V.in U.GND, V.out U.D8',
      pins('U.D8 input'),
    ),
  ],
  [
    'pin-overcurrent',
    onBoard('active-buzzer P amps=0.05', 'P.plus U.D8, P.minus U.GND', output('U.D8')),
    onBoard('active-buzzer P amps=0.01', 'P.plus U.D8, P.minus U.GND', output('U.D8')),
  ],
  [
    'pins-overcurrent',
    onBoard(
      'resistor R1 ohms=20, resistor R2 ohms=20, resistor R3 ohms=20',
      'R1.a U.D8, R2.a U.D9, R3.a U.D10, R1.b U.GND, R2.b U.GND, R3.b U.GND',
      {
        ...output('U.D8'),
        ...pins('U.D8 output', 'U.D9 output', 'U.D10 output'),
        outputs: ['U.D8', 'U.D9', 'U.D10'].map((pin, i) => ({
          id: `o${i}`,
          name: pin,
          pin,
          active: 'low' as const,
        })),
      },
    ),
    onBoard('resistor R1 ohms=330, led H', 'R1.a U.D8, R1.b H.a, H.k U.GND', output('U.D8')),
  ],
  [
    'output-without-effect',
    onBoard('led H', '', output('U.D8')),
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
  ],
  [
    'output-without-effect',
    onBoard('photoresistor B, resistor R', 'U.D4 B.a, B.b R.a, R.b U.GND', output('U.D4')),
    onBoard('photoresistor B, resistor R', 'U.D4 B.a, B.b R.a, R.b U.GND', {
      ...pins('U.D4 output'),
      outputs: [{ id: 'o1', name: 'Sensor power', pin: 'U.D4', active: 'high', feeds: true }],
    }),
  ],
  [
    'output-inverted',
    onBoard('relay-board-1 K', 'K.VCC U.5V, K.GND U.GND, K.IN1 U.D8', output('U.D8', 'high')),
    onBoard('relay-board-1 K', 'K.VCC U.5V, K.GND U.GND, K.IN1 U.D8', output('U.D8', 'low')),
  ],
];

/** A lamp's return current shares a long thin ground wire with a sensor's, or has its own. */
function shared(long: boolean) {
  const base = brief(
    'adapter G volts=9, controller-5v-8bit U, photoresistor B, resistor R, filament-lamp H volts=9, logic-mosfet Q, resistor P ohms=100000',
    '',
    { ...channel('U.A0', { trips: 'below', threshold: 300 }), ...output('U.D8') },
  );
  const wire = (from: string, to: string, length?: number) => ({
    id: `${from}-${to}`.replace(/\./g, ''),
    from,
    to,
    length,
  });
  return placed({
    ...base,
    ...pins('U.A0 analogue', 'U.D8 output'),
    wires: [
      wire('G.plus', 'U.VIN'),
      wire('G.minus', 'U.GND'),
      wire('U.5V', 'R.a'),
      wire('R.b', 'U.A0'),
      wire('R.b', 'B.a'),
      wire('U.GND', 'B.b', long ? 8 : undefined),
      wire('G.plus', 'H.a'),
      wire('H.b', 'Q.d'),
      wire('Q.g', 'U.D8'),
      wire('P.a', 'Q.g'),
      wire('P.b', 'Q.s'),
      wire(long ? 'B.b' : 'G.minus', 'Q.s'),
    ],
  });
}

it.each(cases)('%s finds its fault, spares the sound design, and its fix cures it', (...row) => {
  expectRule(row);
});

it.each([
  ['sources-fight', 'source-loop'],
  ['no-steady-state', 'unsolvable'],
] as const)('%s says what the solver found', (code, kind) => {
  const sound = gatherEvidence(brief(lamp, lit), undefined);
  const problem = { kind, message: 'This.', cure: 'That.', parts: ['G'], nets: [] };
  const solution = { ...sound.rest.solution, problems: [problem] };
  const rule = rules.find((r) => r.code === code);
  expect(rule?.find(sound)).toEqual([]);
  expect(rule?.find({ ...sound, rest: { ...sound.rest, solution } })).toMatchObject([
    { reason: 'This. That.', about: ['G'] },
  ]);
});

it('a strong signal above the supply of a pin is found where it is solved, too', () => {
  const strong = (volts: number) =>
    brief(
      `adapter G volts=5, radio-board-3v3 U, adapter V volts=${volts}, schmitt-inverter N`,
      'G.plus U.VIN, G.minus U.GND, V.plus N.vcc, V.minus N.gnd, N.gnd U.GND, N.in N.gnd, N.out U.P2',
      pins('U.P2 input'),
    );
  expectRule(['pin-overvoltage', strong(5), strong(3.3)]);
});

it('a trimmer whose wiper and end are exchanged shorts its supply at an end of its way', () => {
  const set = (wires: string) =>
    onBoard('trimmer K', `${wires}, K.b U.GND`, channel('U.A0', { threshold: 700 }));
  expectRule(['turned-too-far', set('U.5V K.w, K.a U.A0'), set('U.5V K.a, K.w U.A0')]);
  // Another part that burns as it stands does not hide it.
  const burning = onBoard(
    'trimmer K, resistor R ohms=100',
    'U.5V K.w, K.a U.A0, K.b U.GND, G.plus R.a, R.b G.minus',
    channel('U.A0', { threshold: 700 }),
  );
  expect(complaints(burning, 'turned-too-far').map((f) => f.about[0])).toEqual(['K']);
});

it('a button that shorts a supply while it is pressed is found', () => {
  const pressed = (ohms: string): Design =>
    brief(
      `adapter G, push-button S, resistor R ohms=${ohms} watts=5`,
      'G.plus S.a, S.b R.a, R.b G.minus',
    );
  expect(complaints(pressed('0.1'), 'supply-shorted')).toHaveLength(1);
  expect(complaints(pressed('100'), 'supply-shorted')).toEqual([]);
});
