import type { Sweep } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { wordsOf } from '../words.js';

/** Of what comes in whole numbers, as the keys of a pad, the one at which a channel is otherwise than at all others. */
export interface Alone {
  label: string;
  value: number;
}

export const aloneAt = (sweeps: readonly Sweep[], channel: string): Alone[] =>
  sweeps
    .filter(({ whole }) => whole)
    .flatMap(({ label, states, values }) => {
      const counts = states.map((s) => s.counts.get(channel));
      const alone = values.filter(
        (value, i) => value > 0 && counts.filter((c) => c === counts[i]).length === 1,
      );
      return alone.length === 1 ? alone.map((value) => ({ label, value })) : [];
    });

/** "key 5". */
export const sayAlone = ({ label, value }: Alone): string =>
  `${label.split(' ')[0] ?? label} ${value}`;

/** The number by which a name calls something that is counted: "Key 5". */
function numberIn(name: string, { label }: Alone): number | undefined {
  const words = wordsOf(name);
  const numbers = [...words].filter((word) => /^\d+$/.test(word));
  return [...wordsOf(label)].some((word) => words.has(word)) && numbers.length === 1
    ? Number(numbers[0])
    : undefined;
}

export const numberOtherwise: Rule = {
  code: 'number-otherwise',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A channel that answers another key than it is called after',
  bench: 'The right code does nothing, and a wrong one opens.',
  source: 'Numbers in the names of channels against those at which alone they change.',
  find: ({ design, sweeps, wiring }) =>
    design.channels.flatMap(({ id, name, pin }) =>
      [...sweeps].flatMap(([part, own]) =>
        aloneAt(own, id)
          .filter((alone) => (numberIn(name, alone) ?? alone.value) !== alone.value)
          .map((alone): Found => ({
            subject: id,
            title: `${name} answers ${sayAlone(alone)}`,
            reason: `It is called ${name} and changes at ${sayAlone(alone)} of ${wiring.part(part)?.name ?? part} alone, counted by rows. If it is called after what is printed there, all is well.`,
            about: [id, pin, part],
          })),
      ),
    ),
};
