import { askedAt } from '../../catalog/index.js';
import { brought, snake } from '../../code/index.js';
import type { Board, Starts } from '../board.js';
import { outputsOff, outputsOn } from './load-steps.js';
import { interpretedPace } from './paces.js';
import { keptInFile } from './kept-in-file.js';
import { does, edgesOf, nowAndClock, restsHigh, tellOf } from './common-parts.js';
import { talkInPython } from './talk-in-python.js';
import { wordHelpers, wordsInPython } from './takes-in-python.js';
import { pythonWith, type Brought } from './used.js';

const imports: readonly Brought[] = [
  { word: 'os', lines: ['import os'] },
  { word: 'select', lines: ['import select'] },
  { word: 'time', lines: ['import time'] },
  { word: 'fcntl', lines: ['import fcntl'] },
  { word: 'atan2', lines: ['from math import atan2, pi'] },
  { word: 'expm1', lines: ['from math import expm1'] },
  { word: 'gpiod', lines: ['import gpiod'] },
  { word: 'Bias', lines: ['from gpiod.line import Bias'] },
  { word: 'Direction', lines: ['from gpiod.line import Direction'] },
  { word: 'Edge', lines: ['from gpiod.line import Edge'] },
  { word: 'Value', lines: ['from gpiod.line import Value'] },
];

const helpers: readonly Brought[] = [
  {
    word: 'word_at|share_at|number_at|angle_at',
    lines: [
      '',
      '',
      '# A word of a chip on the two-wire bus, its high byte first; -1 where there is no answer.',
      'def word_at(address, place):',
      '    try:',
      '        fcntl.ioctl(bus, 0x0703, address)  # whom what follows is for',
      '        os.write(bus, bytes((place,)))',
      '        high, low = os.read(bus, 2)',
      '    except OSError:',
      '        return -1',
      '    return high << 8 | low',
    ],
  },
  ...wordHelpers,
  {
    word: 'is_high',
    lines: ['', '', 'def is_high(pin):', '    return lines.get_value(pin) == Value.ACTIVE'],
  },
  {
    word: 'switch',
    lines: [
      '',
      '',
      'def switch(pin, high):',
      '    lines.set_value(pin, Value.ACTIVE if high else Value.INACTIVE)',
    ],
  },
  {
    word: 'tell',
    lines: [
      '',
      '',
      'def tell(kind, of, what):',
      '    print(f"# event {now / 1000:.3f} {kind} {of}: {what}", flush=True)',
    ],
  },
];

const edgeNames = { rising: 'RISING', falling: 'FALLING', change: 'BOTH' } as const;

