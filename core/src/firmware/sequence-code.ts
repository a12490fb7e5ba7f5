import { bool, name, set, when, type Section } from '../code/index.js';
import type { Sequence } from '../design/index.js';
import { variable, type Frame } from './frame.js';

/** A sequence: whether it is played, since when, and what begins and ends it. */
export function sequenceCode(frame: Frame, { id, name: title, length, times }: Sequence): Section {
  const { played, since } = frame.sequence(id);
  const begins = [
    set(played, bool(true)),
    set(since, name('now')),
    { do: 'return', value: bool(true) } as const,
  ];
  const often = times > 0 ? `${times} times` : 'until it is stopped';
  return {
    title,
    about: id,
    says: [`Lasts ${length} s, played ${often}.`],
    holds: [
      variable(played, 'bool'),
      variable(since, 'moment'),
      {
        declares: 'function',
        ...{ name: frame.does('play', id), takes: [], gives: 'bool' },
        body: [...when(name(played), [{ do: 'return', value: bool(false) }]), ...begins],
        note: 'Begins, if it is not played already.',
      },
      {
        declares: 'function',
        ...{ name: frame.does('stop', id), takes: [], gives: 'bool' },
        body: [
          ...when(name(played), [set(played, bool(false)), { do: 'return', value: bool(true) }]),
          { do: 'return', value: bool(false) },
        ],
      },
    ],
  };
}
