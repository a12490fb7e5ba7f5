import type { Design, Happening } from '../design/index.js';
import { expectRule, type RuleCase } from '../testing/rule-cases.js';
import { brief, channel, onBoard, output, pins } from '../testing/small.js';

const npn = 'npn-transistor Q, resistor R ohms=1000, sounder-12v P, rectifier-diode D';
const npnWires =
  'G.plus P.plus, P.minus Q.c, Q.e U.GND, U.D8 R.a, R.b Q.b, D.a P.minus, D.k P.plus';
const mosfet = 'logic-mosfet Q, filament-lamp H, resistor P ohms=100000';
const mosfetWires = 'G.plus H.a, H.b Q.d, Q.s U.GND, Q.g U.D8, P.a Q.g, P.b Q.s';
/**
 * A thyristor whose gate a resistor pulls up, with a resistor as its load and a lamp beside that; the button gives and
 * takes its power.
 */
const fired = (gate: number, load: number, hold = ', resistor P ohms=10000'): Design =>
  brief(
    `adapter G, thyristor Q, push-button S maxAmps=0.5, resistor R ohms=${gate}, resistor L ohms=${load} watts=5, led H, resistor RH ohms=8200${hold}`,
    `G.plus S.a, S.b L.a, L.b Q.a, Q.k G.minus, G.plus R.a, R.b Q.g, S.b RH.a, RH.b H.a, H.k Q.a${hold && ', P.a Q.g, P.b Q.k'}`,
    held,
  );
/** A relay that is pulled in, with a load of 1 kΩ. */
const pulled = 'relay-12v K, rectifier-diode D, resistor X ohms=1000';
const pulledWires = 'K.minus G.minus, D.k K.plus, D.a K.minus, G.plus K.com, K.no X.a, X.b G.minus';
/** The same at a transistor. */
const relayed =
  'relay-12v K pullIn=6, npn-transistor Q, resistor R ohms=1000, rectifier-diode D, resistor X ohms=1000';
const relayedWires =
  'G.plus K.plus, K.minus Q.c, Q.e U.GND, U.D8 R.a, R.b Q.b, D.a K.minus, D.k K.plus, G.plus K.com, K.no X.a, X.b U.GND';
/** The appliance at the contact of the relay; the relay with another load. */
const switched = 'K.com X.a, K.no X.b, Z.a G.plus, Z.b G.minus';
const idle = 'G.plus K.com, K.no Z.a, Z.b G.minus';
/** A scene in which the button is held. */
const press: Happening = {
  id: 'h1',
  kind: 'finger-touches',
  name: 'Press',
  intent: 'wanted',
  start: 1,
  params: {},
  path: [{ x: 1, y: 1 }],
};
const held: Partial<Design> = {
  scenes: [{ id: 's1', name: 'S', seed: 1, duration: 20, ambient: { force: 10 }, happenings: [] }],
};
const comparator =
  'adapter G, comparator-393 U, resistor A, resistor B, resistor C, resistor D, resistor P';
const comparatorWires =
  'G.plus U.vcc, G.minus U.gnd, G.plus A.a, A.b B.a, B.b G.minus, A.b U.plus, G.plus C.a, C.b D.a, D.b G.minus, C.b U.minus, G.plus P.a, P.b U.out';
const placed = (design: Design, id: string): Design => ({
  ...design,
  parts: design.parts.map((p) => (p.id === id ? { ...p, place: { x: 1, y: 1, facing: 0 } } : p)),
});
/** A photoresistor over a load. */
const divider = (ohms: number, feed: string, more: Partial<Design> = {}): Design =>
  placed(
    onBoard(
      `photoresistor B, resistor R ohms=${ohms}`,
      `${feed} B.a, B.b R.a, R.b U.GND, R.a U.A0`,
      { ...channel('U.A0'), scenes: [scene([])], ...more },
    ),
    'B',
  );
const bus = (parts: string, wires: string): Design =>
  brief(
    `adapter G volts=5, radio-board-3v3 U, temperature-humidity-chip B, ${parts}`,
    `G.plus U.VIN, G.minus U.GND, U.3V3 B.VCC, U.GND B.GND, ${wires}`,
  );
