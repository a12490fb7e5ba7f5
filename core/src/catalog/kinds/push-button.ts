import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const pushButton = definePart({
  kind: 'push-button',
  label: 'Push-button',
  summary: 'Closed while it is pressed: reset, test, arm.',
  prefix: 'S',
  words: ['reset', 'test', 'arm', 'key', 'switch', 'press'],
  stage: 'feels',
  ages: 'Contacts oxidise where it is rarely pushed.',
  terminals: contactTerminals,
  params: [
    { id: 'force', label: 'Closes when pressed with', unit: 'N', default: 1.5, min: 0.1, max: 50 },
    ...contactParams(0.1, 3e-3, 0.05),
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    movedContact(p, {
      drive: state.stimulus.force,
      rests: 'open',
      on: p.force,
      off: 0.7 * p.force,
    }),
  ],
  operatedByHand: true,
  headline: (p) => `closes at ${formatNominal(p.force, 'N')}`,
  senses: { quantities: ['force'] },
  curve: {
    vary: { stimulus: 'force' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [1.5, 5],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: ['Small buttons bounce for some milliseconds; read them twice, or debounce.'],
  cautions: [],
  source: 'A contact with resistance and bounce as typical of small buttons (from memory).',
  price: 'under 1',
  glyph:
    'M1 14H7M17 14H23M5 9H19M12 9V4M9 4H15M7 13A1 1 0 1 0 7 15A1 1 0 1 0 7 13M17 13A1 1 0 1 0 17 15A1 1 0 1 0 17 13',
});
