import type { Section, Type } from '../../code/index.js';
import type { KeptValue } from '../kept-code.js';

const types: Partial<Record<Type, string>> = { long: 'int32_t', byte: 'uint8_t' };

/**
 * What outlasts a power cut, in the EEPROM: written only where it has changed, each time at the next place, so that none wears out before
 * the others; one that was cut off while it was written is not taken.
 *
 * @param mark by which what another program has kept is told apart
 */
export const keptInEeprom = (values: readonly KeptValue[], mark: number): Section => ({
  title: 'What outlasts a power cut',
  says: [
    'Each time at the next place of the EEPROM, so that none wears out before the others; one that is not whole is not taken.',
  ],
  holds: [
    {
      declares: 'lines',
      lines: [
        'struct Kept {',
        '  uint16_t turn;  // one more each time; all ones are memory that was never written',
        ...values.map(({ name, type }) => `  ${types[type]} ${name};`),
        '  uint8_t check;',
        '};',
        'Kept kept;  // as it was written last',
        'uint16_t keptPlace = 0;',
        '',
        'uint8_t checkOf(const Kept &of) {',
        '  const uint8_t *bytes = (const uint8_t *)&of;',
        `  uint8_t check = ${mark};`,
        '  for (uint16_t i = 0; i < offsetof(Kept, check); i++) {',
        '    check = check * 31 + bytes[i];',
        '  }',
        '  return check;',
        '}',
        '',
        '// Takes the last that is whole; without one everything stands as it begins.',
        'void loadKept() {',
        '  bool found = false;',
        '  const uint16_t places = EEPROM.length() / sizeof(Kept);',
        '  for (uint16_t place = 0; place < places; place++) {',
        '    Kept one;',
        '    EEPROM.get(place * sizeof(Kept), one);',
        '    const bool isWhole = one.turn != 0xffff && one.check == checkOf(one);',
        '    if (isWhole && (!found || int16_t(one.turn - kept.turn) > 0)) {',
        '      kept = one;',
        '      keptPlace = place;',
        '      found = true;',
        '    }',
        '  }',
        '  if (found) {',
        ...values.map(({ name }) => `    ${name} = kept.${name};`),
        '  } else {',
        ...values.map(({ name }) => `    kept.${name} = ${name};`),
        '  }',
        '}',
        '',
        '// Writes it where anything has changed.',
        'void saveKept() {',
        `  if (${values.map(({ name }) => `kept.${name} == ${name}`).join(' && ')}) {`,
        '    return;',
        '  }',
        ...values.map(({ name }) => `  kept.${name} = ${name};`),
        '  kept.turn = kept.turn == 0xfffe ? 0 : kept.turn + 1;',
        '  kept.check = checkOf(kept);',
        '  keptPlace = (keptPlace + 1) % (EEPROM.length() / sizeof(Kept));',
        '  EEPROM.put(keptPlace * sizeof(Kept), kept);',
        '}',
      ],
    },
  ],
});
