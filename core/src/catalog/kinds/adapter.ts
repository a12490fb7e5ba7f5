import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

/** Their output capacitor bridges short gulps, F for each ampere. */
const faradsPerAmp = 470e-6;

/** Electronic ones give no more than this, A: past it their voltage falls. */
const givesUp = (p: { maxAmps: number }): number => 1.5 * p.maxAmps;

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
  ratings: [
    // It limits itself; its transformer takes seconds to get hot.
    { label: 'current drawn', outOf: 'plus', limit: (p) => p.maxAmps, bears: 10 },
  ],
  elements: (p, state) => [
    {
      type: 'limited-source',
      plus: '#emf',
      minus: 'minus',
      volts: p.volts * state.stimulus.supply,
      limit: givesUp(p),
    },
    { type: 'resistor', a: '#emf', b: '#out', ohms: p.ohms / 2 },
    { type: 'capacitor', a: '#out', b: 'minus', farads: faradsPerAmp * p.maxAmps },
    { type: 'resistor', a: '#out', b: 'plus', ohms: p.ohms / 2 },
  ],
  senses: { quantities: ['supply'] },
  supplies: [{ at: 'plus', volts: (p) => p.volts, param: 'volts' }],
  faultSource: { shortAmps: givesUp },
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
  notes: [
    'Asked for more than its rating it sags: what starts with a jerk can reset the controller beside it.',
    'Check the polarity of the plug with a meter before the first connection.',
  ],
  cautions: [
    'Mains voltage can kill. Use a closed, approved plug-in adapter and do not open it; leave fixed mains wiring to a licensed electrician and follow local codes.',
  ],
  source:
    'Voltage source with output resistance and constant current from one and a half times its rating on, with 470 µF for each ampere behind it, as usual of electronic adapters (from memory).',
  price: '5 to 20',
  glyph: 'M12 1V7M12 17V23M5 9H19M8.5 12H15.5M5 15H19',
});
