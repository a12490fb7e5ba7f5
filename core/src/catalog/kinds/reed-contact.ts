import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const reedContact = definePart({
  kind: 'reed-contact',
  label: 'Reed contact',
  summary: 'Two reeds in glass that close when a magnet comes near.',
  prefix: 'S',
  words: ['magnet', 'door', 'window', 'reed', 'contact', 'turns'],
  stage: 'feels',
  ages: 'Millions of switchings without load; sticks after a surge.',
  terminals: contactTerminals,
  params: [
    {
      id: 'pullIn',
      label: 'Closes at',
      unit: 'T',
      default: 2.5e-3,
      min: 1e-4,
      max: 0.1,
      tolerance: 0.3,
    },
    { id: 'dropOut', label: 'Opens at', unit: 'T', default: 1.2e-3, min: 5e-5, max: 0.1 },
    ...contactParams(0.15, 0.5e-3, 0.5),
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    movedContact(p, {
      // Either pole closes it.
      drive: Math.abs(state.stimulus.field),
      rests: 'open',
      on: p.pullIn,
      off: Math.min(p.dropOut, p.pullIn),
    }),
  ],
  headline: (p) => `closes at ${formatNominal(p.pullIn, 'T')}`,
  senses: { quantities: ['field'] },
  curve: {
    vary: { stimulus: 'field' },
    from: 0,
    to: 5e-3,
    scale: 'linear',
    operating: [1.2e-3, 2.5e-3],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: ['Closes nearer than it opens. Bending its leads close to the glass breaks it.'],
  cautions: [],
  source:
    'A contact with operate and release field as IEC 62246-1 defines them, resistance and bounce as typical of 14 mm reeds (from memory).',
  price: '1 to 5',
  glyph: 'M1 12H4M4 7H20C23 7 23 17 20 17H4C1 17 1 7 4 7M6 12L14 10M11 13.5H18M20 12H23',
});
