/** Where rules about what is read begin to find something: limits by hand, from numbers on data sheets. */
import type { Channel, Design } from '../design/index.js';
import { holdEdges, withButton, type Edge } from '../testing/rule-edge.js';
import { brief, channel, onBoard, pins } from '../testing/small.js';

/** A divider of two resistors from the board's own voltage, or another, to its ground, read. */
const divided = (upper: number, lower: number, from = 'U.5V', more = ''): Design =>
  onBoard(
    `resistor R1 ohms=${upper}, resistor R2 ohms=${lower}${more}`,
    `${from} R1.a, R1.b R2.a, R2.b U.GND, R1.b U.A0`,
    channel('U.A0', { threshold: 900 }),
  );

/** A button that puts a resistor beside the lower one of two of 10 kΩ. */
const beside = (ohms: number, threshold: number): Design =>
  withButton(
    onBoard(
      `resistor R1 ohms=10000, resistor R2 ohms=10000, push-button S, resistor R3 ohms=${ohms}`,
      'U.5V R1.a, R1.b R2.a, R2.b U.GND, R1.b U.A0, R1.b S.a, S.b R3.a, R3.b U.GND',
      channel('U.A0', { trips: 'below', threshold, hysteresis: 5 }),
    ),
  );

/** A button that takes an input from ground to the middle of the converter's range. */
const middle = (threshold: number): Design =>
  withButton(
    onBoard(
      'resistor R1 ohms=10000, resistor R2 ohms=10000, push-button S',
      'U.5V S.a, S.b R1.a, R1.b R2.a, R2.b U.GND, R1.b U.A0',
      channel('U.A0', { threshold, hysteresis: 5 }),
    ),
  );

/** A button that takes the middle of two resistors of 10 kΩ to their supply. */
const raised = (more: Partial<Channel>): Design =>
  withButton(
    onBoard(
      'resistor R1 ohms=10000, resistor R2 ohms=10000, push-button S',
      'U.5V R1.a, R1.b R2.a, R2.b U.GND, R1.b U.A0, S.a U.5V, S.b U.A0',
      channel('U.A0', more),
    ),
  );

/** A comparator whose plus input a button moves, with a resistor back from its output. */
const comparator = (lower: number, back: number, other: number): Design =>
  withButton(
    brief(
      `adapter G, comparator-393 U, resistor A, resistor B ohms=${lower}, resistor C ohms=10000, resistor D ohms=${other}, resistor F ohms=${back}, resistor P ohms=1000, led H, push-button S, capacitor K farads=1e-7`,
      'G.plus U.vcc, G.minus U.gnd, G.plus A.a, A.b B.a, B.b G.minus, A.b U.plus, S.a U.plus, S.b G.minus, G.plus C.a, C.b D.a, D.b G.minus, C.b U.minus, F.a U.out, F.b U.plus, G.plus P.a, P.b H.a, H.k U.out, K.a U.vcc, K.b U.gnd',
    ),
  );

