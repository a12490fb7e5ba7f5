import type { Element } from '../element/index.js';
import {
  comparatorInside,
  comparatorNotes,
  comparatorRatings,
  comparatorTerminals,
  trimmerParam,
} from './comparator-module.js';
import { formatNominal } from '../quantity/index.js';
import { inner, moduleElements } from './module.js';
import { definePart } from './define-part.js';
import type { Param, PartKind, PartState, ValuesOf } from './part-kind.js';
import { resistor } from './kinds/resistor.js';
import type { Quantity } from './surroundings.js';

/** From memory. */
const gasAges = 'Lasts some 5 years under power; silicone and sulphur poison it.';

/** A gas and the element's answer to it: Rs/R0 = a·ppm^b. */
export interface GasCurve {
  gas: Extract<Quantity, 'propane' | 'methane' | 'alcohol' | 'monoxide' | 'smoke'>;
  a: number;
  b: number;
}

interface GasKind extends Pick<PartKind, 'kind' | 'label' | 'summary' | 'words'> {
  /** The main gas first. */
  curves: readonly [GasCurve, ...GasCurve[]];
  /** Of the main gas, ppm. */
  operating: readonly [number, number];
  /** Rs in clean air over R0. */
  cleanAir: number;
  r0: number;
  source: string;
}

/** How much more it conducts just after it is switched on, and how fast that passes, s (from memory). */
const firstRush = 4;
/** Unheated it hardly conducts at all, Ω. */
const coldOhms = 1e9;

/** Well under the beginning of the published curves the answer goes straight to nothing: ppm, dB/m. */
const least = (gas: GasCurve['gas']): number => (gas === 'smoke' ? 0.01 : 25);

/** What an element conducts of a gas, over that at R0: (x^−b)/a, led into a straight line below. */
const ofGas = ({ gas, a, b }: GasCurve, x: number): number =>
  (x ** -b / a) * Math.tanh(x / least(gas)) ** (1 + b);

/** How fast what clean air conducts is taken over by gas: below 1, so that the least gas still shows. */
const takenOver = 0.8;

/**
 * Conductance over that at R0. Published lines are of all that an element conducts, clean air with the gas: where there is gas
 * enough the sum of the lines is all there is, without any it is clean air. Above 20 °C and 65 % relative humidity it conducts
 * more, below less (a straight line in each; from memory).
 */
export function gasResponse(
  curves: readonly GasCurve[],
  cleanAir: number,
  { stimulus }: Pick<PartState, 'stimulus'>,
): number {
  const gases = curves.reduce((sum, curve) => sum + ofGas(curve, stimulus[curve.gas]), 0);
  const air = Math.exp(-takenOver * gases * cleanAir) / cleanAir;
  const weather = 1 + 0.008 * (stimulus.temperature - 20) + 0.004 * (stimulus.humidity - 65);
  return (gases + air) * Math.max(0.2, weather);
}

const params = (about: GasKind) =>
  [
    {
      id: 'r0',
      label: 'R0, at its reference',
      unit: 'Ω',
      default: about.r0,
      min: 100,
      max: 1e6,
      tolerance: 0.5,
    },
    {
      id: 'cleanAir',
      label: 'Rs/R0 in clean air',
      unit: '',
      default: about.cleanAir,
      min: 1,
      max: 100,
    },
    { id: 'drift', label: 'Rs has drifted to, of new', unit: '×', default: 1, min: 0.1, max: 10 },
    { id: 'heater', label: 'Heater', unit: 'Ω', default: 33, min: 5, max: 500, tolerance: 0.05 },
    { id: 'warmUp', label: 'Warms up in', unit: 's', default: 20, min: 0.1, max: 600 },
    { id: 'settles', label: 'Settles in', unit: 's', default: 60, min: 1, max: 3600 },
    { id: 'lag', label: 'Answers in', unit: 's', default: 8, min: 0.1, max: 300 },
  ] as const satisfies readonly Param[];

type Values = ValuesOf<ReturnType<typeof params>>;

function elements(about: GasKind, p: Values, state: PartState): Element[] {
  const clean = 1 / (p.r0 * p.drift * p.cleanAir);
  const response = gasResponse(about.curves, p.cleanAir, state);
  return [
    { type: 'resistor', a: 'h1', b: 'h2', ohms: p.heater },
    {
      type: 'warm-up',
      plus: 'h1',
      minus: 'h2',
      node: '#warm',
      volts: 4.9,
      up: p.warmUp,
      down: p.warmUp,
    },
    {
      type: 'warm-up',
      plus: 'h1',
      minus: 'h2',
      node: '#settled',
      volts: 4.9,
      up: p.settles,
      down: p.settles,
    },
    // The logarithm of the conductance over that of clean air: followed with a lag, over decades.
    {
      type: 'level',
      node: '#air',
      value: Math.log(response * p.cleanAir),
      up: p.lag,
      down: 3 * p.lag,
    },
    { type: 'conductance', a: 'a', b: '#hot', control: '#air', baseSiemens: clean, perVolt: 1 },
    {
      type: 'conductance',
      a: 'a',
      b: '#hot',
      control: '#settled',
      baseSiemens: firstRush * clean,
      perVolt: -9,
    },
    {
      type: 'conductance',
      a: '#hot',
      b: 'b',
      control: '#warm',
      baseSiemens: 1 / coldOhms,
      perVolt: 24,
    },
  ];
}

