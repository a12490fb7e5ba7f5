import { regulatorFacets } from '../regulator.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const switchingRegulator = definePart({
  kind: 'switching-regulator',
  label: 'Switching regulator, step-down',
  summary: 'Makes a steady lower voltage with little heat; takes power, not current.',
  prefix: 'U',
  words: ['regulator', 'buck', 'step-down', 'converter', 'dc-dc', 'efficient', 'supply'],
  stage: 'feeds',
  terminals: [
    { id: 'in', label: 'IN', role: 'supply-in' },
    { id: 'out', label: 'OUT', role: 'supply-out' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    {
      id: 'volts',
      label: 'Output voltage',
      unit: 'V',
      default: 5,
      min: 0.8,
      max: 24,
      tolerance: 0.03,
    },
    { id: 'dropOut', label: 'Drop-out', unit: 'V', default: 1, min: 0.05, max: 3 },
    { id: 'efficiency', label: 'Efficiency', unit: '', default: 0.88, min: 0.3, max: 0.99 },
    { id: 'own', label: 'Own current', unit: 'A', default: 2e-3, min: 1e-7, max: 0.05 },
    { id: 'maxAmps', label: 'Current limit', unit: 'A', default: 1.5, min: 0.01, max: 10 },
  ],
  ratings: [
    { label: 'input voltage', from: 'in', to: 'gnd', limit: 28 },
    { label: 'input reversed', from: 'gnd', to: 'in', limit: 0.3 },
    { label: 'current at out', outOf: 'out', limit: (p) => p.maxAmps },
  ],
  elements: (p) => [
    {
      type: 'regulator',
      input: 'in',
      output: 'out',
      ground: 'gnd',
      volts: p.volts,
      dropOut: p.dropOut,
      outputOhms: 0.05,
      quiescent: p.own,
      limit: 1.3 * p.maxAmps,
      efficiency: p.efficiency,
    },
  ],
  ...regulatorFacets,
  ownAmps: (p) => p.own,
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${Math.round(100 * p.efficiency)} %`,
  curve: {
    vary: { plus: 'in', minus: 'gnd' },
    from: 0,
    to: 15,
    scale: 'linear',
    operating: [7, 12],
    loads: [['out', 'gnd', 47]],
    reads: { volts: ['out', 'gnd'] },
  },
  notes: [
    'Ripples at its switching frequency: filter the supply of analogue sensors. The ripple is not computed.',
  ],
  cautions: [],
  source:
    'Averaged behaviour (Erickson and Maksimović, Fundamentals of Power Electronics): input power is output power over efficiency, plus its own current (from memory).',
  price: '1 to 5',
  glyph: 'M5 6H19V16H5ZM1 10H5M19 10H23M12 16V22M8 13H10V9H14V13H16',
});
