import type { Section, Type } from '../../code/index.js';
import type { KeptValue } from '../kept-code.js';

const types: Partial<Record<Type, string>> = { long: 'int32_t', byte: 'uint8_t' };

/** What C++ and C write each in its own way, and how each comes to the EEPROM. */
interface Dialect {
  /** The type of what is kept, and what stands before a function. */
  kept: string;
  own: string;
  /** How it is handed to a function, taken there, and looked into. */
  taken: string;
  hands(what: string): string;
  bytesOf: string;
  nothing: string;
  /** How large the EEPROM is. */
  length: string;
  /** Where in a struct a value stands. */
  offset: string;
  reads: string;
  writes: string;
  turn: string;
}

const cpp: Dialect = {
  ...{ kept: 'Kept', own: '', taken: 'const Kept &of', bytesOf: '(const uint8_t *)&of' },
  hands: (what) => what,
  ...{ nothing: '', length: 'EEPROM.length()', offset: 'offsetof(Kept, check)' },
  reads: 'EEPROM.get(place * sizeof(Kept), one)',
  writes: 'EEPROM.update(keptPlace * sizeof(Kept) + keptAt, ((const uint8_t *)&kept)[keptAt])',
  turn: 'int16_t(one.turn - kept.turn)',
};
const c: Dialect = {
  ...{ kept: 'struct Kept', own: 'static ', taken: 'const struct Kept *of' },
  bytesOf: '(const uint8_t *)of',
  hands: (what) => `&${what}`,
  ...{ nothing: 'void', length: '(E2END + 1)', offset: 'offsetof(struct Kept, check)' },
  reads: 'eeprom_read_block(&one, (const void *)(place * sizeof(one)), sizeof(one))',
  writes:
    'eeprom_update_byte((uint8_t *)(keptPlace * sizeof(kept) + keptAt), ((const uint8_t *)&kept)[keptAt])',
  turn: '(int16_t)(one.turn - kept.turn)',
};

/**
 * What outlasts a power cut, in the EEPROM: written only where it has changed, each time at the next place, so that none wears out before
 * the others; one that was cut off while it was written is not taken.
 *
 * @param mark by which what another program has kept is told apart
 */
const keptIn =
  (d: Dialect) =>
  (values: readonly KeptValue[], mark: number): Section => ({
    title: 'What outlasts a power cut',
    says: [
      'Each time at the next place of the EEPROM, so that none wears out before the others; one that is not whole is not taken.',
    ],
    holds: [{ declares: 'lines', lines: keptLines(d, values, mark) }],
  });

/** In C++, by what the board brings. */
export const keptInEeprom = keptIn(cpp);

/** In C, by the library of the chip. */
export const keptInChip = keptIn(c);

const keptLines = (d: Dialect, values: readonly KeptValue[], mark: number): string[] => [
  'struct Kept {',
  '  uint16_t turn;  // one more each time; all ones are memory that was never written',
  ...values.map(({ name, type }) => `  ${types[type]} ${name};`),
  '  uint8_t check;',
  '};',
  `${d.kept} kept;  // as it was written last`,
  'uint16_t keptPlace = 0;',
  `uint8_t keptAt = sizeof(${d.kept});  // the byte of it that is written next`,
  '',
  `${d.own}uint8_t checkOf(${d.taken}) {`,
  `  const uint8_t *bytes = ${d.bytesOf};`,
  `  uint8_t check = ${mark};`,
  `  for (uint16_t i = 0; i < ${d.offset}; i++) {`,
  '    check = check * 31 + bytes[i];',
  '  }',
  '  return check;',
  '}',
  '',
  '// Takes the last that is whole; without one everything stands as it begins.',
  `${d.own}void loadKept(${d.nothing}) {`,
  '  bool found = false;',
  `  const uint16_t places = ${d.length} / sizeof(${d.kept});`,
  '  for (uint16_t place = 0; place < places; place++) {',
  `    ${d.kept} one;`,
  `    ${d.reads};`,
  `    const bool isWhole = one.turn != 0xffff && one.check == checkOf(${d.hands('one')});`,
  `    if (isWhole && (!found || ${d.turn} > 0)) {`,
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
  '// Begins where anything has changed, and goes on byte by byte as the memory is ready: nothing waits for it.',
  `${d.own}void saveKept(${d.nothing}) {`,
  `  const bool same = ${values.map(({ name }) => `kept.${name} == ${name}`).join(' && ')};`,
  '  if (!same && keptAt == sizeof(kept)) {',
  ...values.map(({ name }) => `    kept.${name} = ${name};`),
  '    kept.turn = kept.turn == 0xfffe ? 0 : kept.turn + 1;',
  `    kept.check = checkOf(${d.hands('kept')});`,
  `    keptPlace = (keptPlace + 1) % (${d.length} / sizeof(kept));`,
  '    keptAt = 0;',
  '  }',
  '  for (; keptAt < sizeof(kept) && eeprom_is_ready(); keptAt++) {',
  `    ${d.writes};`,
  '  }',
  '}',
];
