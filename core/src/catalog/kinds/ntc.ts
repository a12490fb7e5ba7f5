import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

const kelvin = 273.15;

export const ntc = definePart({
  kind: 'ntc',
  label: 'NTC thermistor',
  summary: 'Its resistance falls as it warms, by about 4 % a degree.',
  prefix: 'B',
  words: ['temperature', 'thermistor', 'heat', 'cold', 'frost', 'ntc', 'warm', 'fan'],
  stage: 'feels',
  ages: 'Some tenths of a kelvin in years.',
  first: { notices: 'warmth', named: 'Warmth', wanted: 'warmth-comes', every: 1 },
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    {
      id: 'r25',
      label: 'Resistance at 25 °C',
      unit: 'Ω',
      default: 10e3,
      min: 10,
      max: 1e7,
      tolerance: 0.05,
    },
    { id: 'beta', label: 'β', unit: 'K', default: 3950, min: 1500, max: 6000, tolerance: 0.01 },
    { id: 'lag', label: 'Follows the air within', unit: 's', default: 10, min: 0.01, max: 3600 },
    { id: 'noise', label: 'Noise', unit: 'K', default: 0.01, min: 0, max: 5 },
  ],
  ratings: [{ heat: 0.05 }],
  elements: (p, state) => [
    // The logarithm of R25/R, followed with the lag of its body.
    {
      type: 'level',
      node: '#warm',
      value: p.beta * (1 / (25 + kelvin) - 1 / (state.stimulus.temperature + kelvin)),
      up: p.lag,
      down: p.lag,
    },
    {
      type: 'conductance',
      a: 'a',
      b: 'b',
      control: '#warm',
      baseSiemens: 1 / p.r25,
      perVolt: 1,
    },
  ],
  headline: (p) => `${formatNominal(p.r25, 'Ω')}, β ${p.beta} K`,
  senses: { quantities: ['temperature'], noise: (p) => p.noise, rises: 'b' },
  curve: {
    vary: { stimulus: 'temperature' },
    from: -40,
    to: 125,
    scale: 'linear',
    operating: [-20, 105],
    feeds: [['a', 'g', 0.1]],
    loads: [['b', 'g', 0.1]],
    reads: { ohms: ['a', 'b'] },
  },
  notes: [
    'Half a milliwatt in it warms it by a third of a degree: use 10 kΩ or more. That self-heating is not computed.',
    'A load resistor equal to it at the temperature you switch at gives the finest steps there.',
  ],
  cautions: [],
  source:
    'R = R25·exp(β·(1/T − 1/298.15 K)), the β equation of IEC 60539-1; real parts differ a little (Steinhart and Hart, Deep-Sea Research 15, 1968).',
  price: 'under 1',
  glyph: 'M1 12H5M5 8.5H19V15.5H5ZM19 12H23M3 20H7L19 4',
});
