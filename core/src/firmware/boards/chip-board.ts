import { paramsOf } from '../../catalog/index.js';
import { as, brought, real, signs } from '../../code/index.js';
import type { Board, Starts } from '../board.js';
import { pinOf } from '../pin-of.js';
import { does, nowAndClock, restsHigh } from './common-parts.js';
import { eightBitPace } from './paces.js';
import { keptInChip } from './kept-in-eeprom.js';
import { linesSeen, outputsOff, outputsOn } from './load-steps.js';
import { chipHelpers } from './chip-helpers.js';
import { dogTime, tellInC } from './c-parts.js';
import { wordsInC } from './takes-in-cpp.js';
import { talkInC } from './talk-in-c.js';
import { cWith, type Brought } from './used.js';

const imports: readonly Brought[] = [
  { word: 'F_CPU', lines: ['#define F_CPU 8000000UL  // its own clock, Hz; set by its fuses'] },
  { word: 'ADCSRA|TCCR2|PINA|PORTA|TWCR', lines: ['#include <avr/io.h>'] },
  { word: 'ISR|sei', lines: ['#include <avr/interrupt.h>'] },
  { word: 'ATOMIC_BLOCK', lines: ['#include <util/atomic.h>'] },
  { word: 'eeprom_read_block|eeprom_update_byte', lines: ['#include <avr/eeprom.h>'] },
  { word: 'sleep_mode', lines: ['#include <avr/sleep.h>'] },
  { word: 'wdt_reset', lines: ['#include <avr/wdt.h>'] },
  { word: 'bool', lines: ['#include <stdbool.h>'] },
  { word: 'offsetof', lines: ['#include <stddef.h>'] },
  { word: 'u?int(8|16|32|64)_t', lines: ['#include <stdint.h>'] },
  { word: 'exp|atan2', lines: ['#include <math.h>'] },
  { word: 'strcmp|strncmp', lines: ['#include <string.h>'] },
  { word: 'PSTR', lines: ['#include <avr/pgmspace.h>'] },
  { word: '_delay_ms', lines: ['#include <util/delay.h>'] },
  { word: 'ltoa|dtostrf|atoi', lines: ['#include <stdlib.h>'] },
];

/** What the converter compares with. */
const references: Readonly<Record<string, string>> = {
  'the supply': '_BV(REFS0)',
  'the AREF pin': '0',
  '2.56 V inside': '(_BV(REFS1) | _BV(REFS0))',
};

/** Interrupts by the pins that bring them, and how each tells the edges apart. */
const interrupts: Readonly<
  Record<string, { name: string; edges: Readonly<Record<string, string>> }>
> = {
  PD2: {
    name: 'INT0',
    edges: {
      change: 'MCUCR |= _BV(ISC00);',
      falling: 'MCUCR |= _BV(ISC01);',
      rising: 'MCUCR |= _BV(ISC01) | _BV(ISC00);',
    },
  },
  PD3: {
    name: 'INT1',
    edges: {
      change: 'MCUCR |= _BV(ISC10);',
      falling: 'MCUCR |= _BV(ISC11);',
      rising: 'MCUCR |= _BV(ISC11) | _BV(ISC10);',
    },
  },
  PB2: { name: 'INT2', edges: { falling: '', rising: 'MCUCSR |= _BV(ISC2);' } },
};

const timers: Readonly<Record<string, readonly string[]>> = {
  PB3: ['TCCR0 = _BV(WGM00) | _BV(WGM01) | _BV(CS01) | _BV(CS00);'],
  PD4: ['TCCR1A |= _BV(WGM10);', 'TCCR1B = _BV(WGM12) | _BV(CS11) | _BV(CS10);'],
  PD5: ['TCCR1A |= _BV(WGM10);', 'TCCR1B = _BV(WGM12) | _BV(CS11) | _BV(CS10);'],
};

/**
 * A bare 8-bit controller in a 40-pin case, in C by its registers.
 *
 * Source: data sheets of 8-bit controllers with 32 kB of flash in 40-pin cases.
 */
