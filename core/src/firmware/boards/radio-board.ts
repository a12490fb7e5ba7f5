import { brought, milliseconds, snake } from '../../code/index.js';
import { paramsOf } from '../../catalog/index.js';
import type { Board, Starts } from '../board.js';
import { linesSeen, outputsOff, outputsOn } from './load-steps.js';
import { interpretedPace } from './paces.js';
import { networkInPython, passwordsInPython, sendInPython } from './network-in-python.js';
import { keptInFile } from './kept-in-file.js';
import { beginsPlainly, does, edgesOf, restsHigh, tellOf } from './common-parts.js';
import { pinOf } from '../pin-of.js';
import { askedLines, partHelpers, takesInMicroPython } from './takes-in-python.js';
import { talkInMicroPython } from './talk-in-python.js';
import { pythonWith, type Brought } from './used.js';

const imports: readonly Brought[] = [
  { word: 'network', lines: ['import network'] },
  { word: 'ntptime', lines: ['import ntptime'] },
  { word: 'os', lines: ['import os'] },
  { word: 'select', lines: ['import select'] },
  { word: 'socket', lines: ['import socket'] },
  { word: 'sys', lines: ['import sys'] },
  { word: 'time', lines: ['import time'] },
  { word: 'atan2', lines: ['from math import atan2, pi'] },
  { word: 'expm1', lines: ['from math import expm1'] },
  { word: 'lightsleep', lines: ['from machine import lightsleep'] },
  { word: 'time_pulse_us', lines: ['from machine import time_pulse_us'] },
  { word: 'ADC', lines: ['from machine import ADC'] },
  { word: 'I2C', lines: ['from machine import I2C'] },
  { word: 'PWM', lines: ['from machine import PWM'] },
  { word: 'Pin', lines: ['from machine import Pin'] },
  { word: 'TouchPad', lines: ['from machine import TouchPad'] },
  { word: 'WDT', lines: ['from machine import WDT'] },
];

const helpers: readonly Brought[] = [
  {
    word: 'pins|picofarads|echo_time|touch_counts',
    lines: ['pins = {}  # as the board knows them, by their numbers'],
  },
  {
    word: 'counts_at',
    lines: ['', '', 'def counts_at(pin):', '    return pins[pin].read_u16() >> 4  # of 12 bits'],
  },
  {
    word: 'is_high',
    lines: ['', '', 'def is_high(pin):', '    return pins[pin].value() == 1'],
  },
  {
    word: 'switch|picofarads',
    lines: ['', '', 'def switch(pin, high):', '    pins[pin].value(1 if high else 0)'],
  },
  ...partHelpers,
  {
    word: 'dim',
    lines: ['', '', 'def dim(pin, share):', '    pins[pin].duty_u16(int(65535 * share + 0.5))'],
  },
  {
    word: 'tell',
    lines: [
      '',
      '',
      'def tell(kind, of, what):',
      '    print("# event %.3f %s %s: %s" % (now / 1000, kind, of, what))',
    ],
  },
];

const triggers = {
  rising: 'Pin.IRQ_RISING',
  falling: 'Pin.IRQ_FALLING',
  change: 'Pin.IRQ_RISING | Pin.IRQ_FALLING',
} as const;

/** How the converter's input is weakened for its range. */
const attenuation = ({ part }: Starts): string =>
  paramsOf(part).range === '0 to 1.1 V' ? 'ATTN_0DB' : 'ATTN_11DB';

/** How long it sleeps: until sensors are fed or it wakes, and not so long that its watchdog ends it. */
function naps(lead: number, watchdog: number | undefined): string {
  const time = `wakes_at - now${lead ? ` - ${lead}` : ''}`;
  return watchdog === undefined ? time : `min(${time}, ${Math.floor(milliseconds(watchdog) / 2)})`;
}

