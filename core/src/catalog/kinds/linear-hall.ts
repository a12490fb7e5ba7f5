import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws, ratiometric } from '../sensor-output.js';

export const linearHall = definePart({
  kind: 'linear-hall',
  label: 'Linear Hall sensor',
  summary: 'Half the supply at rest; rises at one pole and falls at the other, in proportion.',
  prefix: 'B',
  words: ['magnet', 'hall', 'linear', 'pole', 'chess', 'board', 'position', 'field'],
  stage: 'feels',
  ages: 'Hardly; magnets lose some per cent in years.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
  ],
  params: [
    {
      id: 'perTesla',
      label: 'Sensitivity at 5 V',
      unit: 'V/T',
      default: 14,
      min: 0.5,
      max: 200,
      tolerance: 0.2,
    },
    { id: 'own', label: 'Own current', unit: 'A', default: 6e-3, min: 1e-6, max: 0.05 },
    { id: 'noise', label: 'Noise', unit: 'T', default: 0.1e-3, min: 0, max: 0.01 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
  decouple: 100e-9,
  ratings: [...supplyLimits('VCC', 'GND', 6, 0.3), { into: 'OUT', limit: 0.01 }],
  elements: (p, state) => [
    draws('VCC', 'GND', p.own, 5),
    ...ratiometric(0.5 + (p.perTesla * state.stimulus.field) / 5, {
      output: 'OUT',
      supply: 'VCC',
      ground: 'GND',
    }),
  ],
  ownAmps: (p) => p.own,
  headline: (p) => `${formatNominal(p.perTesla, '')} mV/mT`,
  senses: { quantities: ['field'], noise: (p) => p.noise, rises: 'OUT' },
  curve: {
    vary: { stimulus: 'field' },
    from: -0.2,
    to: 0.2,
    scale: 'linear',
    operating: [-0.15, 0.15],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['OUT', 'GND'] },
  },
  legsVary: true,
  notes: [
    'Ratiometric: a sagging supply moves rest and reading together; take the converter’s reference from the same supply.',
    'Learn the baseline at reset from some fifteen readings, then trigger on the deviation.',
  ],
  cautions: [],
  source:
    'Half the supply plus sensitivity times field, in proportion to the supply (Popović, Hall Effect Devices, 2nd ed. 2004); 14 V/T (1.4 mV/G) as typical (data sheets, from memory).',
  price: '1 to 5',
  glyph: 'M5 4H19V16H5ZM8 16V22M12 16V22M16 16V22M8 13L16 7',
});
