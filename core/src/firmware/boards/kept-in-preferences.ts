import type { Section, Type } from '../../code/index.js';
import type { KeptValue } from '../kept-code.js';

const types: Partial<Record<Type, string>> = { long: 'int32_t', byte: 'uint8_t' };

/**
 * What outlasts a power cut, in the store of settings that radio boards bring: it spreads its writing over the flash, and one that was cut
 * off while it was written is not taken.
 *
 * @param mark by which what another program has kept is told apart
 */
export const keptInPreferences = (values: readonly KeptValue[], mark: number): Section => ({
  title: 'What outlasts a power cut',
  says: [
    'In the store of the board, which wears all of its flash alike and takes nothing by halves.',
  ],
  holds: [
    {
      declares: 'lines',
      lines: [
        'struct Kept {',
        ...values.map(({ name, type }) => `  ${types[type]} ${name};`),
        '  uint8_t layout;',
        '};',
        'Preferences store;',
        'Kept kept;  // as it was written last',
        '',
        '// Takes what was kept; without it everything stands as it begins.',
        'void loadKept() {',
        '  store.begin("yurei");',
        `  if (store.getBytes("kept", &kept, sizeof(kept)) == sizeof(kept) && kept.layout == ${mark}) {`,
        ...values.map(({ name }) => `    ${name} = kept.${name};`),
        '  } else {',
        ...values.map(({ name }) => `    kept.${name} = ${name};`),
        `    kept.layout = ${mark};`,
        '  }',
        '}',
        '',
        '// Writes it where anything has changed.',
        'void saveKept() {',
        `  if (${values.map(({ name }) => `kept.${name} == ${name}`).join(' && ')}) {`,
        '    return;',
        '  }',
        ...values.map(({ name }) => `  kept.${name} = ${name};`),
        '  store.putBytes("kept", &kept, sizeof(kept));',
        '}',
      ],
    },
  ],
});
