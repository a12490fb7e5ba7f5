import { brought, snake, whole } from '../../code/index.js';
import type { Starts } from '../board.js';
import type { Takes } from '../part-code.js';
import type { Brought } from './used.js';

/** Words from a two-wire bus, in Python. */
export const wordsInPython: Takes['register'] = (address, register, held) => {
  switch (held.words) {
    case 'counts':
      return brought('word_at', address, register);
    case 'share':
      return brought('share_at', address, register, whole(held.of));
    case 'number':
      return brought('number_at', address, register);
    case 'angle':
      return brought('angle_at', address, register);
  }
};

/** Numbers from parts, in MicroPython. */
export const takesInMicroPython: Takes = {
  register: wordsInPython,
  echo: (trigger, echo, none) => brought('echo_time', trigger, echo, none),
  charge: (from, at, perNano) => brought('picofarads', from, at, perNano),
  touch: (at, product) => brought('touch_counts', at, product),
  anyBus: true,
};

/** What Python makes of words: a share of a full scale, an angle. */
export const wordHelpers: readonly Brought[] = [
  {
    word: 'share_at',
    lines: [
      '',
      '',
      '# So many counts where the word is at its most; -1 where there is no answer.',
      'def share_at(address, place, most):',
      '    word = word_at(address, place)',
      '    return word if word < 0 else (word * most + 32767) // 65535',
    ],
  },
  {
    word: 'number_at',
    lines: [
      '',
      '',
      '# A number of two words, its highest bit left out; -1 where there is no answer.',
      'def number_at(address, place):',
      '    high, low = word_at(address, place), word_at(address, place + 2)',
      '    return -1 if high < 0 or low < 0 else (high & 0x7FFF) << 16 | low',
    ],
  },
  {
    word: 'angle_at',
    lines: [
      '',
      '',
      '# Tenths of a degree, and 1800, of two words with sign; -1 where there is no answer.',
      'def angle_at(address, place):',
      '    x, y = word_at(address, place), word_at(address, place + 2)',
      '    if x < 0 or y < 0:',
      '        return -1',
      '    x, y = (v - 65536 if v > 32767 else v for v in (x, y))',
      '    return int(1800.5 + 1800 / pi * atan2(y, x))',
    ],
  },
];

/** Functions that take numbers from parts. */
export const partHelpers: readonly Brought[] = [
  { word: 'bus|word_at|share_at|number_at|angle_at', lines: ['bus = None'] },
  {
    word: 'word_at|share_at|number_at|angle_at',
    lines: [
      '',
      '',
      '# A word of a chip on the two-wire bus, its high byte first; -1 where there is no answer.',
      'def word_at(address, place):',
      '    try:',
      '        high, low = bus.readfrom_mem(address, place, 2)',
      '    except OSError:',
      '        return -1',
      '    return high << 8 | low',
    ],
  },
  ...wordHelpers,
  {
    word: 'echo_time',
    lines: [
      '',
      '',
      '# How long the pulse is that answers, us.',
      'def echo_time(trigger, echo, none):',
      '    pins[trigger].value(1)',
      '    time.sleep_us(10)',
      '    pins[trigger].value(0)',
      '    found = time_pulse_us(pins[echo], 1, none)',
      '    return found if found > 0 else none',
    ],
  },
  {
    word: 'picofarads',
    lines: [
      '',
      '',
      '# What the pull-up of a pin charges, by the time of 64 charges; the other end is held low.',
      'def picofarads(source, at, per_nano):',
      '    switch(source, False)',
      '    found = 0',
      '    for _ in range(64):',
      '        Pin(at, Pin.OUT, value=0)',
      '        time.sleep_us(20)',
      '        found += max(0, time_pulse_us(Pin(at, Pin.IN, Pin.PULL_UP), 0, 3000))',
      '    return int(found * 1000 / 64 / per_nano + 0.5)',
    ],
  },
  {
    word: 'touch_counts',
    lines: [
      '',
      '',
      '# What goes with the capacitance: a touch pin counts the less the more there is.',
      'def touch_counts(at, product):',
      '    return int(product / max(1, pins[at].read()) + 0.5)',
    ],
  },
];

/** What is made ready at the start for them. */
export function askedLines(asked: Starts['asked'], pinOf: (ref: string) => string): string[] {
  const lines = asked.flatMap(({ by, pins }) => {
    const called = (end: string): string => snake(pins.get(end) ?? '').toUpperCase();
    const pin = (end: string, as: string): string => {
      const name = called(end);
      return `pins[${name}] = ${as.replace('@', name)}`;
    };
    switch (by.by) {
      case 'register':
        return [
          `bus = I2C(0, sda=Pin(${pinOf(by.data ?? '')}), scl=Pin(${pinOf(by.clock ?? '')}))`,
        ];
      case 'echo':
        return [pin('TriggerPin', 'Pin(@, Pin.OUT, value=0)'), pin('EchoPin', 'Pin(@, Pin.IN)')];
      case 'charge':
        return [pin('DrivePin', 'Pin(@, Pin.OUT, value=0)')];
      case 'touch':
        return [pin('Pin', 'TouchPad(Pin(@))')];
    }
  });
  return [...new Set(lines)];
}
