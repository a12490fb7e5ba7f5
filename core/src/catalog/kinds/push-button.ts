import type { PartKind } from '../part-kind.js';
import { ampsRating } from '../ratings.js';

export const pushButton: PartKind = {
  kind: 'push-button',
  label: 'Push-button',
  summary: 'Closed while it is pressed: reset, test, arm.',
  prefix: 'S',
  words: ['reset', 'test', 'arm', 'key', 'switch', 'press'],
  stage: 'feels',
  terminals: [
    { id: 'a', label: 'a', role: 'contact' },
    { id: 'b', label: 'b', role: 'contact' },
  ],
  params: [
    { id: 'pressed', label: 'Pressed', unit: '', default: 0, min: 0, max: 1, whole: true },
    { id: 'ohms', label: 'Contact resistance', unit: 'Ω', default: 0.1, min: 1e-3, max: 1e3 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: 3e-3, min: 0, max: 0.1 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.05, min: 1e-3, max: 10 },
  ],
  ratings: [ampsRating('a', (p) => p['maxAmps'])],
  elements: (p) => [
    {
      type: 'switch',
      a: 'a',
      b: 'b',
      drive: p['pressed'],
      rests: 'open',
      on: 0.5,
      off: 0.5,
      ohms: p['ohms'],
      bounce: p['bounce'],
    },
  ],
  headline: (p) => (p['pressed'] === 1 ? 'pressed' : 'not pressed'),
  notes: ['Small buttons bounce for some milliseconds; read them twice, or debounce.'],
  cautions: [],
  source: 'A contact with resistance and bounce as typical of small buttons (from memory).',
  price: 'under 1',
  glyph:
    'M1 14H7M17 14H23M5 9H19M12 9V4M9 4H15M7 13A1 1 0 1 0 7 15A1 1 0 1 0 7 13M17 13A1 1 0 1 0 17 15A1 1 0 1 0 17 13',
};
