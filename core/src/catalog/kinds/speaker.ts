import { definePart } from '../define-part.js';
import { soundsFrom, swingElements, swingNode } from '../swing.js';
import { formatNominal } from '../../quantity/index.js';

/** Hertz times volts from which it is heard: 0.5 V peak to peak at 400 Hz (from memory). */
const heard = 200;

export const speaker = definePart({
  kind: 'speaker',
  label: 'Loudspeaker',
  summary: 'Turns an amplifier’s swing into sound.',
  prefix: 'P',
  words: ['speaker', 'sound', 'loudspeaker', 'audio', 'voice', 'horn'],
  stage: 'acts',
  terminals: [
    { id: 'a', label: '+', role: 'passive' },
    { id: 'b', label: '−', role: 'passive' },
  ],
  stateNodes: [swingNode],
  params: [
    { id: 'ohms', label: 'Impedance', unit: 'Ω', default: 8, min: 2, max: 1000 },
    { id: 'henries', label: 'Voice coil', unit: 'H', default: 0.3e-3, min: 1e-6, max: 0.1 },
    { id: 'watts', label: 'Power rating', unit: 'W', default: 3, min: 0.05, max: 200 },
  ],
  ratings: [{ heat: (p) => p.watts }],
  elements: (p) => [
    { type: 'inductor', a: 'a', b: 'b', henries: p.henries, ohms: 0.85 * p.ohms },
    { type: 'resistor', a: 'a', b: 'b', ohms: 100 * p.ohms },
    ...swingElements('a', 'b', 1e-9),
  ],
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.ohms, 'Ω')}, ${formatNominal(p.watts, 'W')}`,
  acts: soundsFrom(heard),
  curve: {
    vary: { plus: 'a', minus: 'b' },
    from: -3,
    to: 3,
    scale: 'linear',
    operating: [-2.5, 2.5],
    reads: { amps: 'a' },
  },
  notes: [
    'Steady current through it makes no sound and only heats it: couple it with a capacitor.',
  ],
  cautions: [],
  source:
    'Voice coil as resistance and inductance (Small, Journal of the Audio Engineering Society 20, 1972); 85 % of its rated impedance, which IEC 60268-5 lets fall to 80 % (from memory).',
  price: '1 to 5',
  glyph: 'M3 9H8V15H3ZM8 9L16 3V21L8 15M19 9A4 4 0 0 1 19 15',
});
