/** Rules that judge a design by what it does: what acts, what is heard, what answers. */
import { applyEdit, type Channel, type Design } from '../design/index.js';
import { complaints, expectRule, type RuleCase } from '../testing/rule-cases.js';
import { brief, channel, onBoard, output, pins, placed, sceneOf } from '../testing/small.js';

const outputs = (...names: string[]): Partial<Design> => ({
  ...pins(...names.map((_, i) => `U.D${8 + i} output`)),
  outputs: names.map((name, i) => ({ id: `o${i}`, name, pin: `U.D${8 + i}`, active: 'high' })),
  rules: names.map((_, i) => ({
    id: `r${i}`,
    when: { is: 'any', of: [] },
    hold: 0,
    latch: false,
    then: [{ do: 'drive', output: `o${i}`, drive: { as: 'on' } }],
  })),
});

const lamp = (pin: string, id: string): string =>
  `U.${pin} R${id}.a, R${id}.b ${id}.a, ${id}.k U.GND`;
const lamps = 'led H, led J, resistor RH ohms=330, resistor RJ ohms=330';

/** A lamp with its name, for what goes by names. */
const named = (design: Design, names: Record<string, string>): Design =>
  Object.entries(names).reduce(
    (d, [id, name]) => applyEdit(d, { type: 'rename-part', id, name }),
    design,
  );

const twoLamps = (first: string, second: string): Design =>
  named(onBoard(lamps, `${lamp('D8', 'H')}, ${lamp('D9', 'J')}`, outputs(first, second)), {
    H: 'Gate lamp',
    J: 'Shed lamp',
  });

const photo = (threshold: number, resistor = 'R.b U.GND'): Design =>
  placed(
    onBoard(
      'photoresistor B, resistor R ohms=10000',
      `U.5V B.a, B.b R.a, ${resistor}, B.b U.A0`,
      channel('U.A0', { threshold }),
    ),
  );

const horn =
  'led H, resistor RH ohms=330, sounder-12v P, rectifier-diode D, npn-transistor Q, resistor RQ ohms=820';
const freewheel = 'D.a P.minus, D.k P.plus';

/** The same board fed at the terminal where its own voltage comes out. */
const pastRegulator = (volts: number): Design => {
  const design = withParam(photo(600), 'G', 'volts', volts);
  const wires = design.wires.map((w) => (w.to === 'U.VIN' ? { ...w, to: 'U.5V' } : w));
  return { ...design, wires };
};

/** With one value of one part set otherwise. */
const withParam = (design: Design, id: string, param: string, value: number): Design =>
  applyEdit(design, { type: 'set-param', id, param, value });

