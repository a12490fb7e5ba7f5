import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

/** What is left between wiper and end at the end of the track, Ω (from memory). */
const endOhms = 2;

export const trimmer = definePart({
  kind: 'trimmer',
  label: 'Trimmer or potentiometer',
  summary: 'A divider that is set by hand: a threshold, a brightness, a stand-in for a sensor.',
  prefix: 'R',
  words: ['potentiometer', 'pot', 'knob', 'adjust', 'threshold', 'reference', 'divider'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'w', label: 'wiper', role: 'signal-out' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  params: [
    {
      id: 'ohms',
      label: 'Resistance',
      unit: 'Ω',
      default: 10e3,
      min: 10,
      max: 10e6,
      usual: [100, 1e6],
      tolerance: 0.2,
    },
    { id: 'turn', label: 'Wiper from b to a', unit: '', default: 0.5, min: 0, max: 1 },
    { id: 'watts', label: 'Power rating', unit: 'W', default: 0.1, min: 0.02, max: 5 },
  ],
  ratings: [
    {
      id: 'track',
      label: 'current in the track',
      unit: 'A',
      limit: (p) => Math.sqrt(p.watts / p.ohms),
      stress: (part) => Math.max(Math.abs(into(part, 'a')), Math.abs(into(part, 'b'))),
    },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'a', b: 'w', ohms: endOhms + (1 - p.turn) * p.ohms },
    { type: 'resistor', a: 'w', b: 'b', ohms: endOhms + p.turn * p.ohms },
  ],
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.ohms, 'Ω')}, ${Math.round(100 * p.turn)} %`,
  curve: {
    vary: { param: 'turn' },
    from: 0,
    to: 1,
    scale: 'linear',
    operating: [0, 1],
    feeds: [['a', 'b', 5]],
    reads: { volts: ['w', 'b'] },
  },
  notes: [
    'One turn moves far: narrow its span with a resistor at each end.',
    'The track carries its rated power only when the whole of it does.',
  ],
  cautions: [],
  source:
    'Two resistors in series that share the track (closed form), rated as IEC 60393 does; 0.1 W as the usual size of trimmers (from memory).',
  price: 'under 1',
  glyph: 'M1 12H5M5 8.5H19V15.5H5ZM19 12H23M12 1V8M9.5 5.5L12 8L14.5 5.5',
});
