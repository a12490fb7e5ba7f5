import { snake, type Section } from '../../code/index.js';
import type { KeptValue } from '../kept-code.js';

/**
 * What outlasts a power cut, in a file: written only where it has changed, beside the one before, which it then replaces; so one of both is
 * always whole.
 *
 * @param replaces the line that puts the new file in the place of the old
 */
export const keptInFile =
  (replaces: readonly string[], sure: readonly string[] = []) =>
  (values: readonly KeptValue[], mark: number): Section => {
    const names = values.map(({ name }) => snake(name));
    const all = names.join(', ');
    const tuple = `(${all}${names.length === 1 ? ',' : ''})`;
    return {
      title: 'What outlasts a power cut',
      says: ['A new file replaces the old one: one of both is always whole.'],
      holds: [
        {
          declares: 'lines',
          lines: [
            `LAYOUT = ${mark}  # what another program has kept is not taken`,
            `kept = ${tuple}  # as it was written last`,
            '',
            '',
            '# Takes what was kept; without it everything stands as it begins.',
            'def load_kept():',
            `    global kept, ${all}`,
            '    try:',
            '        with open("kept.txt") as file:',
            '            layout, *values = [int(word) for word in file.read().split()]',
            '    except (OSError, ValueError):',
            '        return',
            `    if layout == LAYOUT and len(values) == ${names.length}:`,
            `        ${all}${names.length === 1 ? ',' : ''} = values`,
            `        kept = ${tuple}`,
            '',
            '',
            '# Writes it where anything has changed.',
            'def save_kept():',
            '    global kept',
            `    if kept == ${tuple}:`,
            '        return',
            `    kept = ${tuple}`,
            '    with open("kept.new", "w") as file:',
            '        file.write(" ".join(str(value) for value in (LAYOUT,) + kept))',
            ...sure.map((line) => `        ${line}`),
            ...replaces.map((line) => `    ${line}`),
          ],
        },
      ],
    };
  };
