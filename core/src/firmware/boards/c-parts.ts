import { brought, commented, type Expression } from '../../code/index.js';
import type { Board } from '../board.js';

const tells = { text: 'tell', count: 'tellCount', reading: 'tellReading' } as const;

/** Says that something has happened, by a function for each type of what is told. */
export const tellInC: Board['tell'] = (kind, of, told) => {
  const [[what, value]] = Object.entries(told) as [[keyof typeof tells, Expression]];
  const texts = [kind, commented(of)].map((text) => ({ is: 'text', value: text }) as const);
  return { do: 'call', call: brought(tells[what], ...texts, value) };
};

/** e^x − 1 for x not above 0: the library of the chips' compiler has none. */
export const lessOneLines = (kept: string): string[] => [
  '',
  '// e^of − 1, also where it is small: there by the first terms of its series.',
  `${kept}double lessOne(double of) {`,
  '  if (of < -0.01) {',
  '    return exp(of) - 1.0;',
  '  }',
  '  return of * (1.0 + of / 2.0 * (1.0 + of / 3.0 * (1.0 + of / 4.0 * (1.0 + of / 5.0))));',
  '}',
];

/** The chips' own times of a watchdog, s (data sheets). */
const dogTimes = [
  [0.015, '15MS'],
  [0.03, '30MS'],
  [0.06, '60MS'],
  [0.12, '120MS'],
  [0.25, '250MS'],
  [0.5, '500MS'],
  [1, '1S'],
  [2, '2S'],
  [4, '4S'],
] as const;

/** The shortest of them that is as long. */
export const dogTime = (watchdog: number): string =>
  `WDTO_${dogTimes.find(([time]) => time >= watchdog)?.[1] ?? '8S'}`;
