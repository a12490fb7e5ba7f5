import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws, followed } from '../sensor-output.js';

export const temperatureChip = definePart({
  kind: 'temperature-chip',
  label: 'Linear temperature chip',
  summary: 'Gives 10 mV a degree on top of half a volt.',
  prefix: 'B',
  words: ['temperature', 'heat', 'cold', 'fan', 'frost', 'degrees', 'warm', 'analogue'],
  stage: 'feels',
  ages: 'Some tenths of a kelvin in years.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    {
      id: 'perKelvin',
      label: 'Volts per kelvin',
      unit: 'V',
      default: 0.01,
      min: 1e-3,
      max: 0.1,
      tolerance: 0.01,
    },
    {
      id: 'atZero',
      label: 'Volts at 0 °C',
      unit: 'V',
      default: 0.5,
      min: -1,
      max: 3,
      tolerance: 0.04,
    },
    { id: 'lag', label: 'Follows the air within', unit: 's', default: 30, min: 0.01, max: 3600 },
    { id: 'noise', label: 'Noise', unit: 'K', default: 0.05, min: 0, max: 5 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.3 },
  decouple: 100e-9,
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3), { into: 'OUT', limit: 0.005 }],
  elements: (p, state) => [
    draws('VCC', 'GND', 50e-6, 3.3),
    {
      type: 'level',
      node: '#volts',
      value: p.atZero + p.perKelvin * state.stimulus.temperature,
      up: p.lag,
      down: p.lag,
    },
    ...followed('#volts', { output: 'OUT', supply: 'VCC', ground: 'GND' }),
  ],
  headline: (p) => `${formatNominal(p.perKelvin, 'V')}/K`,
  senses: { quantities: ['temperature'], noise: (p) => p.noise, rises: 'OUT' },
  curve: {
    vary: { stimulus: 'temperature' },
    from: -50,
    to: 130,
    scale: 'linear',
    operating: [-40, 125],
    feeds: [['VCC', 'GND', 3.3]],
    reads: { volts: ['OUT', 'GND'] },
  },
  legsVary: true,
  notes: [
    'Feed it and the converter’s reference with 3.3 V: finer steps, and the noise of 5 V stays out.',
    'Turned round it gets hot at once: check the flat side before power.',
    'It tells the temperature of its legs as much as of the air.',
  ],
  cautions: [],
  source: '10 mV/K + 500 mV, ±2 K; data sheets of such chips (from memory).',
  price: 'under 1',
  glyph: 'M9 4A3 3 0 0 1 15 4V13A5 5 0 1 1 9 13ZM12 8V17M17 5H20M17 9H20',
});