const cautions = [
  'A hobby gas detector never replaces a certified alarm (EN 50194, EN 50291, UL 2034), and shut-off must fail safe. Never test with a gas release.',
];

/** Said of every heated element. */
const notes = [
  'First burn-in 24 to 48 h; after each power-up minutes until it can be believed: it begins by reading gas.',
  'R0 differs by a factor of several between elements: take it in clean air, with this very element.',
  'Humidity, temperature, silicone vapour and other gases shift it; it ages: within years Rs drifts by half and more.',
  'The heater takes about 150 mA at 5 V, all the time.',
];

/** A heated metal-oxide gas element: heater at h1 and h2, sensing layer between a and b. */
export function gasElement(about: GasKind) {
  const [main] = about.curves;
  return definePart({
    kind: about.kind,
    label: about.label,
    summary: about.summary,
    prefix: 'B',
    words: ['gas', 'leak', 'air', 'heated', 'vapour', ...about.words],
    stage: 'feels',
    ages: gasAges,
    terminals: [
      { id: 'a', label: 'A', role: 'passive' },
      { id: 'b', label: 'B', role: 'signal-out' },
      { id: 'h1', label: 'H', role: 'supply-in' },
      { id: 'h2', label: 'H', role: 'passive' },
    ],
    params: params(about),
    feed: { plus: 'h1', minus: 'h2', least: () => 4.9, heater: true },
    ratings: [
      { label: 'heater', from: 'h1', to: 'h2', limit: 5.3 },
      { label: 'heater, reversed', from: 'h2', to: 'h1', limit: 5.3 },
      { heat: 1 },
    ],
    elements: (p, state) => elements(about, p, state),
    phases: [{ label: 'heated', amps: (p) => 5 / p.heater }],
    frontEnd: 'heater',
    lifeSafety: true,
    headline: (p) => `R0 ${formatNominal(p.r0, 'Ω')}`,
    warmUp: warmedBy,
    senses: {
      quantities: [main.gas, ...about.curves.slice(1).map((c) => c.gas), 'temperature', 'humidity'],
      // About half a per cent of Rs in clean air, where the least gas shows with a fifth of itself.
      noise: () => least(main.gas) / 100,
      rises: 'b',
    },
    curve: {
      vary: { stimulus: main.gas },
      from: main.gas === 'smoke' ? 0.01 : 10,
      to: main.gas === 'smoke' ? 3 : 20e3,
      scale: 'log',
      operating: about.operating,
      feeds: [
        ['h1', 'h2', 5],
        ['a', 'h2', 1],
      ],
      loads: [['b', 'h2', 1]],
      reads: { ohms: ['a', 'b'] },
    },
    notes,
    cautions,
    source: about.source,
    price: '1 to 5',
    glyph: 'M5 10A7 7 0 0 1 19 10V20H5ZM8 20V23M16 20V23M9 10H15M9 13H15M9 16H15',
  });
}

/** When it is as warm as it gets but for a twentieth: after three time constants. */
const warmedBy = (p: { warmUp: number }): number => 3 * p.warmUp;

/** A board with a gas element, its load resistor, comparator and trimmer. */
export function gasModule(
  element: ReturnType<typeof gasElement>,
  about: Pick<PartKind, 'kind' | 'label' | 'summary' | 'words' | 'first'>,
) {
  const inside = comparatorInside(
    (p: Values & { turn: number; load: number }) => [
      inner('B1', 'Gas element', element, {
        r0: p.r0,
        cleanAir: p.cleanAir,
        drift: p.drift,
        heater: p.heater,
        warmUp: p.warmUp,
        settles: p.settles,
        lag: p.lag,
      }),
      inner('R1', 'Load resistor', resistor, { ohms: p.load }),
    ],
    [
      ['VCC', 'B1.h1'],
      ['B1.h2', 'GND'],
      ['VCC', 'B1.a'],
      ['B1.b', 'AO'],
      ['AO', 'R1.a'],
      ['R1.b', 'GND'],
    ],
    'above',
  );
  const { curve } = element;
  return definePart({
    ...about,
    prefix: 'B',
    stage: 'feels',
    ages: gasAges,
    terminals: comparatorTerminals,
    params: [
      trimmerParam(0.5),
      { id: 'load', label: 'Load resistor', unit: 'Ω', default: 10e3, min: 100, max: 1e6 },
      ...element.params,
    ],
    feed: { plus: 'VCC', minus: 'GND', least: () => 4.9, heater: true },
    ratings: [
      { label: 'supply', from: 'VCC', to: 'GND', limit: 5.3 },
      ...comparatorRatings.slice(1),
    ],
    inside,
    ownLine: inside.ownLine,
    elements: (p, state) => moduleElements(inside, p, state),
    phases: element.phases,
    lifeSafety: true,
    headline: (p) => `trimmer ${Math.round(100 * p.turn)} %`,
    warmUp: warmedBy,
    senses: element.senses && { ...element.senses, rises: 'AO' },
    curve: curve && {
      ...curve,
      feeds: [['VCC', 'GND', 5]],
      loads: [],
      reads: { volts: ['AO', 'GND'] },
    },
    notes: [...comparatorNotes, ...notes],
    cautions,
    source: `The circuit inside, solved; 10 kΩ load as usual on such boards. Element: ${element.source}`,
    price: '1 to 5',
    glyph: 'M2 4H22V20H2ZM6 12A4 4 0 0 1 14 12V17H6ZM17 8L20 12L17 16',
  });
}
