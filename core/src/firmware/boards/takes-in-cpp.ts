import { brought, whole } from '../../code/index.js';
import type { Starts } from '../board.js';
import type { Takes } from '../part-code.js';
import type { Brought } from './used.js';

/** Words from a two-wire bus, in C and C++. */
export const wordsInC: Takes['register'] = (address, register, held) => {
  switch (held.words) {
    case 'counts':
      return brought('wordAt', address, register);
    case 'share':
      return brought('shareAt', address, register, whole(held.of));
    case 'number':
      return brought('numberAt', address, register);
    case 'angle':
      return brought('angleAt', address, register);
  }
};

/** Numbers from parts, in C++ with the functions that such boards bring. */
export const takesInCpp: Takes = {
  register: wordsInC,
  echo: (trigger, echo, none) => brought('echoTime', trigger, echo, none),
  charge: (from, at, perNano) => brought('picofarads', from, at, perNano),
};

/** What C and C++ make of words: a share of a full scale, an angle. */
export const wordHelpers = (kept: string): readonly Brought[] => [
  {
    word: 'shareAt',
    lines: [
      '',
      '// So many counts where the word is at its most; -1 where there is no answer.',
      `${kept}int32_t shareAt(uint8_t address, uint8_t place, int32_t most) {`,
      '  const int32_t word = wordAt(address, place);',
      '  return word < 0 ? word : (int32_t)((word * (int64_t)most + 32767) / 65535);',
      '}',
    ],
  },
  {
    word: 'numberAt',
    lines: [
      '',
      '// A number of two words, its highest bit left out; -1 where there is no answer.',
      `${kept}int32_t numberAt(uint8_t address, uint8_t place) {`,
      '  const int32_t high = wordAt(address, place);',
      '  const int32_t low = wordAt(address, place + 2);',
      '  return high < 0 || low < 0 ? -1 : (high & 0x7fff) << 16 | low;',
      '}',
    ],
  },
  {
    word: 'angleAt',
    lines: [
      '',
      '// Tenths of a degree, and 1800, of two words with sign; -1 where there is no answer.',
      `${kept}int32_t angleAt(uint8_t address, uint8_t place) {`,
      '  const int32_t x = wordAt(address, place);',
      '  const int32_t y = wordAt(address, place + 2);',
      '  if (x < 0 || y < 0) {',
      '    return -1;',
      '  }',
      '  const double angle = atan2((int16_t)y, (int16_t)x);',
      '  return (int32_t)(1800.5 + 1800.0 / 3.14159265358979 * angle);',
      '}',
    ],
  },
];

/** Functions that take numbers from parts. */
export const partHelpers: readonly Brought[] = [
  {
    word: 'wordAt|shareAt|numberAt|angleAt',
    lines: [
      '',
      '// A word of a chip on the two-wire bus, its high byte first; -1 where there is no answer.',
      'int32_t wordAt(uint8_t address, uint8_t place) {',
      '  Wire.beginTransmission(address);',
      '  Wire.write(place);',
      '  if (Wire.endTransmission(false) != 0 || Wire.requestFrom(address, uint8_t(2)) != 2) {',
      '    return -1;',
      '  }',
      '  const int32_t high = Wire.read();',
      '  return high << 8 | Wire.read();',
      '}',
    ],
  },
  ...wordHelpers(''),
  {
    word: 'echoTime',
    lines: [
      '',
      '// How long the pulse is that answers, us.',
      'int32_t echoTime(uint8_t trigger, uint8_t echo, int32_t none) {',
      '  digitalWrite(trigger, HIGH);',
      '  delayMicroseconds(10);',
      '  digitalWrite(trigger, LOW);',
      '  const int32_t time = pulseIn(echo, HIGH, none);',
      '  return time > 0 ? time : none;',
      '}',
    ],
  },
  {
    word: 'picofarads',
    lines: [
      '',
      '// What the pull-up of a pin charges, by the time of 64 charges; the other end is held low.',
      'int32_t picofarads(uint8_t from, uint8_t at, double perNano) {',
      '  digitalWrite(from, LOW);',
      '  uint32_t time = 0;',
      '  for (uint8_t i = 0; i < 64; i++) {',
      '    pinMode(at, OUTPUT);',
      '    digitalWrite(at, LOW);',
      '    delayMicroseconds(20);',
      '    const uint32_t began = micros();',
      '    pinMode(at, INPUT_PULLUP);',
      '    while (digitalRead(at) == LOW && micros() - began < 3000) {',
      '    }',
      '    time += micros() - began;',
      '  }',
      '  return int32_t(time * 1000.0 / 64.0 / perNano + 0.5);',
      '}',
    ],
  },
];

/** What is made ready at the start for them. */
export const askedLines = (asked: Starts['asked']): string[] => [
  ...(asked.some(({ by }) => by.by === 'register') ? ['  Wire.begin();'] : []),
  ...asked.flatMap(({ by, pins }) => {
    const mode = (end: string, as: string): string => `  pinMode(${pins.get(end)}, ${as});`;
    if (by.by === 'echo') return [mode('TriggerPin', 'OUTPUT'), mode('EchoPin', 'INPUT')];
    return by.by === 'charge' ? [mode('DrivePin', 'OUTPUT')] : [];
  }),
];