const pulls = 'resistor R1 ohms=4700, resistor R2 ohms=4700';
const pullWires = 'R1.a U.3V3, R1.b B.SDA, R2.a U.3V3, R2.b B.SCL';
const busWires = `B.SDA U.P14, B.SCL U.P15, ${pullWires}`;
const second = 'C.SDA B.SDA, C.SCL B.SCL, C.VCC U.3V3, C.GND U.GND';

/** Drivers, lamps, coils, contacts, thyristors, comparators, converters, pins, buses, safety. */
const cases: RuleCase[] = [
  [
    'transistor-unsaturated',
    onBoard(npn.replace('1000', '47000'), npnWires, output('U.D8')),
    onBoard(npn, npnWires, output('U.D8')),
  ],
  [
    'base-without-resistor',
    onBoard(
      'npn-transistor Q, sounder-12v P',
      'G.plus P.plus, P.minus Q.c, Q.e U.GND, U.D8 Q.b',
      output('U.D8'),
    ),
    onBoard(npn, npnWires, output('U.D8')),
  ],
  [
    'gate-too-low',
    onBoard(
      mosfet.replace('logic-mosfet Q', 'logic-mosfet Q threshold=4.5'),
      mosfetWires,
      output('U.D8'),
    ),
    onBoard(mosfet, mosfetWires, output('U.D8')),
  ],
  [
    'led-without-resistor',
    onBoard('led H', 'U.D8 H.a, H.k U.GND', output('U.D8')),
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
  ],
  [
    'led-overdriven',
    onBoard('led H, resistor R ohms=100', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
  ],
  [
    'led-dim',
    onBoard('led H, resistor R ohms=33000', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
  ],
  [
    'led-reversed',
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.k, H.a U.GND', output('U.D8')),
    onBoard('led H, resistor R ohms=330', 'U.D8 R.a, R.b H.a, H.k U.GND', output('U.D8')),
  ],
  [
    'diode-blocks',
    brief(
      'adapter G volts=9, schottky-diode D, controller-5v-8bit U',
      'G.plus D.k, D.a U.VIN, U.GND G.minus',
    ),
    brief(
      'adapter G volts=9, schottky-diode D, controller-5v-8bit U',
      'G.plus D.a, D.k U.VIN, U.GND G.minus',
    ),
  ],
  [
    'electrolytic-reversed',
    brief('adapter G, electrolytic-capacitor C', 'G.plus C.minus, G.minus C.plus'),
    brief('adapter G, electrolytic-capacitor C', 'G.plus C.plus, G.minus C.minus'),
  ],
  [
    'capacitor-volts',
    brief('adapter G, electrolytic-capacitor C maxVolts=10', 'G.plus C.plus, G.minus C.minus'),
    brief('adapter G, electrolytic-capacitor C', 'G.plus C.plus, G.minus C.minus'),
  ],
  [
    'legs-vary',
    onBoard(npn, npnWires),
    onBoard('led H, resistor R', 'U.D8 R.a, R.b H.a, H.k U.GND'),
  ],
  [
    'coil-without-diode',
    onBoard(npn, npnWires.replace(', D.a P.minus, D.k P.plus', ''), output('U.D8')),
    onBoard(npn, npnWires, output('U.D8')),
  ],
  [
    'coil-diode-reversed',
    onBoard(
      npn,
      npnWires.replace('D.a P.minus, D.k P.plus', 'D.k P.minus, D.a P.plus'),
      output('U.D8'),
    ),
    onBoard(npn, npnWires, output('U.D8')),
  ],
  [
    'coil-weak',
    brief(
      `adapter G volts=8.5, resistor L ohms=40, ${pulled}`,
      `G.plus L.a, L.b K.plus, ${pulledWires}`,
    ),
    brief(
      `adapter G volts=12, resistor L ohms=40, ${pulled}`,
      `G.plus L.a, L.b K.plus, ${pulledWires}`,
    ),
  ],
  [
    'coil-stays',
    onBoard(
      `${relayed}, resistor L ohms=1000`,
      `${relayedWires}, L.a K.minus, L.b U.GND`,
      output('U.D8'),
    ),
    onBoard(relayed, relayedWires, output('U.D8')),
  ],
  ['contact-overload', contact(0.5), contact(10)],
  ['contact-inrush', relay(20, 10), relay(5, 10)],
  [
    'motor-stall',
    onBoard(
      'npn-transistor Q, pump-12v M, resistor R',
      'G.plus M.plus, M.minus Q.c, Q.e U.GND, U.D8 R.a, R.b Q.b',
      output('U.D8'),
    ),
    onBoard(
      'logic-mosfet Q, pump-12v M, resistor R, rectifier-diode D, resistor P ohms=100000',
      'G.plus M.plus, M.minus Q.d, Q.s U.GND, U.D8 R.a, R.b Q.g, D.a M.minus, D.k M.plus, P.a Q.g, P.b Q.s',
      output('U.D8'),
    ),
  ],
  ['thyristor-gate-weak', fired(56e3, 100), fired(1e3, 100)],
  ['thyristor-gate-open', fired(1e3, 100, ''), fired(1e3, 100)],
  ['thyristor-latching', fired(1e3, 2700), fired(1e3, 100)],
  ['thyristor-holding', fired(1e3, 1000), fired(1e3, 100)],
  [
    'thyristor-no-reset',
    brief('adapter G, thyristor Q, resistor L', 'G.plus L.a, L.b Q.a, Q.k G.minus'),
    fired(1e3, 100),
  ],
  [
    'bell-on-thyristor',
    rung('', ''),
    rung(', resistor X ohms=680 watts=1', ', X.a B.plus, X.b B.minus'),
  ],
  [
    'comparator-range',
    brief(
      comparator
        .replace('resistor A', 'resistor A ohms=100')
        .replace('resistor C', 'resistor C ohms=200'),
      comparatorWires,
    ),
    brief(`${comparator}, resistor H ohms=470000`, `${comparatorWires}, H.a U.out, H.b U.plus`),
  ],
  [
    'hysteresis-missing',
    brief(comparator, comparatorWires),
    brief(`${comparator}, resistor H ohms=470000`, `${comparatorWires}, H.a U.out, H.b U.plus`),
  ],
  ['source-resistance-high', weak(false), weak(true)],
  ['reference-mismatch', divider(1e3, 'G.plus'), divider(10e3, 'U.5V')],
  ['range-wasted', lit(100), lit(10e3)],
  ['channel-blind', onBoard('led H', '', channel('U.A0')), divider(10e3, 'U.5V')],
  [
    'threshold-unreachable',
    divider(10e3, 'U.5V', channel('U.A0', { threshold: 1030 })),
    divider(10e3, 'U.5V'),
  ],
  [
    'tripped-at-rest',
    divider(10e3, 'U.5V', channel('U.A0', { trips: 'below', threshold: 900 })),
    divider(10e3, 'U.5V'),
  ],
  ['may-chatter', divider(10e3, 'U.5V', channel('U.A0', { hysteresis: 1 })), divider(10e3, 'U.5V')],
  ['pulse-missed', pulse(2), pulse(0.1)],
  ['pin-unable', divider(10e3, 'U.5V', output('U.5V')), divider(10e3, 'U.5V')],
  [
    'pin-not-set-up',
    divider(10e3, 'U.5V', { ...output('U.D8'), ...pins('U.A0 analogue') }),
    placed(
      onBoard(
        'photoresistor B, resistor R, led H, resistor S ohms=330',
        'U.5V B.a, B.b R.a, R.b U.GND, R.a U.A0, U.D8 S.a, S.b H.a, H.k U.GND',
        { ...channel('U.A0'), ...output('U.D8'), ...pins('U.A0 analogue', 'U.D8 output') },
      ),
      'B',
    ),
  ],
  ['pin-used-twice', divider(10e3, 'U.5V', output('U.A0')), divider(10e3, 'U.5V')],
  [
    'skill-missing',
    onBoard('push-button S', 'S.a U.D4, S.b U.GND', pins('U.D4 pull-up interrupt')),
    onBoard('push-button S', 'S.a U.D2, S.b U.GND', pins('U.D2 pull-up interrupt')),
  ],
  [
    'pin-reserved',
    bus(`push-button S, ${pulls}`, `${busWires}, S.a U.P11, S.b U.GND`),
    bus(`push-button S, ${pulls}`, `${busWires}, S.a U.P8, S.b U.GND`),
  ],
  ['bus-pull-up-missing', bus('', 'B.SDA U.P14, B.SCL U.P15'), bus(pulls, busWires)],
  [
    'bus-address-clash',
    bus(`temperature-humidity-chip C, ${pulls}`, `${busWires}, ${second}`),
    bus(`temperature-humidity-chip C address=69, ${pulls}`, `${busWires}, ${second}`),
  ],
  ['bus-pin-wrong', bus(pulls, `B.SDA U.P8, B.SCL U.P15, ${pullWires}`), bus(pulls, busWires)],
  ['lines-crossed', bus(pulls, `B.SDA U.P15, B.SCL U.P14, ${pullWires}`), bus(pulls, busWires)],
  ['lines-crossed', serial('L.TX U.PD1, L.RX U.PD0'), serial('L.TX U.PD0, L.RX U.PD1')],
  [
    'probe-corrodes',
    onBoard('probe-rods B, resistor R', 'U.5V R.a, R.b B.a, B.b U.GND, B.a U.A0', channel('U.A0')),
    onBoard(
      'probe-rods B, resistor R, capacitor C',
      'U.D4 R.a, R.b B.a, B.b U.GND, B.a U.A0, C.a U.A0, C.b U.GND',
      {
        ...channel('U.A0', { trips: 'below', threshold: 300 }),
        ...pins('U.A0 analogue', 'U.D4 output'),
        outputs: [{ id: 'o1', name: 'Rod feed', pin: 'U.D4', active: 'high', feeds: true }],
      },
    ),
  ],
  [
    'part-cautions',
    brief('adapter G, magnetic-lock Y', 'G.plus Y.plus, G.minus Y.minus'),
    brief('signal-generator V, resistor R', 'V.out R.a, R.b V.gnd'),
  ],
  [
    'volts-dangerous',
    brief(
      'adapter G volts=48, adapter S volts=48, resistor R',
      'S.plus R.a, R.b G.minus, G.plus S.minus',
    ),
    brief('adapter G volts=48, resistor R ohms=100000', 'G.plus R.a, R.b G.minus'),
  ],
  [
    'contacts-outside',
    brief('adapter G, relay-12v K', 'G.plus K.plus, K.minus G.minus'),
    relay(5, 10),
  ],
  ['mains-without-boundary', mains('', 'K.com X.a, K.no G.minus'), mains('', switched)],
  ['mains-without-boundary', mains('', 'K.com X.a, K.no X.b, K.nc G.plus'), mains('', switched)],
  [
    'mains-beside-low',
    mains('', `B.COM1 X.a, B.NO1 X.b, B.COM2 G.plus, ${idle}`),
    mains('', `B.COM1 X.a, B.NO1 X.b, ${idle}`),
  ],
  ['mains-contact-load', mains('amps=12', switched), mains('amps=0.5', switched)],
  ['mains-unfused', mains('fuse=0', switched), mains('fuse=2', switched)],
  ['mains-unfused', mains('fuse=32', switched), mains('amps=0.9 fuse=1', switched)],
  ['mains-unfused', mains('amps=0.9 fuse=0.5', switched), mains('amps=0.9 fuse=1', switched)],
  [
    'lock-without-release',
    brief('adapter G, magnetic-lock Y', 'G.plus Y.plus, G.minus Y.minus'),
    locked('adapter G'),
  ],
  ['lock-stays-locked', locked('lead-battery G'), locked('adapter G')],
  ['life-safety-notice', monoxide(''), monoxide('Not a certified alarm.')],
  [
    'rating-exceeded',
    brief('adapter G, resistor R ohms=220', 'G.plus R.a, R.b G.minus'),
    brief('adapter G, resistor R ohms=2200', 'G.plus R.a, R.b G.minus'),
  ],
  [
    'rating-close',
    brief('adapter G, resistor R ohms=680', 'G.plus R.a, R.b G.minus'),
    brief('adapter G, resistor R ohms=2200', 'G.plus R.a, R.b G.minus'),
  ],
];

/** A relay, pulled in, and a board of two with a mains appliance. */
function mains(values: string, wires: string): Design {
  return brief(
    `adapter G volts=5, relay-12v K volts=5 ohms=70 pullIn=3.75, rectifier-diode D, push-button T, relay-board-2 B, push-button V, resistor M, resistor Z, mains-appliance X ${values}`,
    `G.plus T.a, T.b K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, G.plus B.VCC, G.minus B.GND, B.IN1 V.a, V.b G.minus, M.a G.plus, M.b B.IN1, B.IN2 G.plus, ${wires}`,
  );
}

/** A relay, pulled in, with a filament lamp behind its contact that shows it. */
function relay(watts: number, maxAmps: number): Design {
  const design = brief(
    `adapter G maxAmps=10, fuse F amps=${watts / 6}, relay-12v K maxAmps=${maxAmps}, filament-lamp H watts=${watts}, rectifier-diode D`,
    'G.plus F.a, F.b K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, F.b K.com, K.no H.a, H.b G.minus',
  );
  const parts = design.parts.map((p) => (p.id === 'H' ? { ...p, indicates: true } : p));
  return { ...design, parts };
}

/** The same with 12 Ω behind it. */
function contact(maxAmps: number): Design {
  return brief(
    `adapter G maxAmps=2, relay-12v K maxAmps=${maxAmps}, resistor X ohms=12 watts=100, rectifier-diode D`,
    'G.plus K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, G.plus K.com, K.no X.a, X.b G.minus',
  );
}

/** A bell in the way of a thyristor that is fired at once; the button takes its power. */
function rung(parts: string, wires: string): Design {
  return brief(
    `adapter G, thyristor Q, push-button S maxAmps=0.5, resistor R ohms=1000, resistor P ohms=1000, bell B, rectifier-diode D${parts}`,
    `G.plus S.a, S.b B.plus, B.minus Q.a, Q.k G.minus, G.plus R.a, R.b Q.g, P.a Q.g, P.b Q.k, D.k B.plus, D.a B.minus${wires}`,
  );
}

/** A lock that holds while the button is pressed. */
function locked(feed: string): Design {
  return brief(
    `${feed}, magnetic-lock Y, push-button S, rectifier-diode D`,
    'G.plus S.a, S.b Y.plus, G.minus Y.minus, D.k Y.plus, D.a Y.minus',
  );
}

function monoxide(notes: string): Design {
  return brief(
    'adapter G volts=9 maxAmps=2, linear-regulator Z, gas-module-monoxide B, resistor R ohms=330, led H',
    'G.plus Z.in, Z.gnd G.minus, Z.out B.VCC, G.minus B.GND, Z.out R.a, R.b H.a, H.k B.DO',
    { notes },
  );
}

/** A message radio on the serial line of a bare chip. */
function serial(wires: string): Design {
  return brief(
    'adapter G volts=3.3, chip-8bit-40pin U, radio-link L, capacitor C',
    `G.plus U.VCC, G.minus U.GND, C.a U.VCC, C.b U.GND, L.VCC U.VCC, L.GND U.GND, ${wires}`,
  );
}

/** A photoresistor over a megohm, with or without a capacitor at the pin. */
function weak(held: boolean): Design {
  return placed(
    onBoard(
      `photoresistor B, resistor R ohms=1e6${held ? ', capacitor C' : ''}`,
      `U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0${held ? ', C.a U.A0, C.b U.GND' : ''}`,
      channel('U.A0'),
    ),
    'B',
  );
}

/** The same with a lamp that is switched on. */
function lit(ohms: number): Design {
  return divider(ohms, 'U.5V', {
    scenes: [scene([{ ...press, kind: 'lamp-on', name: 'Lamp', path: [{ x: 1.5, y: 1 }] }])],
  });
}

function scene(happenings: Happening[]): Design['scenes'][number] {
  return { id: 's1', name: 'S', seed: 1, duration: 30, ambient: { daylight: 20 }, happenings };
}

/** A button pressed for a moment, read at some interval. */
function pulse(every: number): Design {
  const design = onBoard('push-button S', 'S.a U.D2, S.b U.GND', {
    ...channel('U.D2', { trips: 'below', threshold: 50, every }),
    ...pins('U.D2 pull-up'),
    scenes: [{ ...scene([{ ...press, params: { lasts: 0.5 } }]), ambient: {} }],
  });
  return placed(design, 'S');
}

it.each(cases)('%s finds its fault, spares the sound design, and its fix cures it', (...row) => {
  expectRule(row);
});
