import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { mosfetFacet, powerMosfet } from '../power-mosfet.js';

export const pMosfet = definePart({
  kind: 'p-mosfet',
  label: 'MOSFET, p channel',
  summary: 'Switches the plus side: sensor power, reverse-polarity protection.',
  prefix: 'Q',
  words: ['mosfet', 'fet', 'high side', 'polarity', 'p channel', 'sensor power'],
  stage: 'drives',
  terminals: [
    { id: 'g', label: 'G', role: 'signal-in' },
    { id: 'd', label: 'D', role: 'signal-out' },
    { id: 's', label: 'S', role: 'passive' },
  ],
  params: [
    {
      id: 'threshold',
      label: 'Gate threshold',
      unit: 'V',
      default: 1.8,
      min: 0.3,
      max: 5,
      tolerance: 0.3,
    },
    { id: 'onOhms', label: 'On resistance at 5 V', unit: 'Ω', default: 0.06, min: 1e-3, max: 10 },
    { id: 'maxAmps', label: 'Drain current', unit: 'A', default: 10, min: 0.1, max: 200 },
    { id: 'maxVolts', label: 'Drain voltage', unit: 'V', default: 30, min: 10, max: 600 },
    {
      id: 'maxWatts',
      label: 'Heat without heat sink',
      unit: 'W',
      default: 1.5,
      min: 0.1,
      max: 200,
    },
  ],
  ratings: [
    { into: 'd', limit: (p) => p.maxAmps },
    { label: 'source over drain', from: 's', to: 'd', limit: (p) => p.maxVolts },
    { label: 'source over gate', from: 's', to: 'g', limit: 16 },
    { label: 'gate over source', from: 'g', to: 's', limit: 16 },
    { heat: (p) => p.maxWatts },
  ],
  elements: (p) =>
    powerMosfet('p', p, { gateSource: 1e-9, gateDrain: 0.2e-9, drainSource: 0.3e-9 }),
  mosfet: mosfetFacet,
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => `${formatNominal(p.onOhms, 'Ω')} on`,
  curve: {
    vary: { plus: 's', minus: 'g' },
    from: 0,
    to: 10,
    scale: 'linear',
    operating: [4, 10],
    feeds: [['s', 'o', 12]],
    loads: [['d', 'o', 10]],
    reads: { volts: ['d', 'o'] },
  },
  legsVary: true,
  notes: [
    'Source to the supply, a pull-up from gate to source keeps it off. On when the gate is pulled down.',
  ],
  cautions: [],
  source:
    'Square-law channel (Shichman and Hodges, IEEE Journal of Solid-State Circuits 3, 1968), smoothed at its threshold, with bulk resistance, body diode and capacitances; values as typical of 30 V types (from memory).',
  price: '1 to 5',
  glyph:
    'M1 12H8M8 6V18M11 5V9M11 10.5V13.5M11 15V19M11 7H18V1M11 17H18V23M11 12H18V17M15 10L18 12L15 14',
});