export const chipBoard: Board = {
  id: '40-pin chip',
  label: 'bare 8-bit chip, C',
  language: 'c',
  watches: 2,
  // The same at 8 MHz, and 38,400 baud, for which it waits letter by letter.
  pace: eightBitPace(
    8e6,
    {
      ...{ countsAt: 950, isHigh: 20, switchPin: 25, dim: 60, lessOne: 4000 },
      ...{ wordAt: 4500, shareAt: 7500, numberAt: 9000, angleAt: 15_000 },
      ...{ tell: 2000, tellCount: 4000, tellReading: 7000 },
    },
    { letter: 260, kept: 1 },
  ),
  // Its timer keeps the time only while it idles.
  rests: () => 'idle',
  knowsTime: false,
  memory: {
    ram: 2048,
    others: 300,
    sizeOf: { bool: 1, byte: 1, int: 2, long: 4, moment: 8, real: 4 },
    flash: { has: 32_768, base: 2700, step: 6.3, reals: 680 },
  },
  file: (stem) => `${stem}.c`,
  beside: (stem) => [
    {
      path: 'Makefile',
      text: [
        '# The chip that is used: see its print.',
        'CHIP = atmega32',
        '',
        `${stem}.hex: ${stem}.elf`,
        `\tavr-objcopy -O ihex -R .eeprom $< $@`,
        '',
        `${stem}.elf: ${stem}.c`,
        '\tavr-gcc -mmcu=$(CHIP) -std=gnu11 -Os -Wall -Wextra -o $@ $< -lm',
        '',
      ].join('\n'),
    },
  ],
  load: (file) => [
    outputsOff,
    'Set the fuses once: its own clock of 8 MHz, the brown-out detector on (4 V of a supply of 5 V, 2.7 V of 3.3 V), so that nothing is written while power fails, the watchdog as it comes, JTAG off where port C is used. A wrong clock fuse shuts the chip off until it is given a clock: read them back before anything else.',
    `Install avr-gcc and the open C library for it. “make” in the folder of ${file} makes the .hex file, and says where something is wrong.`,
    'Join a programmer to SCK, MISO, MOSI, RESET, VCC and GND of the chip, and write the .hex file; it is read back and compared. If the chip does not answer: its supply, RESET, the order of the wires, the clock.',
    linesSeen('38,400 baud, from PD1 and to PD0'),
    outputsOn,
  ],
  pin: (terminal) => `port${terminal[1]} + ${terminal.slice(2)}`,
  readAnalogue: (pin) => brought('countsAt', pin),
  readHigh: (pin) => brought('isHigh', pin),
  takes: { register: wordsInC },
  writeHigh: (pin, high) => does('switchPin', pin, high),
  writeShare: (pin, share) =>
    does('dim', pin, as('byte', signs('+', signs('*', real(255), share), real(0.5)))),
  lessOne: (of) => brought('lessOne', of),
  tell: tellInC,
  talks: talkInC,
  begins: ({ title, purpose }, clock) => ({
    title,
    says: [purpose, 'Written from the design.'],
    holds: [
      ...nowAndClock(clock),
      { declares: 'lines', lines: ['enum { portA = 0, portB = 8, portC = 16, portD = 24 };'] },
    ],
  }),
  keeps: keptInChip,
  starts: (parts) => ({
    title: 'Start',
    says: ['Timer 2 counts milliseconds.'],
    holds: [{ declares: 'lines', lines: startLines(parts) }],
  }),
  goesRound: ({ watchdog, hears, sleeps }) => ({
    title: 'Over and over',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          '',
          'int main(void) {',
          '  start();',
          '  for (;;) {',
          ...(watchdog === undefined ? [] : ['    wdt_reset();']),
          '    uint32_t latest = 0;',
          '    ATOMIC_BLOCK(ATOMIC_RESTORESTATE) {',
          '      latest = ticks;',
          '    }',
          '    // The difference is right also where the count begins anew, after 49 days.',
          '    now += latest - (uint32_t)now;',
          ...(hears ? ['    hear();'] : []),
          '    makePass();',
          ...(sleeps
            ? ['    if (asleep) {', '      sleep_mode();  // until the next millisecond', '    }']
            : []),
          '  }',
          '}',
        ],
      },
    ],
  }),
  write: cWith(imports, chipHelpers),
  settings: (part) => [
    {
      declares: 'lines',
      lines: [`#define REFERENCE ${references[String(paramsOf(part).reference)] ?? '_BV(REFS0)'}`],
    },
  ],
  dims: (terminal) => terminal in timers,
  notes: (terminal, edge) => interrupts[terminal]?.edges[edge] !== undefined,
};

function startLines({
  watchdog,
  tells: says,
  keeps,
  inputs,
  outputs,
  analogue,
  asked,
  edges,
  last,
}: Starts): string[] {
  const dimmed = outputs.filter((o) => o.dimmed).map((o) => pinOf(o.output.pin));
  const noted = edges.map(({ terminal, edge, notes }) => ({
    ...(interrupts[terminal] ?? { name: 'INT0', edges: {} as Record<string, string> }),
    ...{ edge, notes },
  }));
  return [
    'volatile uint32_t ticks = 0;  // ms since the start',
    '',
    'ISR(TIMER2_COMP_vect) {',
    '  ticks++;',
    '}',
    ...noted.flatMap(({ name, notes }) => ['', `ISR(${name}_vect) {`, `  ${notes}();`, '}']),
    '',
    'static void start(void) {',
    ...(keeps ? ['  loadKept();'] : []),
    ...inputs.flatMap(({ pin, pullUp }) =>
      pullUp ? [`  *outputs[${pin} >> 3] |= 1 << (${pin} & 7);`] : [],
    ),
    ...outputs.flatMap(({ pin, output }) => [
      `  switchPin(${pin}, ${restsHigh(output) ? 'true' : 'false'});`,
      `  *directions[${pin} >> 3] |= 1 << (${pin} & 7);`,
    ]),
    ...new Set(dimmed.flatMap((terminal) => timers[terminal] ?? []).map((line) => `  ${line}`)),
    ...(analogue.length > 0 ? ['  ADCSRA = _BV(ADEN) | _BV(ADPS2) | _BV(ADPS1);  // 125 kHz'] : []),
    ...(asked.length > 0
      ? ['  TWBR = (F_CPU / 100000 - 16) / 2;  // the two-wire bus at 100 kHz']
      : []),
    ...(says
      ? [
          '  UCSRA = _BV(U2X);',
          '  UBRRH = 0;',
          '  UBRRL = F_CPU / 8 / 38400 - 1;',
          '  UCSRB = _BV(TXEN) | _BV(RXEN) | _BV(RXCIE);',
        ]
      : []),
    '  OCR2 = F_CPU / 64 / 1000 - 1;',
    '  TCCR2 = _BV(WGM21) | _BV(CS22);',
    '  TIMSK |= _BV(OCIE2);',
    ...noted.flatMap(({ name, edges: by, edge }) => [
      ...(by[edge] ? [`  ${by[edge]}`] : []),
      `  GIFR = _BV(${name.replace('INT', 'INTF')});`,
      `  GICR |= _BV(${name});`,
    ]),
    '  sei();',
    ...(last ? [`  ${last}();`] : []),
    ...(watchdog === undefined ? [] : [`  wdt_enable(${dogTime(watchdog)});`]),
    '}',
  ];
}