/** A 3.3 V board with a network radio that is programmed in MicroPython. */
export const radioBoard: Board = {
  id: 'radio board',
  label: '3.3 V radio board, MicroPython',
  language: 'python',
  watches: 60,
  // From memory: a step in about a microsecond, a reading of the converter in some forty.
  pace: interpretedPace(
    1.2,
    {
      ...{ counts_at: 60, is_high: 12, switch: 12, dim: 40, expm1: 10 },
      ...{
        word_at: 700,
        share_at: 750,
        number_at: 1400,
        angle_at: 1500,
        echo_time: 38_000,
        picofarads: 12_000,
      },
      ...{ touch_counts: 500, tell: 300 },
    },
    { letter: 87, kept: 256 },
  ),
  rests: (edges) => (edges ? 'awake' : 'asleep'),
  knowsTime: false,
  file: () => 'main.py',
  beside: (_, text) => (text.includes('import passwords') ? [passwordsInPython] : []),
  load: (file) => [
    outputsOff,
    'Put MicroPython on the board once, as its page tells: hold the start button while it gets power, then write the firmware file with its loading tool. A prompt “>>>” answers on the serial line afterwards.',
    `The pins P0 to P15 are numbered as in the design: put the numbers of your board beside them at the top of ${file}, as printed on it.`,
    'Where it sends by radio, copy passwords_example.py to passwords.py, fill in the names and passwords, and copy that to the board too: it stays with you, no design and no download has it.',
    `Copy ${file} to the board with a tool for MicroPython. It begins by itself whenever the board gets power; Ctrl C on the serial line ends it, and tells in which line it was.`,
    linesSeen('115200 baud'),
    outputsOn,
  ],
  pin: (terminal) => terminal.slice(1),
  readAnalogue: (pin) => brought('counts_at', pin),
  takes: takesInMicroPython,
  readHigh: (pin) => brought('is_high', pin),
  writeHigh: (pin, high) => does('switch', pin, high),
  writeShare: (pin, share) => does('dim', pin, share),
  lessOne: (of) => brought('expm1', of),
  tell: tellOf,
  sends: sendInPython,
  network: networkInPython,
  talks: talkInMicroPython,
  begins: beginsPlainly,
  keeps: keptInFile(['os.rename("kept.new", "kept.txt")']),
  starts: (parts) => {
    const set = parts.analogue.map(({ pin }) => {
      const called = snake(pin).toUpperCase();
      return `pins[${called}] = ADC(Pin(${called}), atten=ADC.${attenuation(parts)})`;
    });
    const inputs = parts.inputs.map(({ pin, pullUp }) => {
      const called = snake(pin).toUpperCase();
      return `pins[${called}] = Pin(${called}, Pin.IN${pullUp ? ', Pin.PULL_UP' : ''})`;
    });
    const outputs = parts.outputs.map(({ pin, output, dimmed }) => {
      const called = snake(pin).toUpperCase();
      const high = restsHigh(output) ? 1 : 0;
      return dimmed
        ? `pins[${called}] = PWM(Pin(${called}), freq=1000, duty_u16=${65535 * high})`
        : `pins[${called}] = Pin(${called}, Pin.OUT, value=${high})`;
    });
    const edges = edgesOf(parts).map(
      ({ pin, edge, notes }) =>
        `pins[${pin}].irq(handler=lambda pin: ${notes}(), trigger=${triggers[edge]})`,
    );
    const asked = askedLines(parts.asked, (ref) => parts.pin(pinOf(ref)));
    const takesBus = asked.some((line) => line.startsWith('bus = '));
    const globals = [
      'ticks',
      ...(parts.watchdog === undefined ? [] : ['dog']),
      ...(takesBus ? ['bus'] : []),
    ];
    const body = [
      ...(parts.keeps ? ['load_kept()'] : []),
      ...set,
      ...asked,
      ...inputs,
      ...outputs,
      ...edges,
      ...(parts.last ? [`${snake(parts.last)}()`] : []),
      'ticks = time.ticks_ms()',
      ...(parts.watchdog === undefined
        ? []
        : [`dog = WDT(timeout=${milliseconds(parts.watchdog)})`]),
    ];
    return {
      title: 'Start',
      says: [],
      holds: [
        {
          declares: 'lines',
          lines: [
            'ticks = 0',
            ...(parts.watchdog === undefined ? [] : ['dog = None']),
            '',
            '',
            'def start():',
            `    global ${globals.join(', ')}`,
            ...body.map((l) => `    ${l}`),
          ],
        },
      ],
    };
  },
  goesRound: ({ watchdog, sleeps, edges, hears, lead, joins, sends, asks }) => ({
    title: 'Over and over',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          '',
          'def go_round():',
          '    global now, ticks',
          ...(watchdog === undefined ? [] : ['    dog.feed()']),
          '    # The difference is right also where the clock of the board begins anew.',
          '    latest = time.ticks_ms()',
          '    now += time.ticks_diff(latest, ticks)',
          '    ticks = latest',
          ...(hears ? ['    hear()'] : []),
          '    make_pass()',
          ...(joins ? ['    keep_joined()'] : []),
          ...(sleeps && !edges
            ? [
                `    if asleep and wakes_at > now${lead ? ` + ${lead}` : ''}${sends ? ' and not is_sending()' : ''}${asks ? ' and not is_asking()' : ''}:`,
                `        lightsleep(${naps(lead, watchdog)})`,
              ]
            : []),
          '',
          '',
          'start()',
          'while True:',
          '    go_round()',
        ],
      },
    ],
  }),
  write: pythonWith(imports, helpers),
};
