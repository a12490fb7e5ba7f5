import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { formatNominal } from '../../quantity/index.js';

export const signalGenerator = definePart({
  kind: 'signal-generator',
  label: 'Signal generator',
  summary: 'A stand-in for a sensor: a steady voltage with a sine or a square on it.',
  prefix: 'G',
  words: ['generator', 'stand-in', 'test', 'signal', 'sine', 'square', 'pulse', 'jig'],
  stage: 'feels',
  terminals: [
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'mean', label: 'Mean', unit: 'V', default: 2.5, min: -30, max: 30 },
    { id: 'amplitude', label: 'Amplitude', unit: 'V', default: 0, min: 0, max: 30 },
    { id: 'hertz', label: 'Frequency', unit: 'Hz', default: 10, min: 1e-3, max: 1e6 },
    choice('shape', 'Shape', ['sine', 'square'], 'sine'),
    { id: 'ohms', label: 'Output resistance', unit: 'Ω', default: 50, min: 0.1, max: 1e6 },
  ],
  ratings: [{ into: 'out', limit: 0.1 }],
  elements: (p) => {
    const { mean, amplitude, hertz } = p;
    const period = 1 / hertz;
    const edge = period / 1000;
    return [
      {
        type: 'voltage-source',
        plus: '#emf',
        minus: 'gnd',
        volts: mean,
        wave:
          p.shape === 'sine'
            ? { shape: 'sine', mean, amplitude, hertz }
            : {
                shape: 'pulse',
                low: mean - amplitude,
                high: mean + amplitude,
                delay: 0,
                rise: edge,
                fall: edge,
                width: period / 2 - edge,
                period,
              },
      },
      { type: 'resistor', a: '#emf', b: 'out', ohms: p.ohms },
    ];
  },
  waves: (p) => p.amplitude > 0,
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.mean, 'V')} ± ${formatNominal(p.amplitude, 'V')}`,
  curve: {
    vary: { param: 'mean' },
    from: -5,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    loads: [['out', 'gnd', 10e3]],
    reads: { volts: ['out', 'gnd'] },
  },
  notes: [
    'At rest it stands where it is at its beginning; its course shows in a run in time.',
    'Start below the supply of what it feeds.',
  ],
  cautions: [],
  source: 'Voltage source with a waveform behind a resistance (closed form).',
  price: 'over 20',
  glyph: 'M12 2A10 10 0 1 0 12 22A10 10 0 1 0 12 2M5 12C7 6 9.5 6 12 12C14.5 18 17 18 19 12',
});
