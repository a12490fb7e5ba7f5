/** Where rules about what is driven begin to find something: limits by hand, from numbers on data sheets. */
import type { Design, Drive, Rule } from '../design/index.js';
import { holdEdges, withButton, type Edge } from '../testing/rule-edge.js';
import { brief, onBoard, output } from '../testing/small.js';

/** What an adapter of 12 V and 0.1 Ω drives through a resistance less itself, at the ends of both spreads of 5 %. */
const most = (ohms: number): number => (12 * (1 + 0.05 + 0.05)) / (ohms + 0.1);

/** A lead-acid battery of so many ohms with 1 kΩ at it. */
const stored = (ohms: number): Design =>
  brief(`lead-battery G ohms=${ohms} charge=1, resistor R ohms=1000`, 'G.plus R.a, R.b G.minus');

const fused = (amps: number, ohms: number, gauge?: number): Design => {
  const design = brief(
    `adapter G maxAmps=5, fuse F amps=${amps}, resistor R ohms=${ohms} watts=50`,
    'G.plus F.a, F.b R.a, R.b G.minus',
  );
  const wires = gauge === undefined ? [] : design.wires.map((w) => ({ ...w, gauge, length: 0.1 }));
  return gauge === undefined ? design : { ...design, wires };
};

/** A relay that a button pulls in, its contact with a load of its own. */
const relay = (values: string, load: string, volts = 12): Design =>
  withButton(
    brief(
      `adapter G volts=${volts} maxAmps=2, relay-12v K ${values}, rectifier-diode D, push-button S, ${load}`,
      'G.plus S.a, S.b K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, G.plus K.com, K.no X.a, X.b G.minus',
    ),
  );

/** The same with a resistance beside the button. */
const leaking = (ohms: number): Design => {
  const design = relay('', 'filament-lamp X');
  return {
    ...design,
    parts: [...design.parts, { id: 'L', kind: 'resistor', name: 'L', params: { ohms } }],
    wires: [
      ...design.wires,
      { id: 'l1', from: 'L.a', to: 'S.a' },
      { id: 'l2', from: 'L.b', to: 'S.b' },
    ],
  };
};

/** A thyristor that a button fires through a resistor, with a lamp of 1.15 mA and another load; a switch takes its power. */
const fired = (gate: number, load: number, values = '', hold = 1000): Design =>
  withButton(
    brief(
      `adapter G, thyristor Q ${values}, push-button S, toggle-switch E position=1, resistor R ohms=${gate}, resistor P ohms=${hold}, resistor L ohms=${load} watts=5, led H, resistor RH ohms=8200`,
      'G.plus E.a, E.b L.a, L.b Q.a, Q.k G.minus, E.b S.a, S.b R.a, R.b Q.g, P.a Q.g, P.b Q.k, E.b RH.a, RH.b H.a, H.k Q.a',
    ),
  );

/** Pins that each drive a resistor to ground. */
const loads = (ohms: number, at: readonly string[]): Design => {
  const parts = at.map((_, i) => `resistor R${i} ohms=${ohms} watts=1`).join(', ');
  const wires = at.map((pin, i) => `U.${pin} R${i}.a, R${i}.b U.GND`).join(', ');
  const one = output(`U.${at[0]}`);
  return onBoard(parts, wires, {
    ...one,
    outputs: at.map((pin, i) => ({
      id: `o${i}`,
      name: `Out ${i}`,
      pin: `U.${pin}`,
      active: 'high',
    })),
    controller: { pins: at.map((pin) => ({ pin: `U.${pin}`, mode: 'output' })) },
    rules: [
      {
        ...one.rules[0],
        then: at.map((_, i) => ({ do: 'drive', output: `o${i}`, drive: { as: 'on' } })),
      },
    ] as Design['rules'],
  });
};

/** A piezo disc that is driven so. */
const sounded = (drive: Drive, values = ''): Design => {
  const design = onBoard(
    `piezo-buzzer P ${values}, resistor R ohms=220`,
    'U.D9 R.a, R.b P.a, P.b U.GND',
    output('U.D9'),
  );
  const then: Rule['then'] = [{ do: 'drive', output: 'o1', drive }];
  return { ...design, rules: design.rules.map((r) => ({ ...r, then })) };
};

