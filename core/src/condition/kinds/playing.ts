import { defineCondition } from '../condition-kind.js';
import { name } from '../field.js';

export interface Playing {
  is: 'playing';
  sequence: string;
}

export const playing = defineCondition<Playing>({
  is: 'playing',
  fields: { sequence: name('sequence', 'Sequence') },
  look: ({ sequence }, { view }) => view.playing[sequence] !== undefined,
  code: ({ sequence }, { isPlayed }) => isPlayed(sequence),
  say: ({ sequence }, words) => `${words.sequence(sequence)} plays`,
  phrase: () => [{ field: 'sequence' }, 'plays'],
  written: { call: 'playing' },
  offer: {
    label: 'a sequence plays',
    alone: ({ sequences: [first] }) => first && { is: 'playing', sequence: first.id },
  },
});
