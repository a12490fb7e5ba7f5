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

/** Takes in what comes over the line, letter by letter, and tells readings when it is time: in C and C++. */
export const hearLines = (head: string, more: string, letter: string): string[] => [
  '// What comes over the line, letter by letter.',
  head,
  `  while (${more}) {`,
  `    const char letter = ${letter};`,
  "    if (letter == '\\n') {",
  "      heard[heardLength] = '\\0';",
  '      heardLength = 0;',
  '      answer();',
  "    } else if (letter != '\\r' && heardLength < sizeof(heard) - 1) {",
  '      heard[heardLength++] = letter;',
  '    }',
  '  }',
  '  if (sayEvery > 0 && now >= sayAt) {',
  '    sayAt = now + sayEvery;',
  '    sayReadings();',
  '  }',
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
