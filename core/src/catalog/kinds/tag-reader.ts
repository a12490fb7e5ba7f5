import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import type { Element } from '../../element/index.js';
import { draws } from '../sensor-output.js';

export const tagReader = definePart({
  kind: 'tag-reader',
  label: 'Tag reader',
  summary:
    'Tells which tag is held to it: the only sensor that knows one thing from another alike.',
  prefix: 'B',
  words: ['tag', 'card', 'fob', 'identity', 'rfid', 'who', 'access', 'key', 'number'],
  stage: 'feels',
  ages: 'Hardly.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'SCK', label: 'SCK', role: 'signal-in' },
    { id: 'MOSI', label: 'MOSI', role: 'signal-in' },
    { id: 'MISO', label: 'MISO', role: 'signal-out', highAt: 'VCC' },
    { id: 'CS', label: 'CS', role: 'signal-in' },
  ],
  params: [
    { id: 'reach', label: 'Reads within', unit: 'm', default: 0.04, min: 0.005, max: 1 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.02, min: 1e-4, max: 0.2 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.5 },
  ratings: [
    ...supplyLimits('VCC', 'GND', 3.6, 0.3),
    ...(['SCK', 'MOSI', 'CS'] as const).map((pin) => ({
      label: `${pin} above its supply`,
      from: pin,
      to: 'VCC' as const,
      limit: 0.5,
    })),
  ],
  elements: (p) => [
    draws('VCC', 'GND', p.own, 3.3),
    ...['SCK', 'MOSI', 'MISO', 'CS'].map((pin): Element => ({
      type: 'resistor',
      a: pin,
      b: 'GND',
      ohms: 1e6,
    })),
  ],
  reads: [
    {
      id: 'tag',
      label: 'Number of the tag',
      names: true,
      full: () => 4294967295,
      noise: () => 0,
      counts: (stimulus) => stimulus.tag,
      through: ['SCK', 'MOSI', 'MISO', 'CS'],
      works: (part) => across(part, 'VCC', 'GND') > 2.5,
    },
  ],
  phases: [
    { label: 'field on', amps: (p) => p.own },
    { label: 'asleep', amps: () => 10e-6 },
  ],
  ownAmps: (p) => p.own,
  headline: (p) => formatNominal(p.reach, 'm'),
  senses: { quantities: ['tag'], reach: (p) => p.reach },
  curve: {
    vary: { stimulus: 'tag' },
    from: 0,
    to: 2000,
    scale: 'linear',
    operating: [1, 2000],
    feeds: [['VCC', 'GND', 3.3]],
    reads: { readout: 'tag' },
  },
  notes: [
    'Metal behind the reader or the tag shortens its range to nothing.',
    'Plain tags can be copied: no lock for anything of worth.',
  ],
  cautions: ['It is made for 3.3 V: 5 V on its pins kills it.'],
  source:
    'Gives the number of what is within range; cards at 13.56 MHz (ISO/IEC 14443), 4 cm and 20 mA as typical (from memory).',
  price: '1 to 5',
  glyph: 'M3 5H15V19H3ZM6 8H12V16H6ZM8 10H10V14H8M18 8A6 6 0 0 1 18 16M20.5 5A10 10 0 0 1 20.5 19',
});
