import { commented, quoted, type Section } from '../../code/index.js';
import type { TalkParts } from '../board.js';
import { hearLines } from './c-parts.js';

/** Answers the lines of docs/bench-protocol.md on the bare chip, and tries every output and channel on request. */
export function talkInC({ title, watched, channels, outputs }: TalkParts): Section {
  const say = (text: string, indent = '  '): string => `${indent}sayFlash(PSTR(${quoted(text)}));`;
  const line = (text: string): string => say(`${text}\n`, '    ');
  const reading = ({ pin, digital, reads }: TalkParts['channels'][number]): string =>
    reads ? `${reads}()` : digital ? `isHigh(${pin}) ? 100 : 0` : `countsAt(${pin})`;
  const put = (pin: string, dimmed: boolean, high: boolean): string =>
    dimmed ? `  dim(${pin}, ${high ? 255 : 0});` : `  switchPin(${pin}, ${String(high)});`;
  const lines = [
    'volatile char came[16];  // letters that came and were not looked at yet',
    'volatile uint8_t cameFirst = 0;',
    'volatile uint8_t cameNext = 0;',
    'char heard[16];',
    'uint8_t heardLength = 0;',
    'uint16_t sayEvery = 0;  // ms from one line of readings to the next; 0: none',
    'uint64_t sayAt = 0;',
    '',
    '// A text that lies in flash.',
    'static void sayFlash(const char *text) {',
    '  char letter[2] = {0, 0};',
    '  while ((letter[0] = pgm_read_byte(text++))) {',
    '    sayText(letter);',
    '  }',
    '}',
    '',
    'ISR(USART_RXC_vect) {',
    '  came[cameNext++ & 15] = UDR;',
    '}',
    '',
    'static void sayNumber(int32_t number) {',
    '  char text[12];',
    '  sayText(ltoa(number, text, 10));',
    '}',
    '',
    '// A reading of each channel.',
    'static void sayReadings(void) {',
    '  sayTime();',
    ...channels.flatMap((channel) => [
      say(','),
      ...(channel.reads
        ? [
            `  const int32_t ${channel.reads}Now = ${reading(channel)};`,
            `  if (${channel.reads}Now >= 0) {`,
            `    sayNumber(${channel.reads}Now);`,
            '  }',
          ]
        : [`  sayNumber(${reading(channel)});`]),
    ]),
    say('\n'),
    '}',
    '',
    ...(outputs.length > 0
      ? [
          '// Half a second, in which nothing else is done.',
          'static void waitHalf(void) {',
          '  for (uint8_t i = 0; i < 50; i++) {',
          '    _delay_ms(10);',
          ...(watched ? ['    wdt_reset();'] : []),
          '  }',
          '}',
          '',
        ]
      : []),
    '// Each output for half a second, then each channel.',
    'static void testAll(void) {',
    ...outputs.flatMap(({ name, pin, dimmed, high }) => [
      say(`# test ${commented(name)}\n`),
      put(pin, dimmed, high),
      '  waitHalf();',
      put(pin, dimmed, !high),
    ]),
    ...channels.flatMap((channel) => [
      say(`# test ${commented(channel.name)} `),
      `  sayNumber(${reading(channel)});`,
      say('\n'),
    ]),
    '}',
    '',
    'static void answer(void) {',
    '  if (strcmp(heard, "hello") == 0) {',
    line(`# yurei bench 1, ${commented(title)}`),
    '  } else if (strcmp(heard, "pins") == 0) {',
    line(`# pins ${channels.map((c) => c.label).join(' ')}`),
    '  } else if (strncmp(heard, "rate ", 5) == 0) {',
    '    const int rate = atoi(heard + 5);',
    '    if (rate < 0 || rate > 1000) {',
    say('# no: rate 0 to 1000\n', '      '),
    '      return;',
    '    }',
    say('# ok rate ', '    '),
    '    sayNumber(rate);',
    line(`\n${['time', ...channels.map((c) => c.label)].join(',')}`),
    '    sayEvery = rate > 0 ? 1000 / rate : 0;',
    '    sayAt = now;',
    '  } else if (strcmp(heard, "test") == 0) {',
    '    testAll();',
    line('# ok test'),
    '  } else {',
    line('# no: it knows hello, pins, rate and test'),
    '  }',
    '}',
    '',
    ...hearLines('static void hear(void) {', 'cameFirst != cameNext', 'came[cameFirst++ & 15]'),
  ];
  return {
    title: 'The serial line',
    says: ['Hears hello, pins, rate and test; tells readings so that Set can take them.'],
    holds: [{ declares: 'lines', lines }],
  };
}