/** A 3.3 V computer whose kernel gives its pins as lines of a GPIO character device: Python 3 with libgpiod, version 2. */
export const smallComputer: Board = {
  id: 'small computer',
  label: '3.3 V small computer, Python 3',
  language: 'python',
  rests: () => 'awake',
  // From memory; what else the computer does may keep it waiting for some milliseconds more.
  pace: interpretedPace(
    0.1,
    {
      is_high: 8,
      switch: 8,
      expm1: 1,
      word_at: 700,
      share_at: 700,
      number_at: 1400,
      angle_at: 1400,
      tell: 30,
    },
    { letter: 0, kept: 0 },
  ),
  knowsTime: true,
  file: () => 'watch.py',
  beside: (stem) => [
    {
      path: `${stem}.service`,
      text: [
        '[Unit]',
        `Description=${stem}`,
        '',
        '[Service]',
        `WorkingDirectory=/opt/${stem}`,
        `ExecStart=/usr/bin/python3 /opt/${stem}/watch.py`,
        'Restart=always',
        '',
        '[Install]',
        'WantedBy=multi-user.target',
        '',
      ].join('\n'),
    },
  ],
  load: (file) => [
    outputsOff,
    'Install Python 3 and its module for libgpiod, version 2 or later. `gpioinfo` lists the lines of the computer’s pins.',
    `The pins P1 to P16 are numbered as in the design: put the line numbers of your computer beside them at the top of ${file}.`,
    `Try it: \`python3 ${file}\`. Ctrl C ends it. If it says that a line is busy, something else holds it: gpioinfo tells what. If it may not open the chip, add yourself to the group that may.`,
    'To have it begin with the computer, put this folder in /opt, the file .service in /etc/systemd/system, and enable it with systemctl. What it tells stands in the journal.',
    outputsOn,
  ],
  pin: (terminal) => terminal.slice(1),
  takes: { register: wordsInPython },
  readHigh: (pin) => brought('is_high', pin),
  writeHigh: (pin, high) => does('switch', pin, high),
  lessOne: (of) => brought('expm1', of),
  tell: tellOf,
  talks: talkInPython,
  begins: (design, clock) => ({
    title: design.title,
    says: [design.purpose, 'Written from the design.'],
    holds: [
      ...nowAndClock(clock),
      {
        declares: 'lines',
        lines: [
          'CHIP = "/dev/gpiochip0"  # which of them: gpiodetect tells',
          ...(design.channels.some((c) => askedAt(design, c.pin))
            ? ['BUS = "/dev/i2c-1"  # where the two-wire bus is']
            : []),
        ],
      },
    ],
  }),
  keeps: keptInFile(
    ['os.replace("kept.new", "kept.txt")'],
    ['file.flush()', 'os.fsync(file.fileno())'],
  ),
  starts: (parts) => ({
    title: 'Start',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          ...settingsOf(parts),
          'edges = {' +
            edgesOf(parts)
              .map((e) => `${e.pin}: ${e.notes}`)
              .join(', ') +
            '}',
          ...(parts.asked.length > 0 ? ['bus = os.open(BUS, os.O_RDWR)'] : []),
          'lines = gpiod.request_lines(CHIP, consumer="watch", config=CONFIG)',
          ...(parts.keeps ? ['load_kept()'] : []),
          ...(parts.clock
            ? [
                '_, _, _, hour, minute, second, *_ = time.localtime()',
                'clock_start = ((hour * 60 + minute) * 60 + second) * 1000',
              ]
            : []),
          ...(parts.last ? [`${snake(parts.last)}()`] : []),
          'began = time.monotonic_ns()',
        ],
      },
    ],
  }),
  goesRound: ({ hears }) => ({
    title: 'Over and over',
    says: ['The kernel keeps the edges that came; without any it looks once in a millisecond.'],
    holds: [
      {
        declares: 'lines',
        lines: [
          'while True:',
          '    if lines.wait_edge_events(0.001):',
          '        for event in lines.read_edge_events():',
          '            edges[event.line_offset]()',
          '    now = (time.monotonic_ns() - began) // 1_000_000',
          ...(hears ? ['    hear()'] : []),
          '    make_pass()',
        ],
      },
    ],
  }),
  write: pythonWith(imports, helpers),
};

/** How each line is asked for. */
function settingsOf(parts: Starts): string[] {
  const edges = new Map(edgesOf(parts).map(({ pin, edge }) => [pin, edge]));
  const inputs = parts.inputs.map(({ pin, pullUp }) => {
    const called = snake(pin).toUpperCase();
    const edge = edges.get(called);
    const told = [
      'direction=Direction.INPUT',
      ...(pullUp ? ['bias=Bias.PULL_UP'] : []),
      ...(edge ? [`edge_detection=Edge.${edgeNames[edge]}`] : []),
    ];
    return `    ${called}: gpiod.LineSettings(${told.join(', ')}),`;
  });
  const outputs = parts.outputs.map(({ pin, output }) => {
    const value = restsHigh(output) ? 'Value.ACTIVE' : 'Value.INACTIVE';
    const called = snake(pin).toUpperCase();
    return `    ${called}: gpiod.LineSettings(direction=Direction.OUTPUT, output_value=${value}),`;
  });
  return ['CONFIG = {', ...inputs, ...outputs, '}'];
}
