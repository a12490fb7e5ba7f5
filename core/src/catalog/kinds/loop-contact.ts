import type { PartKind } from '../part-kind.js';
import { ampsRating } from '../ratings.js';

export const loopContact: PartKind = {
  kind: 'loop-contact',
  label: 'Loop contact',
  summary: 'A door, hatch or window contact in an alarm loop; a foil or a wire is one too.',
  prefix: 'S',
  words: ['door', 'window', 'reed', 'loop', 'foil', 'switch', 'normally closed', 'normally open'],
  stage: 'feels',
  terminals: [
    { id: 'a', label: 'a', role: 'contact' },
    { id: 'b', label: 'b', role: 'contact' },
  ],
  params: [
    {
      id: 'closedAtRest',
      label: 'Closed at rest',
      unit: '',
      default: 1,
      min: 0,
      max: 1,
      whole: true,
    },
    { id: 'tripped', label: 'Tripped', unit: '', default: 0, min: 0, max: 1, whole: true },
    { id: 'ohms', label: 'Contact resistance', unit: 'Ω', default: 0.15, min: 1e-3, max: 1e3 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: 1e-3, min: 0, max: 0.1 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.5, min: 1e-3, max: 10 },
  ],
  ratings: [ampsRating('a', (p) => p['maxAmps'])],
  elements: (p) => [
    {
      type: 'switch',
      a: 'a',
      b: 'b',
      drive: p['tripped'],
      rests: p['closedAtRest'] === 1 ? 'closed' : 'open',
      on: 0.5,
      off: 0.5,
      ohms: p['ohms'],
      bounce: p['bounce'],
    },
  ],
  headline: (p) => (p['closedAtRest'] === 1 ? 'closed at rest' : 'open at rest'),
  notes: [
    'A loop that is closed at rest also notices a cut wire; one that is open at rest does not.',
    'Contacts bounce for about a millisecond when they close.',
  ],
  cautions: [],
  source: 'A contact with resistance and bounce as typical of small reed contacts (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 12L17 6M17 12H23M6 12A1 1 0 1 0 8 12A1 1 0 1 0 6 12',
};
