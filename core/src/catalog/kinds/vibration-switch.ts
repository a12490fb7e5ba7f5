import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const vibrationSwitch = definePart({
  kind: 'vibration-switch',
  label: 'Vibration switch, spring',
  summary: 'A spring around a pin that touches it for milliseconds when shaken.',
  prefix: 'S',
  words: ['vibration', 'shake', 'knock', 'spring', 'tamper', 'hit', 'bump', 'drawer'],
  stage: 'feels',
  ages: 'Its contacts oxidise after years without movement.',
  first: { notices: 'a knock', named: 'Knock', wanted: 'knock', every: 0.005 },
  terminals: contactTerminals,
  params: [
    {
      id: 'least',
      label: 'Touches from',
      unit: 'm/s²',
      default: 2,
      min: 0.05,
      max: 500,
      tolerance: 0.4,
    },
    ...contactParams(5, 5e-3, 0.01),
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    movedContact(p, {
      drive: state.stimulus.vibration,
      rests: 'open',
      on: p.least,
      off: 0.5 * p.least,
    }),
  ],
  headline: (p) => `from ${formatNominal(p.least, 'm/s²')}`,
  senses: { quantities: ['vibration'], radius: () => 0.01 },
  curve: {
    vary: { stimulus: 'vibration' },
    from: 0.1,
    to: 50,
    scale: 'log',
    operating: [2, 50],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: [
    'Pulses of 1 to 10 ms: polling misses them; use an interrupt or a latch.',
    'Its axis matters: along the spring it feels little.',
  ],
  cautions: [],
  source:
    'A contact that closes while the peak of the shaking is above its least; pulses of milliseconds (from memory).',
  price: 'under 1',
  glyph:
    'M1 12H5M5 12C5 6 8 6 8 12C8 18 11 18 11 12C11 6 14 6 14 12C14 18 17 18 17 12M3 18H19M19 12H23M19 8V18',
});
