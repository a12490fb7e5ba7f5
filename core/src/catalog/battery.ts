import type { Element } from '../element/index.js';
import { formatNominal } from '../quantity/index.js';
import { definePart } from './define-part.js';
import type { Param, PartKind, PartState, ValuesOf } from './part-kind.js';

/** What differs from one battery chemistry to the next. */
interface Chemistry extends Pick<
  PartKind,
  'kind' | 'label' | 'summary' | 'words' | 'notes' | 'cautions' | 'source' | 'price'
> {
  volts: number;
  ampHours: number;
  charge: number;
  ohms: number;
  /** Lost in a month by itself, of its capacity. */
  selfDischarge: number;
  /** Largest current, in multiples of its capacity in an hour. */
  mostHours: number;
  /** Open-circuit volts over nominal ones, at even steps from empty to full. */
  curve: readonly [empty: number, ...number[]];
  /** Not to be charged below, °C. */
  chargedFrom?: number;
  grave?: boolean;
  /** Capacity lost a kelvin below 25 °C. */
  cold: number;
}

const params = (c: Chemistry) =>
  [
    { id: 'volts', label: 'Nominal voltage', unit: 'V', default: c.volts, min: 1, max: 48 },
    { id: 'ampHours', label: 'Capacity', unit: 'A·h', default: c.ampHours, min: 0.02, max: 500 },
    { id: 'charge', label: 'Charge', unit: '', default: c.charge, min: 0, max: 1 },
    {
      id: 'ohms',
      label: 'Internal resistance when full',
      unit: 'Ω',
      default: c.ohms,
      min: 1e-3,
      max: 100,
    },
    { id: 'age', label: 'Share of its life used', unit: '', default: 0, min: 0, max: 1 },
    {
      id: 'selfDischarge',
      label: 'Self-discharge a month',
      unit: '',
      default: c.selfDischarge,
      min: 0,
      max: 0.5,
    },
  ] as const satisfies readonly Param[];

type Values = ValuesOf<ReturnType<typeof params>>;

/** At the end of its life a fifth of the capacity is gone and the resistance has doubled. */
function elements(c: Chemistry, p: Values, state: PartState): Element[] {
  const chill = 25 - state.celsius;
  const warmth = Math.min(1, Math.max(0.2, 1 - c.cold * chill));
  const capacity = 3600 * p.ampHours * (1 - 0.2 * p.age) * warmth;
  return [
    {
      type: 'battery',
      plus: 'plus',
      minus: 'minus',
      level: '#level',
      capacity,
      charge: p.charge * state.stimulus.charge,
      curve: c.curve.map((share) => share * p.volts),
      ohms: p.ohms * (1 + p.age) * Math.max(1, 1 + 0.015 * chill),
      selfDischarge: (p.selfDischarge * capacity) / (30 * 86400),
    },
  ];
}

/** A battery of some chemistry. */
export function batteryKind(c: Chemistry) {
  const { kind, label, summary, words, notes, cautions, source, price } = c;
  const [low, high] = [c.curve[0], c.curve.at(-1) ?? c.curve[0]];
  return definePart({
    kind,
    label,
    summary,
    prefix: 'G',
    words: ['battery', 'power', 'supply', 'portable', ...words],
    stage: 'feeds',
    terminals: [
      { id: 'plus', label: '+', role: 'supply-out' },
      { id: 'minus', label: '−', role: 'ground' },
    ],
    params: params(c),
    ratings: [{ label: 'current drawn', outOf: 'plus', limit: (p) => c.mostHours * p.ampHours }],
    elements: (p, state) => elements(c, p, state),
    supplies: [{ at: 'plus', volts: (p) => p.volts, param: 'volts' }],
    faultSource: { shortAmps: (p) => p.volts / p.ohms },
    store: { ampHours: (p) => p.ampHours, level: 'charge', chargedFrom: c.chargedFrom },
    grave: c.grave,
    tunable: ['ohms'],
    headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.ampHours, 'A·h')}`,
    senses: { quantities: ['charge'] },
    curve: {
      vary: { param: 'charge' },
      from: 0,
      to: 1,
      scale: 'linear',
      operating: [0.2, 1],
      loads: [['plus', 'minus', 1e6]],
      reads: { volts: ['plus', 'minus'] },
    },
    notes,
    cautions,
    source: `${source} Open-circuit volts from ${low} to ${high} of nominal.`,
    price,
    glyph: 'M12 1V7M12 17V23M5 7H19M9 10.5H15M5 14H19M9 17H15',
  });
}
