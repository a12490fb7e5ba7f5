import { defineHappening } from '../define-happening.js';
import { sightOf } from '../sight.js';
import { onIt } from './finger-touches.js';

/** Share of the time from one key to the next for which it is held. */
const held = 0.4;

/** The keys of a code, in their order: digits are keys, 0 is the tenth. */
const keysOf = (code: number): number[] =>
  [...String(Math.round(code))].map((digit) => Number(digit) || 10);

export const codeTyped = defineHappening({
  kind: 'code-typed',
  label: 'A code is typed',
  summary: 'Keys of a keypad are pressed one after the other, each let go before the next.',
  words: ['keypad', 'code', 'digits', 'number', 'pin', 'lock', 'typed', 'keys'],
  where: 'point',
  params: [
    {
      id: 'code',
      label: 'Keys, by row',
      unit: '',
      default: 1593,
      min: 1,
      max: 99_999_999,
      whole: true,
    },
    { id: 'each', label: 'From key to key', unit: 's', default: 0.6, min: 0.05, max: 10 },
  ],
  lasts: ({ params }) => keysOf(params.code).length * params.each,
  turns: ({ params }) =>
    keysOf(params.code).flatMap((_, i) => [i * params.each, (i + held) * params.each]),
  contributes: {
    key: ({ params, t, at }, receiver) => {
      const turn = Math.floor(t / params.each);
      const pressed = t / params.each - turn < held;
      const reaches = sightOf(receiver.place, at).distance <= onIt + receiver.radius;
      return reaches && pressed ? keysOf(params.code)[turn] : undefined;
    },
  },
  source:
    'Keys count from 1 by rows, 0 stands for the tenth (own convention); 0.6 s from key to key, held for two fifths of it, as someone types who knows the code (from memory).',
});
