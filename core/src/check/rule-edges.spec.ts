import { brief, channel, onBoard, pins, placed, sceneOf } from '../testing/small.js';
import type { Design } from '../design/index.js';
import { holdEdges, withButton, type Edge } from '../testing/rule-edge.js';

const loaded = (ohms: number, wire: Partial<Design['wires'][number]> = {}, volts = 12): Design => {
  const design = brief(
    `adapter G volts=${volts} maxAmps=2, resistor R ohms=${ohms} watts=1000`,
    'G.plus R.a, R.b G.minus',
  );
  return { ...design, wires: [{ ...design.wires[0], ...wire }, design.wires[1]] };
};
/** Copper at 25 °C: 1.7241e-8 Ω·m at 20 °C and 0.00393/K (IEC 60028). */
const copper = 1.7241e-8 * (1 + 0.00393 * 5);
const led = (ohms: number): Design =>
  withButton(
    brief(
      `adapter G volts=5, led H, resistor R ohms=${ohms}, push-button S`,
      'G.plus S.a, S.b R.a, R.b H.a, H.k G.minus',
    ),
  );

const compared = (volts: number): Design =>
  brief(
    `adapter G volts=${volts}, comparator-393 U, resistor A ohms=10000, resistor B ohms=20000, resistor P ohms=10000`,
    'G.plus U.vcc, G.minus U.gnd, G.plus A.a, A.b U.plus, A.b B.a, B.b U.gnd, B.b U.minus, G.plus P.a, P.b U.out',
  );

/** 24 Ω at 12 V behind a fuse. */
const fusedLoad = (amps: number): Design =>
  brief(
    `adapter G, resistor R ohms=24 watts=20, fuse F amps=${amps}`,
    'G.plus F.a, F.b R.a, R.b G.minus',
  );

/** A mains appliance at the contact of a relay that a button pulls in. */
const appliance = (values: string): Design =>
  brief(
    `adapter G, relay-12v K, rectifier-diode D, push-button T, mains-appliance X ${values}`,
    'G.plus T.a, T.b K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, K.com X.a, K.no X.b',
  );

/** A digital input with 10 kΩ to the far side of its divider; a button takes it to the near one. */
const between = (ohms: number, near: 'U.5V' | 'U.GND'): Design => {
  const [far, trips] = near === 'U.5V' ? ['U.GND', 'above' as const] : ['U.5V', 'below' as const];
  return onBoard(
    `resistor R ohms=${ohms}, resistor S, push-button T`,
    `${near} R.a, R.b U.D2, U.D2 S.a, S.b ${far}, T.a ${near}, T.b U.D2`,
    { ...channel('U.D2', { trips, threshold: 50, hysteresis: 1 }), ...pins('U.D2 input') },
  );
};

