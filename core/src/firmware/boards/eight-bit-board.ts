import { brought, choice, name, real, signs, type Expression } from '../../code/index.js';
import { paramsOf } from '../../catalog/index.js';
import type { Board, Starts } from '../board.js';
import { linesSeen, outputsOff, outputsOn } from './load-steps.js';
import { eightBitPace } from './paces.js';
import { keptInEeprom } from './kept-in-eeprom.js';
import { beginsPlainly, does, restsHigh } from './common-parts.js';
import { askedLines, partHelpers, takesInCpp } from './takes-in-cpp.js';
import { talkInCpp } from './talk-in-cpp.js';
import { dogTime, lessOneLines, tellInC } from './c-parts.js';
import { cppWith, type Brought } from './used.js';

const level = (high: Expression): Expression => choice(high, name('HIGH'), name('LOW'));

/** The time as lines tell it, in s. */
const timeLines = [
  '',
  'void sayTime() {',
  '  Serial.print(uint32_t(now / 1000));',
  "  Serial.print('.');",
  '  const int part = now % 1000;',
  '  if (part < 100) {',
  "    Serial.print('0');",
  '  }',
  '  if (part < 10) {',
  "    Serial.print('0');",
  '  }',
  '  Serial.print(part);',
  '}',
];
/** Says that something has happened, and a text, a whole number or one with a fraction. */
const tellLines = (called: string, what: string): string[] => [
  '',
  `void ${called}(const char *kind, const char *of, ${what}) {`,
  '  Serial.print(F("# event "));',
  '  sayTime();',
  "  Serial.print(' ');",
  '  Serial.print(kind);',
  "  Serial.print(' ');",
  '  Serial.print(of);',
  '  Serial.print(F(": "));',
  '  Serial.println(what);',
  '}',
];
export const imports: readonly Brought[] = [
  { word: 'u?int(8|16|32|64)_t', lines: ['#include <stdint.h>'] },
  { word: 'exp|atan2', lines: ['#include <math.h>'] },
  { word: 'offsetof', lines: ['#include <stddef.h>'] },
  { word: 'strcmp|strncmp', lines: ['#include <string.h>'] },
  { word: 'atoi', lines: ['#include <stdlib.h>'] },
  { word: 'Wire', lines: ['#include <Wire.h>'] },
  { word: 'EEPROM', lines: ['#include <EEPROM.h>'] },
  { word: 'eeprom_is_ready', lines: ['#include <avr/eeprom.h>'] },
  { word: 'sleep_cpu|sleep_mode', lines: ['#include <avr/sleep.h>'] },
  { word: 'wdt_reset|wdt_disable|WDTCSR', lines: ['#include <avr/wdt.h>'] },
];
export const helpers: readonly Brought[] = [
  { word: 'lessOne', lines: lessOneLines('') },
  ...partHelpers,
  { word: 'tell|tellCount|tellReading|sayTime', lines: timeLines },
  { word: 'tell', lines: tellLines('tell', 'const char *what') },
  { word: 'tellCount', lines: tellLines('tellCount', 'int32_t what') },
  { word: 'tellReading', lines: tellLines('tellReading', 'double what') },
];

