import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const toggleSwitch = definePart({
  kind: 'toggle-switch',
  label: 'Toggle or key switch',
  summary: 'Stays where it is put: power on, armed, day or night.',
  prefix: 'S',
  words: ['switch', 'on', 'off', 'arm', 'key', 'power', 'toggle', 'mode'],
  stage: 'feels',
  ages: 'Contacts oxidise where it is rarely moved.',
  terminals: contactTerminals,
  params: [choice('position', 'Stands at', ['off', 'on'], 'on'), ...contactParams(0.02, 5e-3, 3)],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p) => [
    movedContact(p, { drive: p.position === 'on' ? 1 : 0, rests: 'open', on: 0.5, off: 0.5 }),
  ],
  operatedByHand: true,
  headline: (p) => (p.position === 'on' ? 'on' : 'off'),
  curve: {
    vary: { param: 'position' },
    from: 0,
    to: 1,
    scale: 'linear',
    operating: [0, 1],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: [
    'Its rating for direct current is far lower than for alternating: arcs do not go out by themselves.',
  ],
  cautions: [],
  source: 'A contact with resistance and bounce as typical of small toggles (from memory).',
  price: 'under 1',
  glyph: 'M1 14H7M17 14H23M7 14L16 6M14 4L18 8M6 14A1 1 0 1 0 8 14A1 1 0 1 0 6 14',
});
