import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { soundsFrom, swingElements, swingNode } from '../swing.js';

/** Hertz times volts from which it is heard as a tone: 1 V peak to peak at 500 Hz (from memory). */
const heard = 500;

export const piezoBuzzer = definePart({
  kind: 'piezo-buzzer',
  label: 'Passive piezo buzzer',
  summary: 'A disc that sounds when it is driven with a tone; loudest at its resonance.',
  prefix: 'P',
  words: ['buzzer', 'piezo', 'tone', 'beep', 'passive', 'sound'],
  stage: 'acts',
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  stateNodes: [swingNode],
  params: [
    { id: 'farads', label: 'Capacitance', unit: 'F', default: 15e-9, min: 1e-10, max: 1e-6 },
    { id: 'resonance', label: 'Resonance', unit: 'Hz', default: 4000, min: 200, max: 40e3 },
    { id: 'maxVolts', label: 'Voltage rating', unit: 'V', default: 25, min: 1, max: 100 },
  ],
  ratings: [
    { label: 'voltage', from: 'a', to: 'b', limit: (p) => p.maxVolts },
    { label: 'voltage, reversed', from: 'b', to: 'a', limit: (p) => p.maxVolts },
  ],
  elements: (p) => {
    // Butterworth and Van Dyke's circuit: a capacitor beside a resonant branch of a tenth of it.
    const moving = 0.1 * p.farads;
    const omega = 2 * Math.PI * p.resonance;
    return [
      { type: 'resistor', a: 'a', b: '#disc', ohms: 20 },
      { type: 'capacitor', a: '#disc', b: 'b', farads: p.farads },
      {
        type: 'inductor',
        a: '#disc',
        b: '#moving',
        henries: 1 / (omega ** 2 * moving),
        ohms: 0.05 / (omega * moving),
      },
      { type: 'capacitor', a: '#moving', b: 'b', farads: moving },
      { type: 'resistor', a: 'a', b: 'b', ohms: 1e7 },
      ...swingElements('a', 'b', p.farads / 50),
    ];
  },
  ownFarads: (p) => p.farads,
  headline: (p) => formatNominal(p.resonance, 'Hz'),
  acts: soundsFrom(heard),
  resonance: (p) => p.resonance,
  notes: [
    'A steady voltage only clicks: it needs a tone from a pin or a timer.',
    'Struck, it gives tens of volts back: clamp it.',
  ],
  cautions: [],
  source:
    'Equivalent circuit of a piezoelectric resonator (Van Dyke, Proceedings of the IRE 16, 1928); ratios from memory.',
  price: 'under 1',
  glyph: 'M4 6H9V18H4ZM12 8V16M15 6C18 9 18 15 15 18M1 12H4',
});