const edges: Edge[] = [
  {
    code: 'pin-overvoltage',
    by: '0.1 mA of 9 V less 5 V and 0.6 V of the clamp',
    limit: (9 - 5.6) / 0.1e-3,
    finds: 'below',
    within: 0.03,
    unread: true,
    design: (ohms) =>
      onBoard(
        `resistor R ohms=${ohms}`,
        'G.plus R.a, R.b U.A0',
        channel('U.A0', { threshold: 900 }),
      ),
  },
  {
    code: 'pin-below-ground',
    by: '0.3 V below ground between 5 V and -9 V: 5.3 to 8.7',
    limit: (10e3 * 8.7) / 5.3,
    finds: 'below',
    within: 0.03,
    unread: true,
    design: (ohms) =>
      onBoard(
        `adapter N volts=9, resistor R1 ohms=10000, resistor R2 ohms=${ohms}`,
        'N.plus G.minus, U.5V R1.a, R1.b U.A0, R2.a U.A0, R2.b N.minus',
        channel('U.A0', { threshold: 900 }),
      ),
  },
  {
    code: 'source-resistance-high',
    by: 'one count of 1023 is left after 12 µs of 14 pF behind 10 kΩ: R·C·ln 1023, of two alike',
    limit: 2 * (12e-6 / (14e-12 * Math.log(1023)) - 10e3),
    finds: 'above',
    within: 0.02,
    unread: true,
    design: (ohms) => divided(ohms, ohms),
  },
  {
    code: 'tripped-at-rest',
    by: 'half of 1023 counts stand there at rest',
    limit: 511.5,
    finds: 'below',
    within: 0.003,
    onEarth: true,
    design: (threshold) => raised({ threshold, hysteresis: 5 }),
  },
  {
    code: 'channel-one-sided',
    by: 'half of 1023 counts are the most that is read',
    limit: 511.5,
    finds: 'above',
    within: 0.003,
    design: middle,
  },
  {
    code: 'range-wasted',
    by: 'a tenth of 1023 counts from 511.5: a lower half of R with R/(R + 10 kΩ) = 0.4, which 20 kΩ beside 10 kΩ give',
    limit: 20e3,
    finds: 'above',
    within: 0.01,
    design: (ohms) => beside(ohms, 480),
  },
  {
    code: 'reference-mismatch',
    by: 'two counts of 1023 are a tenth of 97.8 mV, of 9 V',
    limit: (10e3 * 0.0978) / (9 - 0.0978),
    finds: 'above',
    within: 0.02,
    unread: true,
    design: (ohms) => divided(10e3, ohms, 'G.plus'),
  },
  {
    code: 'may-chatter',
    by: 'six times 0.7 counts, whole',
    limit: 5,
    finds: 'below',
    within: 0.001,
    design: (hysteresis) => raised({ threshold: 700, hysteresis }),
  },
  {
    code: 'comparator-range',
    by: '1.5 V below 12 V: seven times the upper resistor',
    limit: 7 * 10e3,
    finds: 'above',
    within: 0.02,
    onEarth: true,
    design: (ohms) => comparator(ohms, 1e6, 100e3),
  },
  {
    code: 'hysteresis-missing',
    by: '10 mV of 12 V: Rs·(12/0.01 − 1) with 10 kΩ beside 15 kΩ',
    limit: 6e3 * (12 / 0.01 - 1),
    finds: 'above',
    within: 0.02,
    design: (ohms) => comparator(15e3, ohms, 10e3),
  },
  {
    code: 'charge-stays',
    by: '20 MΩ, of which 500 MΩ are its own leakage',
    limit: 1 / (1 / 20e6 - 1 / 500e6),
    finds: 'above',
    within: 0.05,
    design: (ohms) =>
      brief(`adapter G, piezo-disc B, resistor R ohms=${ohms}`, 'B.a R.a, B.b R.b, B.b G.minus'),
  },
  {
    code: 'heater-weak',
    by: '97 % of 4.9 V, of an adapter at the lower end of 5 %, behind 0.1 Ω at 33 Ω',
    limit: ((0.97 * 4.9) / 0.95) * (33.1 / 33),
    finds: 'below',
    within: 0.01,
    onEarth: true,
    design: (volts) =>
      onBoard(
        `adapter H volts=${volts}, gas-combustible B, resistor R ohms=10000`,
        'H.plus B.h1, H.minus B.h2, H.minus U.GND, U.5V B.a, B.b R.a, R.b U.GND, R.a U.A0',
        channel('U.A0', { threshold: 900 }),
      ),
  },
  {
    code: 'bulk-missing',
    by: 'half of 1 ms times the change of current over 0.5 V',
    limit: (0.5 * (0.2 - 2e-6) * 1e-3) / 0.5,
    finds: 'below',
    within: 0.01,
    unread: true,
    design: (farads) =>
      brief(
        `adapter G volts=3.3, radio-link R sending=0.2, electrolytic-capacitor C farads=${farads}`,
        'G.plus R.VCC, G.minus R.GND, C.plus G.plus, C.minus G.minus',
      ),
  },
  {
    code: 'decoupling-missing',
    by: 'half of 100 nF',
    limit: 50e-9,
    finds: 'below',
    within: 0.001,
    design: (farads) =>
      brief(
        `adapter G volts=5, chip-8bit-40pin U, capacitor C farads=${farads}`,
        'G.plus U.VCC, G.minus U.GND, C.a U.VCC, C.b U.GND',
        { ...pins() },
      ),
  },
];

holdEdges(edges);
