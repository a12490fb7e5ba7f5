import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const loopContact = definePart({
  kind: 'loop-contact',
  label: 'Loop contact',
  summary: 'A door, hatch or window contact in an alarm loop; a foil or a wire is one too.',
  prefix: 'S',
  words: ['door', 'window', 'reed', 'loop', 'foil', 'switch', 'normally closed', 'normally open'],
  stage: 'feels',
  ages: 'Contacts that rarely move oxidise: open each twice a year.',
  first: { notices: 'a door or window opening', named: 'Door', wanted: 'door-opens', every: 0.05 },
  terminals: contactTerminals,
  params: [
    choice('closedAtRest', 'Closed at rest', ['no', 'yes'], 'yes'),
    { id: 'trips', label: 'Trips when opened by', unit: 'm', default: 0.015, min: 1e-4, max: 5 },
    ...contactParams(0.15, 1e-3, 0.5),
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    movedContact(p, {
      drive: state.stimulus.gap,
      rests: p.closedAtRest === 'yes' ? 'closed' : 'open',
      on: p.trips,
      off: 0.8 * p.trips,
    }),
  ],
  operatedByHand: true,
  loop: { a: 'a', b: 'b' },
  headline: (p) => (p.closedAtRest === 'yes' ? 'closed at rest' : 'open at rest'),
  senses: { quantities: ['gap'] },
  curve: {
    vary: { stimulus: 'gap' },
    from: 0,
    to: 0.05,
    scale: 'linear',
    operating: [0, 0.015],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: [
    'A loop that is closed at rest also notices a cut wire; one that is open at rest does not.',
    'Contacts bounce for about a millisecond when they close.',
  ],
  cautions: [],
  source: 'A contact with resistance and bounce as typical of small reed contacts (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 12L17 6M17 12H23M6 12A1 1 0 1 0 8 12A1 1 0 1 0 6 12',
});
