import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { supplyLimits } from '../limit.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import type { Element } from '../../element/index.js';
import { draws } from '../sensor-output.js';
import { across, into } from '../solved-values.js';

export const memoryCard = definePart({
  kind: 'memory-card',
  label: 'Memory card with holder',
  summary: 'Keeps the event history as files.',
  prefix: 'U',
  words: ['memory', 'card', 'log', 'history', 'file', 'record', 'storage'],
  stage: 'acts',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'SCK', label: 'SCK', role: 'signal-in' },
    { id: 'MOSI', label: 'MOSI', role: 'signal-in' },
    { id: 'MISO', label: 'MISO', role: 'signal-out', highAt: 'VCC' },
    { id: 'CS', label: 'CS', role: 'signal-in' },
  ],
  params: [
    { id: 'idle', label: 'Idle', unit: 'A', default: 0.5e-3, min: 1e-6, max: 0.05 },
    { id: 'writing', label: 'Writing', unit: 'A', default: 0.08, min: 1e-3, max: 0.3 },
    choice('now', 'Now', ['idle', 'writing'], 'idle'),
    { id: 'takes', label: 'An entry takes', unit: 's', default: 0.05, min: 1e-3, max: 5 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.7 },
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
    draws('VCC', 'GND', p.now === 'writing' ? p.writing : p.idle, 3.3),
    ...['SCK', 'MOSI', 'MISO', 'CS'].map((pin): Element => ({
      type: 'resistor',
      a: pin,
      b: 'GND',
      ohms: 1e6,
    })),
  ],
  phases: [
    {
      label: 'writing',
      amps: (p) => p.writing,
      keeps: (p) => p.takes,
      sets: () => ({ now: 'writing' }),
    },
    { label: 'idle', amps: (p) => p.idle },
  ],
  now: (p) => p.now,
  acts: {
    word: 'writing',
    does: 'tells',
    indicates: true,
    active: (part, p) =>
      into(part, 'VCC') > (p.writing + p.idle) / 2 && across(part, 'VCC', 'GND') > 2.7,
    because: (part) => `${formatQuantity(into(part, 'VCC'), 'A')} from its supply`,
  },
  headline: (p) => formatNominal(p.writing, 'A'),
  curve: {
    vary: { param: 'now' },
    from: 0,
    to: 1,
    scale: 'linear',
    operating: [0, 1],
    feeds: [['VCC', 'GND', 3.3]],
    reads: { amps: 'VCC' },
  },
  notes: [
    'Writing takes tenths of an ampere for a moment: 100 µF at its supply.',
    'It writes an entry whenever a notice of the program is told; what is in it is not computed.',
    'A power cut while writing spoils the file: close it after each entry.',
  ],
  cautions: ['It is made for 3.3 V.'],
  source: 'What it draws idle and writing; values as typical (from memory).',
  price: '1 to 5',
  glyph: 'M5 2H15L19 6V22H5ZM8 5V9M11 5V9M14 6V9M8 14H16M8 17H16',
});