const cases: RuleCase[] = [
  // What is fed by the board stands above a reference of 1.1 V: it reads the same from there on.
  ['reference-mismatch', withParam(photo(600), 'U', 'reference', 1), photo(600)],
  // Through its regulator a board needs more than its own 5 V; past it that is enough.
  ['supply-low', withParam(photo(600), 'G', 'volts', 5), photo(600)],
  ['supply-low', withParam(photo(600), 'G', 'volts', 5), pastRegulator(5)],
  [
    'actuator-dead',
    onBoard('active-buzzer P amps=0.01', 'P.plus U.D8', output('U.D8')),
    onBoard('active-buzzer P amps=0.01', 'P.plus U.D8, P.minus U.GND', output('U.D8')),
  ],
  // A horn whose plus wire was left out, beside a lamp that is lit by the same output.
  [
    'actuator-dead',
    onBoard(
      horn,
      `${lamp('D8', 'H')}, U.D8 RQ.a, RQ.b Q.b, Q.e U.GND, Q.c P.minus, ${freewheel}`,
      output('U.D8'),
    ),
    onBoard(
      horn,
      `${lamp('D8', 'H')}, U.D8 RQ.a, RQ.b Q.b, Q.e U.GND, Q.c P.minus, P.plus G.plus, ${freewheel}`,
      output('U.D8'),
    ),
  ],
  // Without a controller: the base is held at ground.
  [
    'actuator-dead',
    placed(
      brief(
        'adapter G, push-button S, resistor R ohms=1000, npn-transistor Q, sounder-12v P, rectifier-diode D',
        `G.plus P.plus, P.minus Q.c, Q.e G.minus, G.plus S.a, S.b R.a, R.b G.minus, Q.b G.minus, ${freewheel}`,
      ),
    ),
    placed(
      brief(
        'adapter G, push-button S, resistor R ohms=1000, npn-transistor Q, sounder-12v P, rectifier-diode D',
        `G.plus P.plus, P.minus Q.c, Q.e G.minus, G.plus S.a, S.b R.a, R.b Q.b, ${freewheel}`,
      ),
    ),
  ],
  [
    'acts-at-rest',
    onBoard('led H, resistor RH ohms=330', `U.5V RH.a, RH.b H.a, H.k U.GND`),
    {
      ...onBoard('led H, resistor RH ohms=330', `U.5V RH.a, RH.b H.a, H.k U.GND`),
      parts: onBoard('led H, resistor RH ohms=330', '').parts.map((p) =>
        p.id === 'H' ? { ...p, indicates: true } : p,
      ),
    },
  ],
  // One output lights a lamp, the other one only feeds it backwards.
  [
    'output-idle',
    onBoard(
      'rgb-led H, resistor R ohms=330, resistor S ohms=330, resistor T ohms=330',
      'U.D8 R.a, R.b H.k, U.D9 S.a, S.b H.green, U.D10 T.a, T.b H.blue, H.red U.GND',
      outputs('Red', 'Green', 'Blue'),
    ),
    onBoard(
      'rgb-led H, resistor R ohms=330, resistor S ohms=330, resistor T ohms=330',
      'U.D8 R.a, R.b H.red, U.D9 S.a, S.b H.green, U.D10 T.a, T.b H.blue, H.k U.GND',
      outputs('Red', 'Green', 'Blue'),
    ),
  ],
  [
    'sensor-unread',
    placed(
      onBoard(
        'photoresistor B, resistor R ohms=10000, photoresistor C, resistor S ohms=10000',
        'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0, U.5V C.a, C.b S.a, S.b U.GND',
        channel('U.A0'),
      ),
    ),
    photo(600),
  ],
  ['channel-deaf', photo(600, 'R.b U.GND, U.A0 U.GND'), photo(600)],
  // Full scale of the converter is 1023 counts: a level within it that the divider cannot reach.
  [
    'channel-one-sided',
    placed(
      onBoard(
        'photoresistor B, resistor R ohms=10000, resistor S ohms=10000',
        'U.5V S.a, S.b B.a, B.b R.a, R.b U.GND, B.b U.A0',
        channel('U.A0', { threshold: 600 }),
      ),
    ),
    photo(600),
  ],
  // Nobody has set these pins up for it: what is done with them asks for it.
  [
    'skill-missing',
    onBoard('push-button S', 'U.D4 S.a, S.b U.GND', {
      ...channel('U.D4', { trips: 'below', threshold: 50, hysteresis: 1, edge: 'falling' }),
      ...pins('U.D4 pull-up'),
    }),
    onBoard('push-button S', 'U.D2 S.a, S.b U.GND', {
      ...channel('U.D2', { trips: 'below', threshold: 50, hysteresis: 1, edge: 'falling' }),
      ...pins('U.D2 pull-up'),
    }),
  ],
  [
    'skill-missing',
    {
      ...onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
      outputs: [
        {
          id: 'o1',
          name: 'Out',
          pin: 'U.D8',
          active: 'high',
          fade: { up: 1, down: 1, curve: 'eye' },
        },
      ],
    },
    {
      ...onBoard('led H, resistor R ohms=330', 'U.D9 R.a, R.b H.a, H.k U.GND', output('U.D9')),
      outputs: [
        {
          id: 'o1',
          name: 'Out',
          pin: 'U.D9',
          active: 'high',
          fade: { up: 1, down: 1, curve: 'eye' },
        },
      ],
    },
  ],
  [
    'emitter-dark',
    onBoard('infrared-emitter E, resistor R ohms=100', 'E.a R.b, E.k U.GND'),
    onBoard('infrared-emitter E, resistor R ohms=100', 'U.5V R.a, E.a R.b, E.k U.GND'),
  ],
  [
    'contact-alone',
    onBoard(
      'relay-board-1 K',
      'K.VCC U.5V, K.GND U.GND, K.IN1 U.D8, K.COM1 G.plus',
      output('U.D8', 'low'),
    ),
    onBoard(
      'relay-board-1 K, sounder-12v P, rectifier-diode D',
      `K.VCC U.5V, K.GND U.GND, K.IN1 U.D8, K.COM1 G.plus, K.NO1 P.plus, P.minus U.GND, ${freewheel}`,
      output('U.D8', 'low'),
    ),
  ],
  ['names-crossed', twoLamps('Shed lamp', 'Gate lamp'), twoLamps('Gate lamp', 'Shed lamp')],
];

