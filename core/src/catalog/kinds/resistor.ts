import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const resistor = definePart({
  kind: 'resistor',
  label: 'Resistor',
  summary: 'Limits current, divides voltage, loads a sensor.',
  prefix: 'R',
  words: ['ohm', 'load', 'pull-up', 'pull-down', 'divider', 'series'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  params: [
    {
      id: 'ohms',
      label: 'Resistance',
      unit: 'Ω',
      default: 10e3,
      min: 0.01,
      max: 100e6,
      usual: [1, 4.7e6],
      tolerance: 0.05,
    },
    { id: 'watts', label: 'Power rating', unit: 'W', default: 0.25, min: 0.03, max: 50 },
  ],
  ratings: [{ heat: (p) => p.watts }],
  elements: (p) => [{ type: 'resistor', a: 'a', b: 'b', ohms: p.ohms }],
  resistance: { param: 'ohms', ohms: (p) => p.ohms },
  tunable: ['ohms'],
  headline: (p) => formatNominal(p.ohms, 'Ω'),
  notes: ['Either way round. The bands give value and tolerance (IEC 60062).'],
  cautions: [],
  source:
    'Ohm’s law; thermal noise 4·k·T·R (Nyquist, Physical Review 32, 1928); values by the series of IEC 60063. ¼ W film resistor as the usual size (common practice).',
  price: 'under 1',
  glyph: 'M1 12H5M5 8.5H19V15.5H5ZM19 12H23',
});
