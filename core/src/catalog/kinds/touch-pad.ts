import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const touchPad = definePart({
  kind: 'touch-pad',
  label: 'Bare touch pad',
  summary:
    'A piece of foil or copper whose capacitance to ground a finger raises; read by a touch pin or timed through a resistor.',
  prefix: 'S',
  words: ['touch', 'foil', 'pad', 'finger', 'capacitive', 'copper', 'plant'],
  stage: 'feels',
  ages: 'Hardly; damp and dirt on it shift its rest: it has to learn anew.',
  terminals: [
    { id: 'pad', label: 'pad', role: 'signal-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'rest', label: 'Capacitance at rest', unit: 'F', default: 10e-12, min: 1e-13, max: 1e-9 },
    { id: 'radius', label: 'Pad radius', unit: 'm', default: 0.015, min: 0.001, max: 0.3 },
    { id: 'leak', label: 'Leakage', unit: 'Ω', default: 1e9, min: 1e5, max: 1e12 },
    { id: 'atRest', label: 'A touch pin counts at rest', unit: '', default: 500, min: 1, max: 1e6 },
  ],
  ratings: [{ label: 'voltage', from: 'pad', to: 'GND', limit: 30 }],
  elements: (p, state) => [
    { type: 'capacitor', a: 'pad', b: 'GND', farads: p.rest + state.stimulus.touch },
    { type: 'resistor', a: 'pad', b: 'GND', ohms: p.leak },
  ],
  reads: [
    {
      id: 'counts',
      label: 'Charging time, tenths of a picofarad',
      full: () => 65535,
      noise: () => 1,
      counts: (stimulus, p) => (p.rest + stimulus.touch) / 0.1e-12,
      through: ['pad'],
      works: () => true,
      asked: { by: 'touch', at: 'pad', product: (p) => (p.atRest * p.rest) / 0.1e-12 },
    },
  ],
  frontEnd: 'touch',
  headline: (p) => formatNominal(p.rest, 'F'),
  senses: { quantities: ['touch'], radius: (p) => p.radius, noise: () => 0.1e-12 },
  curve: {
    vary: { stimulus: 'touch' },
    from: 0,
    to: 30e-12,
    scale: 'linear',
    operating: [2e-12, 30e-12],
    reads: { readout: 'counts' },
  },
  notes: [
    'A touch pin counts how often it charges in a fixed time: the count is taken as going with the capacitance.',
    'Interrupt mode “low” fires for as long as it is held; use “change” or “falling” for one event a touch.',
    'Long leads and damp add capacitance: take the baseline where it will stay.',
  ],
  cautions: ['Never make a pad of anything that could touch mains or a lightning-exposed wire.'],
  source:
    'Capacitance to ground at rest plus what a finger adds (from the scene); 10 pF as usual for a coin-sized pad (from memory).',
  price: 'under 1',
  glyph: 'M4 14H20V18H4ZM12 14V2M9 5L12 2L15 5M12 18V22M8 22H16',
});