const charged = (celsius: number, kind = 'lithium-cell', cools = 0): Design => ({
  ...brief(
    `solar-panel S, schottky-diode D, fuse F, ${kind} B charge=0.5`,
    'S.plus D.a, D.k F.a, F.b B.plus, S.minus B.minus',
  ),
  scenes: [
    {
      ...sceneOf(300, {
        ...{ kind: 'cold-night', intent: 'nuisance', start: 10 },
        params: { kelvin: cools, moves: 60, stays: 120 },
      }),
      ambient: { temperature: celsius, daylight: 50000 },
    },
  ],
});

const knocked = (more = ''): Design =>
  placed(onBoard(`piezo-disc B, resistor R ohms=1e6`, `B.a U.A0, B.b U.GND${more}`));

/** A peak follower behind a piezo disc. */
const follower = placed(
  onBoard(
    'piezo-disc B, resistor R ohms=1e6, schottky-diode D, capacitor C, resistor S ohms=1e6',
    'B.a D.a, D.k U.A0, U.A0 C.a, C.b U.GND, S.a U.A0, S.b U.GND, B.b U.GND, B.a R.a, R.b U.GND',
    channel('U.A0', { threshold: 100 }),
  ),
);
/** A lamp whose gate a piezo disc lifts, where there is one. */
const knocker = (part: string, wires = ''): Design =>
  placed(
    brief(
      `adapter G, resistor R ohms=1e6, logic-mosfet Q, led H, resistor RH ohms=680${part}`,
      `R.a Q.g, R.b G.minus, G.plus RH.a, RH.b H.a, H.k Q.d, Q.s G.minus${wires}`,
    ),
  );

const bare = (wires: string, reference: number): Design =>
  placed(
    brief(
      `adapter G volts=5, chip-8bit-40pin U reference=${reference}, trimmer T`,
      `G.plus U.VCC, G.minus U.GND, G.plus T.a, T.b G.minus, T.w U.PA0${wires}`,
      channel('U.PA0'),
    ),
  );

const safeguards: RuleCase[] = [
  ['charged-in-frost', charged(-5), charged(5)],
  ['charged-in-frost', charged(-5), charged(-5, 'lead-battery')],
  ['charged-in-frost', charged(8, 'lithium-cell', -12), charged(8, 'lithium-cell', -6)],
  ['charge-stays', knocked(), knocked(', B.a R.a, R.b U.GND')],
  // Nothing of a knock is left where the circuit is settled: that is no fault.
  ['channel-deaf', photo(600, 'R.b U.GND, U.A0 U.GND'), follower],
  ['actuator-dead', knocker(''), knocker(', piezo-disc B', ', B.a Q.g, B.b G.minus')],
  ['reference-missing', bare('', 1), bare('', 0)],
  ['reference-missing', bare('', 1), bare(', U.AREF G.plus', 1)],
];

describe.each([...cases, ...safeguards])('%s', (...rule) => {
  it('finds its fault, spares the sound design, and its fix cures it', () => {
    expectRule(rule);
  });
});

describe('grounds', () => {
  const split = (joined: string): Design =>
    onBoard(
      'adapter E volts=12, sounder-12v P, rectifier-diode D, logic-mosfet Q, resistor R ohms=220, resistor S ohms=10000',
      `U.D8 R.a, R.b Q.g, Q.g S.a, S.b Q.s, E.plus P.plus, P.minus Q.d, Q.s E.minus, ${freewheel}${joined}`,
      output('U.D8'),
    );
  it('that a signal wire alone joins are found', () => {
    expectRule(['ground-split', split(''), split(', E.minus U.GND')]);
  });
  it('that a shunt, a fuse or a switch joins are one', () => {
    for (const between of ['resistor X ohms=0.1', 'fuse X amps=0.25', 'toggle-switch X']) {
      const design = brief(
        `adapter G volts=9, resistor R ohms=1000, controller-5v-8bit U, ${between}`,
        'G.plus U.VIN, U.GND X.a, X.b G.minus, U.5V R.a, R.b U.GND',
      );
      expectRule(['ground-split', split(''), design]);
    }
  });
});

