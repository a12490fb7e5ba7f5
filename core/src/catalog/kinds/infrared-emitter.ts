import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const infraredEmitter = definePart({
  kind: 'infrared-emitter',
  label: 'Infrared beam emitter',
  summary: 'An infrared LED, with or without a lens, that lights a receiver.',
  prefix: 'E',
  words: ['infrared', 'ir', 'beam', 'led', 'emitter', 'transmitter'],
  stage: 'feels',
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    {
      id: 'intensity',
      label: 'Intensity per ampere',
      unit: 'W/sr/A',
      default: 20,
      min: 0.01,
      max: 1000,
      tolerance: 0.3,
    },
    { id: 'aged', label: 'Lost by age', unit: '', default: 0, min: 0, max: 0.9 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 3, min: 0.5, max: 80 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.1, min: 1e-3, max: 2 },
  ],
  ratings: [
    { into: 'a', limit: (p) => p.maxAmps },
    { label: 'reversed', from: 'k', to: 'a', limit: 5 },
    { heat: (p) => 1.6 * p.maxAmps },
  ],
  elements: () => [
    // 1.35 V at 50 mA: I = Is·exp(V/(n·Vt)) and 1 Ω of bulk and lead.
    { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 5.1e-13, emission: 2, gap: 1.4 },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: 1 },
  ],
  junctions: [{ anode: 'a', cathode: 'k', volts: () => 1.5, maxAmps: (p) => p.maxAmps }],
  tunable: ['halfAngle'],
  headline: (p) => `${formatNominal(p.intensity, '')} W/sr/A`,
  emits: {
    quantity: 'infrared',
    halfAngle: (p) => p.halfAngle,
    intensity: (part, p) => p.intensity * (1 - p.aged) * Math.max(0, into(part, 'a')),
  },
  curve: {
    vary: { plus: 'v', minus: 'k' },
    from: 0,
    to: 12,
    scale: 'linear',
    operating: [3.3, 12],
    loads: [['v', 'a', 100]],
    reads: { amps: 'a' },
  },
  notes: [
    'Long lead is the anode. It glows in the viewfinder of a simple camera, not to the eye.',
    'Always needs a series resistor.',
    'At its full current it loses half of its light within years: run it at a third.',
  ],
  cautions: [
    'Do not look into a focused infrared emitter from close by: the eye does not blink at light it cannot see.',
  ],
  source:
    'Diode equation (Shockley, Bell System Technical Journal 28, 1949) fitted to 1.35 V at 50 mA; lensed intensity from memory.',
  price: '1 to 5',
  glyph: 'M1 12H7M7 6V18L17 12ZM17 6V18M17 12H23M14 4L18 0M18 3L18 0L15 0M19 6L23 2M23 5L23 2L20 2',
});
