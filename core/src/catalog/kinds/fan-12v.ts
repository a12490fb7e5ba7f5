import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

export const fan12v = definePart({
  kind: 'fan-12v',
  label: 'Fan, 12 V',
  summary: 'A brushless fan: air against heat, damp or fumes.',
  prefix: 'M',
  words: ['fan', 'cool', 'ventilate', 'air', 'temperature', 'motor', 'vent'],
  stage: 'acts',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-in' },
    { id: 'minus', label: '−', role: 'passive' },
  ],
  params: [
    { id: 'volts', label: 'Voltage', unit: 'V', default: 12, min: 3, max: 48 },
    { id: 'amps', label: 'Current', unit: 'A', default: 0.15, min: 0.01, max: 5, tolerance: 0.2 },
    { id: 'starts', label: 'Starts from', unit: 'V', default: 5, min: 0.5, max: 48 },
    { id: 'air', label: 'Air out of the room an hour', unit: 'm³', default: 50, min: 0, max: 1e4 },
  ],
  feed: { plus: 'plus', minus: 'minus', least: () => 7 },
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.15 * p.volts },
    { label: 'reversed', from: 'minus', to: 'plus', limit: 0.5 },
  ],
  elements: (p) => [
    // Its torque, and with it the current, goes about with the speed: like a resistance behind a diode.
    { type: 'diode', anode: 'plus', cathode: '#run', saturation: 1e-9, emission: 2 },
    draws('#run', 'minus', p.amps, p.volts - 0.7),
    { type: 'capacitor', a: '#run', b: 'minus', farads: 10e-6 },
  ],
  load: { volts: (p) => p.volts, amps: (p) => p.amps },
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.amps, 'A')}`,
  acts: {
    word: 'turning',
    does: 'moves',
    active: (part, p) => across(part, 'plus', 'minus') > p.starts,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} over it; it starts from ${formatNominal(p.starts, 'V')}`,
  },
  moves: {
    // Flow in proportion to speed (fan laws), and that to the voltage.
    air: (part, p) => {
      const volts = across(part, 'plus', 'minus');
      return volts > p.starts ? ((p.air / 3600) * volts) / p.volts : 0;
    },
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 13.5,
    scale: 'linear',
    operating: [7, 13],
    reads: { amps: 'plus' },
  },
  chopped: {
    from: 20e3,
    to: 30e3,
    otherwise: 'its electronics tick or do not start',
    cure: 'Switch it, set its voltage by a regulator, or take a motor without electronics.',
  },
  notes: [
    'Brushless: it has electronics inside and wants its polarity; chopping its feed slowly makes it tick.',
    'It does not start as low as it runs.',
  ],
  cautions: ['Mains fans are dangerous: leave their wiring to a licensed electrician.'],
  source:
    'Current in proportion to voltage behind a protection diode, with a capacitor; 0.15 A and 50 m³/h as typical of 80 mm fans (from memory).',
  price: '1 to 5',
  glyph:
    'M2 2H22V22H2ZM12 12C12 7 8 6 7 8C6 10 9 12 12 12C17 12 18 8 16 7C14 6 12 9 12 12C12 17 16 18 17 16C18 14 15 12 12 12C7 12 6 16 8 17C10 18 12 15 12 12',
});
