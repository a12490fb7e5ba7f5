import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const piezoDisc = definePart({
  kind: 'piezo-disc',
  label: 'Piezo disc as knock sensor',
  summary:
    'Gives spikes when it is shaken: tens of volts into nothing, less into a bleed resistor.',
  prefix: 'B',
  words: ['knock', 'vibration', 'shake', 'piezo', 'tap', 'drum', 'glass', 'footstep'],
  stage: 'feels',
  ages: 'The glue behind it loosens: tap and compare once a year.',
  terminals: [
    { id: 'a', label: 'a', role: 'signal-out' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  params: [
    {
      id: 'perShake',
      label: 'Volts per m/s², open',
      unit: 'V·s²/m',
      default: 0.5,
      min: 1e-4,
      max: 100,
      tolerance: 0.5,
    },
    { id: 'farads', label: 'Capacitance', unit: 'F', default: 20e-9, min: 1e-10, max: 1e-6 },
    { id: 'hertz', label: 'Rings at', unit: 'Hz', default: 120, min: 5, max: 20e3 },
    { id: 'leak', label: 'Leakage', unit: 'Ω', default: 500e6, min: 1e5, max: 1e12 },
  ],
  ratings: [
    { label: 'voltage', from: 'a', to: 'b', limit: 30 },
    { label: 'voltage, reversed', from: 'b', to: 'a', limit: 30 },
  ],
  elements: (p, state) => [
    {
      type: 'voltage-source',
      plus: '#crystal',
      minus: 'b',
      volts: 0,
      wave: {
        shape: 'sine',
        mean: 0,
        amplitude: p.perShake * state.stimulus.vibration,
        hertz: p.hertz,
      },
    },
    { type: 'capacitor', a: '#crystal', b: 'a', farads: p.farads },
    { type: 'resistor', a: 'a', b: 'b', ohms: p.leak },
  ],
  ownFarads: (p) => p.farads,
  frontEnd: 'charge',
  headline: (p) => formatNominal(p.farads, 'F'),
  senses: { quantities: ['vibration'], radius: () => 0.01 },
  notes: [
    'Put a bleed resistor of 1 MΩ across it, and a clamp: a hard knock gives tens of volts.',
    'It answers to change only: a steady push gives nothing.',
    'At rest it stands at zero: see its ringing in a run in time.',
  ],
  cautions: ['A hammer blow on it can break an unprotected pin.'],
  source:
    'Voltage in proportion to strain behind its own capacitance (IEEE Standard 176, piezoelectricity); 20 nF as typical of 27 mm discs, sensitivity from memory. The shaking is drawn as steady ringing at one frequency.',
  price: 'under 1',
  glyph: 'M4 9H20V12H4ZM6 15H18V17H6ZM12 9V2M12 17V22M1 6L4 8M23 6L20 8',
});
