import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { constant, draws, followed } from '../sensor-output.js';

export const soilProbe = definePart({
  kind: 'soil-probe',
  label: 'Soil probe, capacitive',
  summary: 'A blade in the soil: its voltage falls as the soil is wetter.',
  prefix: 'B',
  words: ['soil', 'plant', 'pot', 'moisture', 'garden', 'dry', 'irrigation', 'water'],
  stage: 'feels',
  ages: 'Water creeps in at its cut edges within seasons: seal them.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
  ],
  params: [
    {
      id: 'dry',
      label: 'Volts in dry soil',
      unit: 'V',
      default: 2.4,
      min: 0.1,
      max: 5,
      tolerance: 0.1,
    },
    {
      id: 'wet',
      label: 'Volts in soaked soil',
      unit: 'V',
      default: 1.2,
      min: 0.05,
      max: 5,
      tolerance: 0.1,
    },
    { id: 'soaked', label: 'Soaked soil holds', unit: '', default: 0.45, min: 0.1, max: 0.6 },
    { id: 'noise', label: 'Noise', unit: '', default: 0.003, min: 0, max: 0.1 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 3 },
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3)],
  elements: (p, state) => {
    const share = Math.min(1, Math.max(0, state.stimulus.moisture) / p.soaked);
    return [
      draws('VCC', 'GND', 5e-3, 5),
      constant('#volts', p.dry + (p.wet - p.dry) * share),
      ...followed('#volts', { output: 'OUT', supply: 'VCC', ground: 'GND' }, 10e3),
    ];
  },
  headline: (p) => `${formatNominal(p.dry, 'V')} dry`,
  senses: { quantities: ['moisture'], noise: (p) => p.noise },
  curve: {
    vary: { stimulus: 'moisture' },
    from: 0,
    to: 0.6,
    scale: 'linear',
    operating: [0.05, 0.45],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['OUT', 'GND'] },
  },
  notes: [
    'Calibrate in your own soil, dry and soaked: clay and sand differ by half.',
    'Its output has 10 kΩ: 100 nF at the pin helps the converter.',
    'The cut edges of its board soak: seal them.',
  ],
  cautions: [],
  source:
    'A straight line between the volts in dry and in soaked soil; 2.4 and 1.2 V as typical (from memory).',
  price: '1 to 5',
  glyph: 'M10 1H14V14L12 22L10 14ZM2 12H8M16 12H22M4 16H8M16 16H20M12 5V9',
});
