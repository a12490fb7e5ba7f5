import { regulatorFacets } from '../regulator.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const linearRegulator = definePart({
  kind: 'linear-regulator',
  label: 'Linear regulator',
  summary: 'Makes a steady lower voltage; turns the rest into heat.',
  prefix: 'U',
  words: ['regulator', '7805', 'supply', '5 v', '3.3 v', 'power', 'ldo'],
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
      min: 1,
      max: 24,
      tolerance: 0.04,
    },
    { id: 'dropOut', label: 'Drop-out', unit: 'V', default: 1.8, min: 0.05, max: 3 },
    { id: 'own', label: 'Own current', unit: 'A', default: 5e-3, min: 1e-7, max: 0.05 },
    { id: 'maxAmps', label: 'Current limit', unit: 'A', default: 1, min: 0.01, max: 10 },
    { id: 'maxWatts', label: 'Heat without heat sink', unit: 'W', default: 1.5, min: 0.1, max: 50 },
  ],
  ratings: [
    { heat: (p) => p.maxWatts },
    { label: 'input voltage', from: 'in', to: 'gnd', limit: 35 },
    { label: 'input reversed', from: 'gnd', to: 'in', limit: 0.5 },
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
      outputOhms: 0.02,
      quiescent: p.own,
      limit: 1.5 * p.maxAmps,
    },
  ],
  ...regulatorFacets,
  ownAmps: (p) => p.own,
  headline: (p) => formatNominal(p.volts, 'V'),
  curve: {
    vary: { plus: 'in', minus: 'gnd' },
    from: 0,
    to: 15,
    scale: 'linear',
    operating: [7, 12],
    loads: [['out', 'gnd', 47]],
    reads: { volts: ['out', 'gnd'] },
  },
  legsVary: true,
  notes: ['Needs a capacitor close to input and output. Its heat is (input − output) × current.'],
  cautions: [],
  source:
    'Set voltage with drop-out, own current and current limit, as typical of 7805 types (from memory).',
  price: 'under 1',
  glyph: 'M5 6H19V16H5ZM1 10H5M19 10H23M12 16V22M9 12H15',
});
