import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const adapter = definePart({
  kind: 'adapter',
  label: 'Plug-in adapter',
  summary: 'A closed mains adapter that feeds low voltage.',
  prefix: 'G',
  words: ['supply', 'power', '12 v', 'feed', 'mains', 'source'],
  stage: 'feeds',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-out' },
    { id: 'minus', label: '−', role: 'ground' },
  ],
  params: [
    { id: 'volts', label: 'Voltage', unit: 'V', default: 12, min: 1, max: 60, tolerance: 0.05 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 1, min: 0.01, max: 30 },
    { id: 'ohms', label: 'Output resistance', unit: 'Ω', default: 0.1, min: 0.001, max: 100 },
  ],
  ratings: [{ label: 'current drawn', outOf: 'plus', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    {
      type: 'voltage-source',
      plus: '#emf',
      minus: 'minus',
      volts: p.volts * state.stimulus.supply,
    },
    { type: 'resistor', a: '#emf', b: 'plus', ohms: p.ohms },
  ],
  senses: { quantities: ['supply'] },
  supplies: [{ at: 'plus', volts: (p) => p.volts, param: 'volts' }],
  // Electronic ones give up soon after their rating.
  faultSource: { shortAmps: (p) => 1.5 * p.maxAmps },
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.maxAmps, 'A')}`,
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 11.8,
    to: 12.02,
    scale: 'linear',
    operating: [11.9, 12],
    reads: { amps: 'plus' },
  },
  notes: ['Check the polarity of the plug with a meter before the first connection.'],
  cautions: [
    'Mains voltage can kill. Use a closed, approved plug-in adapter and do not open it; leave fixed mains wiring to a licensed electrician and follow local codes.',
  ],
  source: 'Voltage source with output resistance (from memory).',
  price: '5 to 20',
  glyph: 'M12 1V7M12 17V23M5 9H19M8.5 12H15.5M5 15H19',
});