const edges: Edge[] = [
  {
    code: 'wire-thin',
    by: '6 A/mm² · 0.25 mm² = 1.5 A; 12 V over it is 8 Ω, of which 0.1 Ω are in the adapter',
    limit: 12 / 1.5 - 0.1,
    finds: 'below',
    within: 0.01,
    design: (ohms) => loaded(ohms, { gauge: 0.25e-6, length: 0.1 }),
  },
  {
    code: 'wire-drop',
    by: 'ρ·l/A times what 100 Ω take is 5 % of what they are fed: 5 Ω of copper',
    limit: (0.05 * 100 * 0.25e-6) / copper,
    finds: 'above',
    within: 0.005,
    design: (length) => loaded(100, { gauge: 0.25e-6, length }),
  },
  {
    code: 'supply-overloaded',
    by: '12 V over 1 A is 12 Ω, of which 0.1 Ω are in the adapter',
    limit: 11.9,
    finds: 'below',
    within: 0.005,
    severity: 'error',
    design: (ohms) =>
      brief(`adapter G, resistor R ohms=${ohms} watts=50`, 'G.plus R.a, R.b G.minus'),
  },
  {
    code: 'led-overdriven',
    by: '20 mA; 1.9 V at 10 mA, some 40 mV more at twice the current',
    limit: (5 - 1.94) / 0.02 - 0.1,
    finds: 'below',
    within: 0.03,
    severity: 'error',
    design: led,
  },
  {
    code: 'led-dim',
    by: '5 % of 20 mA are 1 mA, at which some 1.8 V stand across it',
    limit: (5 - 1.8) / 1e-3,
    finds: 'above',
    within: 0.03,
    design: led,
  },
  {
    code: 'rating-exceeded',
    by: 'V²/R of 100 Ω is ¼ W at 5 V',
    limit: 5 * (100.1 / 100),
    finds: 'above',
    within: 0.005,
    severity: 'error',
    design: (volts) =>
      brief(`adapter G volts=${volts}, resistor R ohms=100 watts=0.25`, 'G.plus R.a, R.b G.minus'),
  },
  {
    code: 'regulator-drops-out',
    by: 'drop-out 1.8 V above 5 V',
    limit: 6.8 + 0.1 * 0.055,
    finds: 'below',
    within: 0.005,
    severity: 'error',
    design: (volts) =>
      brief(
        `adapter G volts=${volts}, linear-regulator U, resistor R ohms=100 watts=1`,
        'G.plus U.in, U.gnd G.minus, U.out R.a, R.b G.minus',
      ),
  },
  {
    code: 'capacitor-volts',
    by: '80 % of the rating, reached by 12 V and the 5 % of the adapter',
    limit: (12 * 1.05) / 0.8,
    finds: 'below',
    within: 0.005,
    design: (maxVolts) =>
      brief(
        `adapter G, electrolytic-capacitor C maxVolts=${maxVolts}`,
        'G.plus C.plus, G.minus C.minus',
      ),
  },
  {
    code: 'transistor-unsaturated',
    by: '49.5 mA on a thirtieth of that from 12 V less 0.7 V',
    limit: (12 - 0.7) / (11.9 / 240 / 30),
    finds: 'above',
    within: 0.03,
    design: (ohms) =>
      brief(
        `adapter G, npn-transistor Q, resistor L ohms=240 watts=2, resistor R ohms=${ohms}, push-button S`,
        'G.plus L.a, L.b Q.c, Q.e G.minus, G.plus R.a, R.b Q.b',
      ),
  },
  {
    code: 'supply-low',
    unread: true,
    by: 'a 393-type comparator works from 2 V',
    limit: 2,
    finds: 'below',
    within: 0.002,
    severity: 'error',
    design: compared,
  },
  {
    code: 'supply-high',
    unread: true,
    by: 'a 393-type comparator survives 36 V',
    limit: 36,
    finds: 'above',
    within: 0.002,
    severity: 'error',
    design: compared,
  },
  {
    code: 'probe-corrodes',
    unread: true,
    by: '0.3 V across it',
    limit: 0.3,
    finds: 'above',
    within: 0.02,
    design: (volts) => brief(`adapter G volts=${volts}, rain-pad B`, 'G.plus B.a, B.b G.minus'),
  },
  {
    code: 'volts-dangerous',
    by: '60 V without ripple (IEC 61140), here of two sources in a row',
    limit: 60,
    finds: 'above',
    within: 0.002,
    design: (volts) =>
      brief(
        `adapter G volts=${volts / 2}, adapter S volts=${volts / 2}, resistor R ohms=1e6`,
        'S.plus R.a, R.b G.minus, G.plus S.minus',
      ),
  },
  {
    code: 'charged-in-frost',
    by: '0 °C are 273.15 K',
    limit: 273.15,
    finds: 'below',
    within: 0.001,
    onEarth: true,
    design: (kelvin) => ({
      ...brief(
        'solar-panel S, schottky-diode D, fuse F, lithium-cell B charge=0.5',
        'S.plus D.a, D.k F.a, F.b B.plus, S.minus B.minus',
      ),
      scenes: [{ ...sceneOf(60), ambient: { temperature: kelvin - 273.15, daylight: 50_000 } }],
    }),
  },
  {
    code: 'threshold-unreachable',
    by: 'ten bits end at 1023',
    limit: 1023,
    finds: 'above',
    within: 0.002,
    design: (threshold) =>
      placed(
        onBoard(
          'photoresistor B, resistor R',
          'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0',
          channel('U.A0', { threshold }),
        ),
      ),
  },
  {
    code: 'mains-contact-load',
    by: 'ten times its current in the first moment, at a contact for 10 A',
    limit: 1,
    finds: 'above',
    within: 0.001,
    design: (amps) => appliance(`amps=${amps} fuse=2`),
  },
  {
    code: 'mains-unfused',
    by: 'its fuse is for less than the 0.9 A that it takes',
    limit: 0.9,
    finds: 'below',
    within: 0.001,
    design: (fuse) => appliance(`amps=0.9 fuse=${fuse}`),
  },
  {
    code: 'mains-unfused',
    by: '16 A are the most for a lead of 1.5 mm² (IEC 60364-4-43)',
    limit: 16,
    finds: 'above',
    within: 0.001,
    design: (fuse) => appliance(`amps=0.9 fuse=${fuse}`),
  },
  {
    code: 'fuse-too-small',
    by: 'three quarters of it are what 12 V and 5 % drive through 24 Ω less 5 %',
    limit: (12 * (1 + 0.05 + 0.05)) / 24.1 / 0.75,
    finds: 'below',
    within: 0.02,
    design: fusedLoad,
  },
  {
    code: 'fuse-melts',
    by: '1.35 times it are what 12 V drive through 24 Ω, the source and the fuse',
    limit: (12 / 1.35 - 0.1) / 24.1,
    finds: 'below',
    within: 0.02,
    design: fusedLoad,
  },
  {
    code: 'contact-overload',
    by: 'what 12 V and 5 % drive through 12 Ω less 5 %',
    limit: (12 * (1 + 0.05 + 0.05)) / 12.1,
    finds: 'below',
    within: 0.02,
    design: (maxAmps) =>
      brief(
        `adapter G maxAmps=2, relay-12v K maxAmps=${maxAmps}, resistor X ohms=12 watts=100, rectifier-diode D`,
        'G.plus K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, G.plus K.com, K.no X.a, X.b G.minus',
      ),
  },
  {
    code: 'input-undecided',
    by: '10 kΩ under it hold 30 % of the supply, which is the highest low',
    limit: 10e3 / 0.3 - 10e3,
    finds: 'below',
    within: 0.01,
    design: (ohms) => between(ohms, 'U.5V'),
  },
  {
    code: 'input-undecided',
    by: '10 kΩ over it hold 60 % of the supply, which is the lowest high',
    limit: 10e3 / 0.4 - 10e3,
    finds: 'below',
    within: 0.01,
    design: (ohms) => between(ohms, 'U.GND'),
  },
  {
    code: 'pulse-missed',
    by: 'half a second, read less often than that',
    limit: 0.5,
    finds: 'above',
    within: 0.01,
    design: (every) =>
      placed(
        onBoard('push-button S', 'S.a U.D2, S.b U.GND', {
          ...channel('U.D2', { trips: 'below', threshold: 50, hysteresis: 1, every }),
          ...pins('U.D2 pull-up'),
          scenes: [sceneOf(30, { params: { lasts: 0.5 } })],
        }),
      ),
  },
];

holdEdges(edges);