describe('a sensor that tells by pulses', () => {
  const wheel = (wires: string): Design =>
    onBoard('flow-sensor B', `B.VCC U.5V, B.GND U.GND, ${wires}`, {
      ...pins('U.D2 pull-up interrupt'),
      channels: channel('U.D2', {
        ...{ trips: 'below', threshold: 50, hysteresis: 20, edge: 'falling', remembers: true },
      }).channels,
    });
  it('is heard where it leads to a pin, though it stands in a circuit that has settled', () => {
    expectRule(['sensor-unread', wheel('U.D2 U.D3'), wheel('B.OUT U.D2')]);
    expect(complaints(wheel('B.OUT U.D2'), 'channel-deaf')).toEqual([]);
  });
});

it('each key of a pad is tried: two that lie beside each other are heard both', () => {
  const keys = (wires: string): Design =>
    onBoard('keypad S', `S.R1 U.GND, ${wires}`, {
      ...pins('U.D2 pull-up'),
      channels: channel('U.D2', { trips: 'below', threshold: 50 }).channels,
    });
  for (const column of ['C1', 'C2', 'C3', 'C4'])
    expect(complaints(keys(`S.${column} U.D2`), 'channel-deaf')).toEqual([]);
  expect(complaints(keys('S.R2 U.D2'), 'channel-deaf')).toHaveLength(1);
});

describe('a channel that is called after a key', () => {
  const pad = (name: string, column: string, row = 'R1'): Design =>
    onBoard('keypad S', `S.${row} U.GND, S.${column} U.D2`, {
      ...pins('U.D2 pull-up'),
      channels: channel('U.D2', { name, trips: 'below', threshold: 50 }).channels,
    });
  it('answers that one, counted by rows', () => {
    expectRule(['number-otherwise', pad('Key 3', 'C2'), pad('Key 3', 'C3')]);
    expectRule(['number-otherwise', pad('Key 3', 'C3', 'R2'), pad('Key 7', 'C3', 'R2')]);
    expect(complaints(pad('Key 3', 'C2'), 'number-otherwise')[0].title).toBe('Key 3 answers key 2');
  });
  it('may have no number, or one of something else', () => {
    for (const name of ['Shut key', 'Alarm 3', 'Key 2 or 3'])
      expect(complaints(pad(name, 'C2'), 'number-otherwise')).toEqual([]);
  });
  it('may stand for all keys of a column', () => {
    const rows = 'S.R1 U.GND, S.R2 U.GND, S.C2 U.D2';
    const column = onBoard('keypad S', rows, {
      ...pins('U.D2 pull-up'),
      channels: channel('U.D2', { name: 'Key 3', trips: 'below', threshold: 50 }).channels,
    });
    expect(complaints(column, 'number-otherwise')).toEqual([]);
  });
  it('that is exchanged with another is told as such', () => {
    const both = (one: string, other: string): Design =>
      onBoard('keypad S', `S.R1 U.GND, S.${one} U.D2, S.${other} U.D3`, {
        ...pins('U.D2 pull-up', 'U.D3 pull-up'),
        channels: ['Key 1', 'Shut key'].map((name, i) => ({
          ...(channel(`U.D${i + 2}`, { name, trips: 'below', threshold: 50 })
            .channels?.[0] as Channel),
          id: `k${i}`,
        })),
      });
    expectRule(['names-crossed', both('C2', 'C1'), both('C1', 'C2')]);
  });
});

describe('an output that nothing drives', () => {
  const lamp = (more: Partial<Design> = {}): Design =>
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', {
      ...outputs('Lamp'),
      ...more,
    });
  const wanted = { scenes: [sceneOf(10, { kind: 'knock' })] };
  const severities = (more: Partial<Design>): string[] =>
    complaints(lamp(more), 'output-undriven').map((f) => f.severity);
  it('is a caution as soon as something is to be noticed', () => {
    expectRule(['output-undriven', lamp({ rules: [], ...wanted }), lamp()]);
    expect(severities({ rules: [] })).toEqual(['note']);
    expect(severities({ rules: [], ...wanted })).toEqual(['caution']);
  });
  it('is none that feeds, or that is driven on the way between modes', () => {
    const [output] = lamp().outputs;
    expect(severities({ rules: [], ...wanted, outputs: [{ ...output, feeds: true }] })).toEqual([]);
    const on: Design['rules'][number]['then'] = lamp().rules[0].then;
    const machine = {
      ...{ id: 'm', name: 'M', start: 'a', modes: [{ id: 'a', name: 'A' }] },
      transitions: [{ from: 'a', to: 'a', after: 5, then: on }],
    } as Design['machines'][number];
    expect(severities({ rules: [], ...wanted, machines: [machine] })).toEqual([]);
  });
});
