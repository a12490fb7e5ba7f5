import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import type { Element } from '../../element/index.js';

export const loadCell = definePart({
  kind: 'load-cell',
  label: 'Load cell, bridge',
  summary: 'Four strain gauges that unbalance as it is loaded: a few millivolts for its full load.',
  prefix: 'B',
  words: ['weight', 'load', 'force', 'scale', 'strain', 'bridge', 'hive', 'kg'],
  stage: 'feels',
  ages: 'Creeps a little under a lasting load; damp shifts its zero.',
  terminals: [
    { id: 'ep', label: 'E+', role: 'passive' },
    { id: 'em', label: 'E−', role: 'passive' },
    { id: 'sp', label: 'S+', role: 'signal-out' },
    { id: 'sm', label: 'S−', role: 'signal-out' },
  ],
  params: [
    { id: 'full', label: 'Full load', unit: 'N', default: 490, min: 0.1, max: 1e5 },
    {
      id: 'perVolt',
      label: 'Output per volt at full load',
      unit: '',
      default: 2e-3,
      min: 1e-4,
      max: 0.01,
      tolerance: 0.1,
    },
    { id: 'ohms', label: 'Gauge resistance', unit: 'Ω', default: 1000, min: 50, max: 1e4 },
    { id: 'offset', label: 'Offset of full load', unit: '', default: 0.02, min: -0.5, max: 0.5 },
    { id: 'radius', label: 'Radius of the platform', unit: 'm', default: 0.15, min: 0.005, max: 2 },
  ],
  ratings: [
    { label: 'excitation', from: 'ep', to: 'em', limit: 10 },
    { label: 'excitation, reversed', from: 'em', to: 'ep', limit: 10 },
    { heat: 0.2 },
  ],
  elements: (p, state) => {
    const strain = p.perVolt * (state.stimulus.force / p.full + p.offset);
    const arm = (a: string, b: string, sign: number): Element => ({
      type: 'resistor',
      a,
      b,
      ohms: p.ohms * Math.max(0.5, 1 + sign * strain),
    });
    return [arm('ep', 'sp', -1), arm('sp', 'em', 1), arm('ep', 'sm', 1), arm('sm', 'em', -1)];
  },
  tunable: ['ohms'],
  frontEnd: 'bridge',
  headline: (p) => formatNominal(p.full, 'N'),
  senses: {
    quantities: ['force'],
    radius: (p) => p.radius,
    noise: (p) => 5e-5 * p.full,
    rises: 'sp',
  },
  curve: {
    vary: { stimulus: 'force' },
    from: 0,
    to: 600,
    scale: 'linear',
    operating: [0, 490],
    feeds: [['ep', 'em', 5]],
    reads: { volts: ['sp', 'sm'] },
  },
  notes: [
    'Two millivolts a volt at full load: it needs an amplifier of its own right beside it.',
    'Overloading by half bends it for ever: build a stop.',
    'Take the zero at power-up; it drifts with temperature.',
  ],
  cautions: [],
  source:
    'Full bridge of four gauges, ΔR/R = ±output per volt (closed form), rated as OIML R 60 does; 2 mV/V, 1 kΩ as typical (from memory).',
  price: '1 to 5',
  glyph: 'M12 3L21 12L12 21L3 12ZM12 3V1M12 21V23M3 12H1M21 12H23M10 10L14 14M10 14L14 10',
});
