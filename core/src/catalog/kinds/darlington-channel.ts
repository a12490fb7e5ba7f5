import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const darlingtonChannel = definePart({
  kind: 'darlington-channel',
  label: 'Darlington array channel',
  summary: 'One channel of a driver array: a pin switches up to half an ampere, diode included.',
  prefix: 'U',
  words: ['driver', 'array', '2003', 'darlington', 'relay driver', 'coil', 'low side'],
  stage: 'drives',
  terminals: [
    { id: 'in', label: 'IN', role: 'signal-in' },
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'com', label: 'COM', role: 'passive' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'inOhms', label: 'Input resistor', unit: 'Ω', default: 2700, min: 100, max: 100e3 },
    { id: 'maxAmps', label: 'Output current', unit: 'A', default: 0.5, min: 0.01, max: 5 },
  ],
  ratings: [
    { into: 'out', limit: (p) => p.maxAmps },
    { label: 'output voltage', from: 'out', to: 'gnd', limit: 50 },
    { label: 'input voltage', from: 'in', to: 'gnd', limit: 30 },
    { heat: 1 },
  ],
  elements: (p) => {
    const stage = { type: 'bipolar', polarity: 'npn', saturation: 1e-14, reverseGain: 1 } as const;
    return [
      { type: 'resistor', a: 'in', b: '#first', ohms: p.inOhms },
      { ...stage, collector: '#out', base: '#first', emitter: '#second', forwardGain: 60 },
      { type: 'resistor', a: '#first', b: '#second', ohms: 7200 },
      { type: 'resistor', a: 'out', b: '#out', ohms: 1.5 },
      { ...stage, collector: '#out', base: '#second', emitter: 'gnd', forwardGain: 40 },
      { type: 'resistor', a: '#second', b: 'gnd', ohms: 3000 },
      { type: 'diode', anode: 'out', cathode: '#clamp', saturation: 1e-10, emission: 1.5 },
      { type: 'resistor', a: '#clamp', b: 'com', ohms: 0.5 },
    ];
  },
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => formatNominal(p.maxAmps, 'A'),
  conducts: { from: 'out', to: 'com' },
  curve: {
    vary: { plus: 'in', minus: 'gnd' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [3, 5],
    feeds: [['w', 'gnd', 12]],
    loads: [['w', 'out', 100]],
    reads: { volts: ['out', 'gnd'] },
  },
  notes: [
    'Join COM to the load’s supply: the diode inside then catches the kick of a coil.',
    'It drops about 1 V when on.',
  ],
  cautions: [],
  source:
    'Two transistors with the input and bleed resistors of the published 2003-type array; gains from memory.',
  price: 'under 1',
  glyph: 'M4 4V20L16 12ZM1 12H4M16 12H23M16 12V4H20',
});
