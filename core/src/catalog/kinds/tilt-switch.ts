import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const tiltSwitch = definePart({
  kind: 'tilt-switch',
  label: 'Tilt switch, ball',
  summary: 'A ball in a tube closes a contact while it stands upright and opens it when tilted.',
  prefix: 'S',
  words: ['tilt', 'ball', 'move', 'lift', 'tamper', 'theft', 'angle', 'vibration'],
  stage: 'feels',
  ages: 'Its contacts oxidise after years without movement.',
  first: { notices: 'a tilt', named: 'Tilt', wanted: 'tips', every: 0.05 },
  terminals: contactTerminals,
  params: [
    {
      id: 'opens',
      label: 'Opens beyond',
      unit: '°',
      default: 30,
      min: 1,
      max: 170,
      tolerance: 0.3,
    },
    { id: 'closes', label: 'Closes again below', unit: '°', default: 20, min: 0.5, max: 170 },
    ...contactParams(5, 0.02, 0.02),
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    movedContact(p, {
      drive: state.stimulus.tilt,
      rests: 'closed',
      on: p.opens,
      off: Math.min(p.closes, p.opens),
    }),
  ],
  headline: (p) => `opens at ${formatNominal(p.opens, '°')}`,
  senses: { quantities: ['tilt'] },
  curve: {
    vary: { stimulus: 'tilt' },
    from: 0,
    to: 90,
    scale: 'linear',
    operating: [20, 30],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: [
    'The ball rolls: it bounces for tens of milliseconds. A hundred times debounced is not too much.',
  ],
  cautions: [],
  source: 'A contact with angle, hysteresis and bounce as typical of ball switches (from memory).',
  price: 'under 1',
  glyph: 'M6 2H18V22H6ZM12 14A3 3 0 1 0 12 20A3 3 0 1 0 12 14M9 2V6M15 2V6',
});
