import {
  choice,
  name,
  set,
  signs,
  whole,
  type Expression,
  type Section,
  type Statement,
} from '../code/index.js';
import type { Counter } from '../design/index.js';
import { variable, type Frame } from './frame.js';

/** A counter, and the function that sets it between its limits. */
export function counterCode(frame: Frame, counter: Counter): Section {
  const { id, least, most, wraps, start } = counter;
  const own = name(frame.counter(id));
  const to = name('to');
  const [low, high] = [whole(least, 'long'), whole(most, 'long')];
  const span = whole(most - least + 1, 'long');
  const way = least === 0 ? to : signs('-', to, low);
  // The rest of a negative number is negative here and there.
  const turned = signs('%', signs('+', signs('%', way, span), span), span);
  const kept: Expression = wraps
    ? least === 0
      ? turned
      : signs('+', low, turned)
    : choice(signs('<', to, low), low, choice(signs('>', to, high), high, to));
  const body: Statement[] = [
    { do: 'let', name: 'before', type: 'long', value: own },
    set(own, kept),
    { do: 'return', value: signs('!=', own, name('before')) },
  ];
  return {
    title: counter.name,
    about: id,
    says: [`Counts from ${least} to ${most}${wraps ? ', then from the other end' : ''}.`],
    holds: [
      variable(frame.counter(id), 'long', whole(start, 'long')),
      {
        declares: 'function',
        name: frame.does('count', id),
        takes: [{ name: 'to', type: 'long' }],
        gives: 'bool',
        body,
        note: 'Sets it within its limits; tells whether it is another count now.',
      },
    ],
  };
}
