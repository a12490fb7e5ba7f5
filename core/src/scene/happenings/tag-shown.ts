import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import { sightOf } from '../sight.js';

export const tagShown = defineHappening({
  kind: 'tag-shown',
  label: 'A tag is held to the reader',
  summary: 'A card or key fob with a number of its own comes within the reader’s range.',
  words: ['card', 'fob', 'identity', 'rfid', 'key', 'who'],
  where: 'point',
  params: [
    {
      id: 'tag',
      label: 'Number of the tag',
      unit: '',
      default: 1001,
      min: 1,
      max: 4294967295,
      whole: true,
    },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 1, min: 0.05, max: 3600 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    tag: ({ params, t, at }, receiver) => {
      const near = sightOf(receiver.place, at).distance <= (receiver.reach ?? 0.05);
      return near && during(t, params.lasts) ? params.tag : undefined;
    },
  },
  source: 'A tag within range is read, beyond it is not; 32-bit numbers are usual (from memory).',
});