/** A 5 V board with an 8-bit controller that is programmed with `setup` and `loop`. */
export const eightBitBoard: Board = {
  id: '8-bit board',
  label: '5 V 8-bit board, C++',
  language: 'cpp',
  watches: 8,
  // Data sheet: 13 cycles of 125 kHz for a reading; a word on the bus of 100 kHz is some 50 bits; a serial line of 115,200 baud.
  pace: eightBitPace(
    16e6,
    {
      ...{ analogRead: 1800, digitalRead: 60, digitalWrite: 70, analogWrite: 110, lessOne: 4000 },
      ...{
        wordAt: 9000,
        shareAt: 12_000,
        numberAt: 18_000,
        angleAt: 24_000,
        echoTime: 608_000,
        picofarads: 160_000,
      },
      ...{ tell: 3000, tellCount: 6000, tellReading: 9000 },
    },
    { letter: 87, kept: 63 },
  ),
  rests: (edges) => (edges ? 'idle' : 'asleep'),
  knowsTime: false,
  // Data sheet of 8-bit controllers with 32 pins: 2 kB. The usual buffers of a serial line, and calls some ten deep.
  memory: {
    ram: 2048,
    others: 600,
    sizeOf: { bool: 1, byte: 1, int: 2, long: 4, moment: 8, real: 4 },
    // 32 kB less what loads programs. Fitted; the board's own library is a kilobyte or so larger than that of the tests.
    flash: { has: 32_256, base: 3400, step: 6.3, reals: 680 },
  },
  file: (stem) => `${stem}.ino`,
  beside: () => [],
  load: (file) => [
    outputsOff,
    'Join the board to the computer with a USB cable that carries data: some only charge. A light on the board goes on.',
    `Open ${file} in the programming environment for such boards; it has to lie in a folder of the same name, as it does here. Choose the board and its serial port.`,
    'Check it, then load it. It says when that is done. If the port is not found: another cable, another socket, the driver of the board’s serial chip. If it is busy: close whatever else listens to the port.',
    linesSeen('115200 baud'),
    outputsOn,
  ],
  pin: (terminal) => (terminal.startsWith('D') ? terminal.slice(1) : terminal),
  readAnalogue: (pin) => brought('analogRead', pin),
  readHigh: (pin) => signs('==', brought('digitalRead', pin), name('HIGH')),
  takes: takesInCpp,
  writeHigh: (pin, high) => does('digitalWrite', pin, level(high)),
  writeShare: (pin, share) =>
    does('analogWrite', pin, {
      is: 'as',
      type: 'int',
      value: signs('+', signs('*', real(255), share), real(0.5)),
    }),
  // The library of the chip's compiler has no expm1.
  lessOne: (of) => brought('lessOne', of),
  tell: tellInC,
  talks: talkInCpp,
  begins: beginsPlainly,
  keeps: keptInEeprom,
  starts: ({ watchdog, tells, keeps, part, analogue, asked, inputs, outputs, edges, last }) => ({
    title: 'Start',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          '',
          'void setup() {',
          ...(tells ? ['  Serial.begin(115200);'] : []),
          ...(keeps ? ['  loadKept();'] : []),
          ...(analogue.length > 0 && paramsOf(part).reference === '1.1 V inside'
            ? ['  analogReference(INTERNAL);  // 1.1 V']
            : []),
          ...askedLines(asked),
          ...pinLines({ inputs, outputs, edges }),
          ...(last ? [`  ${last}();`] : []),
          ...(watchdog === undefined ? [] : [`  wdt_enable(${dogTime(watchdog)});`]),
          '}',
        ],
      },
    ],
  }),
  goesRound: ({ watchdog, hears, sleeps, edges, lead }) => ({
    title: 'Over and over',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          ...(sleeps && !edges ? napLines(watchdog, hears) : []),
          '',
          'void loop() {',
          ...(watchdog === undefined ? [] : ['  wdt_reset();']),
          '  // The difference is right also where the clock of the board begins anew, after 49 days.',
          sleeps && !edges
            ? '  now += uint32_t(millis() + napped) - uint32_t(now);'
            : '  now += uint32_t(millis()) - uint32_t(now);',
          ...(hears ? ['  hear();'] : []),
          '  makePass();',
          ...(sleeps ? restLines(edges, lead) : []),
          '}',
        ],
      },
    ],
  }),
  write: cppWith(imports, helpers),
};

/** Sleeps as deeply as the chip can, by its watchdog: its own clock stands still meanwhile. */
const napLines = (watchdog: number | undefined, hears: boolean): string[] => [
  'uint32_t napped = 0;  // ms for which the clock of the board stood still',
  '',
  '// As the watchdog wakes it: nothing else is to be done.',
  'ISR(WDT_vect) {',
  '}',
  '',
  '// Sleeps for the longest time of the watchdog that is no longer than there is; its oscillator is right to about a tenth.',
  'void napFor(uint64_t most) {',
  '  uint8_t step = 10;',
  '  do {',
  '    if (step-- == 0) {',
  '      return;',
  '    }',
  '  } while ((16ul << step) > most);',
  ...(hears ? ['  Serial.flush();'] : []),
  '  const uint8_t dog = _BV(WDIE) | (step & 7) | (step > 7 ? _BV(WDP3) : 0);',
  '  const uint8_t converter = ADCSRA;',
  '  ADCSRA = 0;',
  '  set_sleep_mode(SLEEP_MODE_PWR_DOWN);',
  '  noInterrupts();',
  '  wdt_reset();',
  '  WDTCSR = _BV(WDCE) | _BV(WDE);',
  '  WDTCSR = dog;  // within four cycles',
  '  sleep_enable();',
  '  interrupts();',
  '  sleep_cpu();',
  '  sleep_disable();',
  watchdog === undefined ? '  wdt_disable();' : `  wdt_enable(${dogTime(watchdog)});`,
  '  ADCSRA = converter;',
  '  napped += 16ul << step;',
  '}',
];

/** Asleep it rests: until something is to be done, or from one interrupt to the next. */
const restLines = (edges: boolean, lead: number): string[] => [
  `  if (asleep${edges ? '' : ` && wakesAt > now${lead ? ` + ${lead}` : ''}`}) {`,
  ...(edges
    ? ['    set_sleep_mode(SLEEP_MODE_IDLE);', '    sleep_mode();']
    : [`    napFor(wakesAt - now${lead ? ` - ${lead}` : ''});`]),
  '  }',
];

const edgeNames = { rising: 'RISING', falling: 'FALLING', change: 'CHANGE' } as const;

/** Pins made ready: read, driven to rest, and noted as they turn. */
export const pinLines = ({
  inputs,
  outputs,
  edges,
}: Pick<Starts, 'inputs' | 'outputs' | 'edges'>): string[] => [
  ...inputs.map(({ pin, pullUp }) => `  pinMode(${pin}, ${pullUp ? 'INPUT_PULLUP' : 'INPUT'});`),
  ...outputs.flatMap(({ pin, output }) => [
    `  digitalWrite(${pin}, ${restsHigh(output) ? 'HIGH' : 'LOW'});`,
    `  pinMode(${pin}, OUTPUT);`,
  ]),
  ...edges.map(
    ({ pin, edge, notes }) =>
      `  attachInterrupt(digitalPinToInterrupt(${pin}), ${notes}, ${edgeNames[edge]});`,
  ),
];
