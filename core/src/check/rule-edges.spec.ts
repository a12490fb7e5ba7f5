import { brief } from '../testing/small.js';
import type { Design } from '../design/index.js';
import { check } from './check.js';
import { gatherEvidence } from './evidence.js';
import { complaints } from '../testing/rule-cases.js';

/** Where a rule begins to find something, worked out by hand, in a design that has nothing else wrong at that value. */
interface Edge {
  code: string;
  /** How the limit follows from numbers on data sheets. */
  by: string;
  limit: number;
  /** It finds something above the limit, or below it. */
  finds: 'above' | 'below';
  /** How near the limit it must tell one from the other, as a share. */
  within: number;
  severity?: 'error';
  /** It is of no use to anything, which is a finding of its own. */
  unread?: true;
  design: (value: number) => Design;
}

const loaded = (ohms: number, wire: Partial<Design['wires'][number]> = {}, volts = 12): Design => {
  const design = brief(
    `adapter G volts=${volts} maxAmps=2, resistor R ohms=${ohms} watts=1000`,
    'G.plus R.a, R.b G.minus',
  );
  return { ...design, wires: [{ ...design.wires[0], ...wire }, design.wires[1]] };
};
/** Copper at 25 °C: 1.7241e-8 Ω·m at 20 °C and 0.00393/K (IEC 60028). */
const copper = 1.7241e-8 * (1 + 0.00393 * 5);
/** A scene in which the button is held. */
const pressed: Partial<Design> = {
  scenes: [
    {
      id: 's1',
      name: 'S',
      seed: 1,
      duration: 20,
      ambient: {},
      happenings: [
        {
          id: 'h1',
          kind: 'finger-touches',
          name: 'Press',
          intent: 'wanted',
          start: 1,
          params: {},
          path: [{ x: 1, y: 1 }],
        },
      ],
    },
  ],
};
const led = (ohms: number): Design => {
  const design = brief(
    `adapter G volts=5, led H, resistor R ohms=${ohms}, push-button S`,
    'G.plus S.a, S.b R.a, R.b H.a, H.k G.minus',
    pressed,
  );
  const parts = design.parts.map((p) =>
    p.id === 'S' ? { ...p, place: { x: 1, y: 1, facing: 0 } } : p,
  );
  return { ...design, parts };
};

const compared = (volts: number): Design =>
  brief(
    `adapter G volts=${volts}, comparator-393 U, resistor A ohms=10000, resistor B ohms=20000, resistor P ohms=10000`,
    'G.plus U.vcc, G.minus U.gnd, G.plus A.a, A.b U.plus, A.b B.a, B.b U.gnd, B.b U.minus, G.plus P.a, P.b U.out',
  );

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
];

const finds = ({ code, severity, design }: Edge, value: number): boolean =>
  complaints(design(value), code).some((f) => severity === undefined || f.severity === severity);

it.each(edges.map((edge): [string, Edge] => [`${edge.code}: ${edge.by}`, edge]))(
  '%s',
  (_, edge) => {
    const more = edge.limit * (1 + edge.within);
    const less = edge.limit / (1 + edge.within);
    const [bad, good] = edge.finds === 'above' ? [more, less] : [less, more];
    expect([finds(edge, bad), finds(edge, good)]).toEqual([true, false]);
  },
);

it.each(edges.flatMap((edge): [string, Edge][] => (edge.unread ? [] : [[edge.code, edge]])))(
  '%s: far from its limit nothing is found',
  (_, { limit, finds, design }) => {
    const far = design(finds === 'above' ? limit / 2.5 : limit * 2.5);
    const found = check(gatherEvidence(far, far.scenes[0]));
    expect(
      found
        .filter((f) => f.severity === 'error' || f.severity === 'caution')
        .map((f) => `${f.code}: ${f.reason}`),
    ).toEqual([]);
  },
);