/** A lamp that is always on, behind a knob and a resistor. */
const dimmed = (ohms: number): Design =>
  brief(
    `adapter G volts=5, led H, resistor R ohms=${ohms}, trimmer K ohms=470 watts=0.5`,
    'G.plus R.a, R.b K.a, K.w H.a, K.w K.b, H.k G.minus',
  );

const edges: Edge[] = [
  {
    code: 'electrolytic-reversed',
    by: 'half a volt of 12 V the wrong way round: 10 kΩ over 10 kΩ / 23',
    limit: 10e3 / 23,
    finds: 'above',
    within: 0.01,
    severity: 'error',
    design: (ohms) =>
      brief(
        `adapter G, resistor A ohms=10000, resistor B ohms=${ohms}, electrolytic-capacitor C`,
        'G.plus A.a, A.b B.a, B.b G.minus, C.minus A.b, C.plus G.minus',
      ),
  },
  {
    code: 'supply-shorted',
    by: 'three tenths of 12 V at half as much again as 1 A, where it gives up',
    limit: (0.3 * 12) / 1.5,
    finds: 'below',
    within: 0.02,
    onEarth: true,
    design: (ohms) =>
      brief(`adapter G, resistor R ohms=${ohms} watts=50`, 'G.plus R.a, R.b G.minus'),
  },
  {
    code: 'fuse-missing',
    by: '3 A into a short, of 12 V over its own ohms',
    limit: 12 / 3,
    finds: 'below',
    within: 0.001,
    design: stored,
  },
  {
    code: 'fuse-too-large',
    by: '6 A/mm² · 0.25 mm² = 1.5 A',
    limit: 1.5,
    finds: 'above',
    within: 0.001,
    severity: 'error',
    design: (amps) => fused(amps, 40, 0.25e-6),
  },
  {
    code: 'fuse-too-large',
    by: 'ten times what 12 V and 5 % drive through 24 Ω less 5 %',
    limit: 10 * most(24),
    finds: 'above',
    within: 0.02,
    design: (amps) => fused(amps, 24),
  },
  {
    code: 'coil-weak',
    by: '8.4 V at 400 Ω, behind 0.1 Ω of the adapter and 0.1 Ω of the button',
    limit: (8.4 * 400.2) / 400,
    finds: 'below',
    within: 0.002,
    severity: 'error',
    onEarth: true,
    design: (volts) => relay('', 'filament-lamp X watts=0.5', volts),
  },
  {
    code: 'coil-stays',
    by: '1.8 V of 12 V stay on 400 Ω, less 5 K times 0.393 % of copper',
    limit: 400 * (1 - 5 * 0.00393) * (12 / 1.8 - 1),
    finds: 'below',
    within: 0.005,
    severity: 'error',
    design: leaking,
  },
  {
    code: 'contact-inrush',
    by: 'cold tungsten, (2500 K / 293 K)^1.2 times 5 W / 12 V',
    limit: (2500 / 293) ** 1.2 * (5 / 12),
    finds: 'below',
    within: 0.02,
    design: (amps) => relay(`maxAmps=${amps}`, 'filament-lamp X'),
  },
  {
    code: 'motor-stall',
    by: '2 A of a pump that is held, at a MOSFET for as much',
    limit: 2,
    finds: 'below',
    within: 0.001,
    design: (amps) =>
      brief(
        `adapter G maxAmps=2, controller-5v-8bit U, logic-mosfet Q maxAmps=${amps}, resistor R ohms=100, resistor P ohms=100000, pump-12v M, rectifier-diode D`,
        'G.plus U.VIN, G.minus U.GND, U.D8 R.a, R.b Q.g, P.a Q.g, P.b U.GND, Q.s U.GND, Q.d M.minus, M.plus G.plus, D.k M.plus, D.a M.minus',
        output('U.D8'),
      ),
  },
  {
    code: 'thyristor-gate-weak',
    by: '1.5 · 0.2 mA beside 0.7 V over 10 kΩ, of 12 V less 0.7 V',
    limit: (12 - 0.7) / (0.3e-3 + 0.07e-3),
    finds: 'above',
    within: 0.05,
    design: (ohms) => fired(ohms, 220, '', 10e3),
  },
  {
    code: 'thyristor-gate-open',
    by: '10 kΩ from gate to cathode (common practice)',
    limit: 10e3,
    finds: 'above',
    within: 0.001,
    design: (ohms) => fired(4700, 220, '', ohms),
  },
  {
    code: 'thyristor-latching',
    by: '12 V less 0.8 V over 6 mA less those of the lamp',
    limit: (12 - 0.8) / (6e-3 - 1.15e-3),
    finds: 'above',
    within: 0.03,
    design: (ohms) => fired(4700, ohms, 'holding=0.004'),
  },
  {
    code: 'thyristor-holding',
    by: '12 V less 0.8 V over twice one and a half times 5 mA less those of the lamp',
    limit: (12 - 0.8) / (2 * 1.5 * 5e-3 - 1.15e-3),
    finds: 'above',
    within: 0.03,
    design: (ohms) => fired(4700, ohms),
  },
  {
    code: 'bell-on-thyristor',
    by: '12 V less 1 V over one and a half times 5 mA, beside the bell',
    limit: (12 - 1) / (1.5 * 5e-3),
    finds: 'above',
    within: 0.01,
    onEarth: true,
    design: (ohms) =>
      withButton(
        brief(
          `adapter G maxAmps=2, thyristor Q, push-button S, toggle-switch E position=1, resistor R ohms=4700, resistor P ohms=1000, bell B, resistor L ohms=${ohms}, rectifier-diode D`,
          'G.plus E.a, E.b B.plus, B.minus Q.a, Q.k G.minus, E.b S.a, S.b R.a, R.b Q.g, P.a Q.g, P.b Q.k, L.a B.plus, L.b B.minus, D.k B.plus, D.a B.minus',
        ),
      ),
  },
  {
    code: 'pin-overcurrent',
    by: '20 mA of 5 V behind 25 Ω',
    limit: 5 / 0.02 - 25,
    finds: 'below',
    within: 0.01,
    severity: 'error',
    unread: true,
    design: (ohms) => loads(ohms, ['D8']),
  },
  {
    code: 'pins-overcurrent',
    by: '200 mA of 5 V, each of twelve pins behind 25 Ω',
    limit: 12 * (5 / 0.2) - 25,
    finds: 'below',
    within: 0.01,
    severity: 'error',
    unread: true,
    design: (ohms) =>
      loads(ohms, ['D2', 'D3', 'D4', 'D5', 'D6', 'D7', 'D8', 'D9', 'D10', 'D11', 'D12', 'D13']),
  },
  {
    code: 'rating-close',
    by: 'four fifths of ¼ W are 20 V² over 100 Ω',
    limit: Math.sqrt(0.8 * 0.25 * 100) * (100.1 / 100),
    finds: 'above',
    within: 0.005,
    onEarth: true,
    design: (volts) =>
      brief(`adapter G volts=${volts}, resistor R ohms=100 watts=0.25`, 'G.plus R.a, R.b G.minus'),
  },
  {
    code: 'turned-too-far',
    by: '20 mA of 5 V less 1.94 V, of which 2 Ω are left in the track and 0.1 Ω in the adapter',
    limit: (5 - 1.94) / 0.02 - 2.1,
    finds: 'below',
    within: 0.03,
    onEarth: true,
    design: dimmed,
  },
  {
    code: 'tone-off-resonance',
    by: 'a third of an octave above the 490 Hz of the timer (common practice)',
    limit: 490 * 2 ** (1 / 3),
    finds: 'above',
    within: 0.005,
    design: (resonance) => sounded({ as: 'level', level: 0.5 }, `resonance=${resonance}`),
  },
  {
    code: 'steady-tone',
    by: 'a hundred beats a second',
    limit: 0.01,
    finds: 'above',
    within: 0.001,
    onEarth: true,
    design: (s) => sounded({ as: 'pattern', beats: [s, s] }),
  },
];

holdEdges(edges);
