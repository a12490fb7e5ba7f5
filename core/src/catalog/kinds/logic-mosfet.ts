import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { mosfetFacet, powerMosfet } from '../power-mosfet.js';

export const logicMosfet = definePart({
  kind: 'logic-mosfet',
  label: 'Logic-level MOSFET, n channel',
  summary: 'A pin voltage switches amperes to ground: lamps, strips, pumps, with dimming.',
  prefix: 'Q',
  words: ['mosfet', 'fet', 'switch', 'driver', 'low side', 'pwm', 'strip', 'dim'],
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
      default: 1.6,
      min: 0.3,
      max: 5,
      tolerance: 0.3,
    },
    { id: 'onOhms', label: 'On resistance at 5 V', unit: 'Ω', default: 0.025, min: 1e-3, max: 10 },
    { id: 'maxAmps', label: 'Drain current', unit: 'A', default: 20, min: 0.1, max: 200 },
    { id: 'maxVolts', label: 'Drain voltage', unit: 'V', default: 55, min: 10, max: 600 },
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
    { label: 'drain over source', from: 'd', to: 's', limit: (p) => p.maxVolts },
    { label: 'gate over source', from: 'g', to: 's', limit: 16 },
    { label: 'gate under source', from: 's', to: 'g', limit: 16 },
    { heat: (p) => p.maxWatts },
  ],
  elements: (p) =>
    powerMosfet('n', p, { gateSource: 1e-9, gateDrain: 0.15e-9, drainSource: 0.3e-9 }),
  mosfet: mosfetFacet,
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => `${formatNominal(p.onOhms, 'Ω')} on`,
  curve: {
    vary: { plus: 'g', minus: 's' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [3, 5],
    feeds: [['w', 's', 12]],
    loads: [['w', 'd', 10]],
    reads: { volts: ['d', 's'] },
  },
  legsVary: true,
  notes: [
    'The gate must never float: 10 kΩ from gate to source keeps it off (common practice).',
    'At 3.3 V only types with a low threshold open fully.',
  ],
  cautions: [],
  source:
    'Square-law channel (Shichman and Hodges, IEEE Journal of Solid-State Circuits 3, 1968), smoothed at its threshold, with bulk resistance, body diode and capacitances; values as typical of 55 V logic-level types (from memory).',
  price: '1 to 5',
  glyph:
    'M1 12H8M8 6V18M11 5V9M11 10.5V13.5M11 15V19M11 7H18V1M11 17H18V23M11 12H18V17M14 10L11 12L14 14',
});
