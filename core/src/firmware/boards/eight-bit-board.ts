import {
  brought,
  choice,
  name,
  real,
  signs,
  whole,
  writeCpp,
  type Expression,
  type Statement,
} from '../../code/index.js';
import { paramsOf } from '../../catalog/index.js';
import type { Board, Told } from '../board.js';
import { linesSeen, outputsOff, outputsOn } from './load-steps.js';
import { keptInEeprom } from './kept-in-eeprom.js';

const brings = (called: string, ...of: readonly Expression[]): Statement => ({
  do: 'call',
  call: brought(called, ...of),
});
const level = (high: Expression): Expression => choice(high, name('HIGH'), name('LOW'));

/** A 5 V board with an 8-bit controller that is programmed with `setup` and `loop`. */
export const eightBitBoard: Board = {
  id: '8-bit board',
  label: '5 V 8-bit board, C++',
  language: 'cpp',
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
  writeHigh: (pin, high) => brings('digitalWrite', pin, level(high)),
  writeShare: (pin, share) =>
    brings('analogWrite', pin, {
      is: 'as',
      type: 'int',
      value: signs('+', signs('*', real(255), share), real(0.5)),
    }),
  tell: tellOf,
  begins: ({ title, purpose, notices, counters, machines }) => ({
    title,
    says: [purpose, 'Written from the design; what it does is told in docs/rules.md.'],
    holds: [
      {
        declares: 'lines',
        lines: [
          '#include <stdint.h>',
          '#include <math.h>',
          ...([...counters, ...machines].some((of) => of.kept)
            ? ['#include <stddef.h>', '#include <EEPROM.h>']
            : []),
          '',
        ],
      },
      {
        declares: 'variable',
        name: 'now',
        type: 'moment',
        value: whole(0, 'moment'),
        note: 'ms since the start',
      },
      {
        declares: 'variable',
        name: 'clockStart',
        type: 'moment',
        value: whole(0, 'moment'),
        note: 'time of day at the start, ms after midnight',
      },
      ...(notices.length > 0 ? [{ declares: 'lines' as const, lines: tellLines }] : []),
    ],
  }),
  keeps: keptInEeprom,
  starts: ({ tells, keeps, part, analogue, inputs, outputs, edges }) => ({
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
          ...inputs.map(
            ({ pin, pullUp }) => `  pinMode(${pin}, ${pullUp ? 'INPUT_PULLUP' : 'INPUT'});`,
          ),
          ...outputs.flatMap(({ pin, output }) => [
            `  digitalWrite(${pin}, ${(output.active === 'high') === (output.feeds ?? false) ? 'HIGH' : 'LOW'});`,
            `  pinMode(${pin}, OUTPUT);`,
          ]),
          ...edges.map(
            ({ pin, channel, notes }) =>
              `  attachInterrupt(digitalPinToInterrupt(${pin}), ${notes}, ${edgeNames[channel.edge ?? 'change']});`,
          ),
          '}',
        ],
      },
    ],
  }),
  goesRound: () => ({
    title: 'Over and over',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          '',
          'void loop() {',
          '  // The difference is right also where the clock of the board begins anew, after 49 days.',
          '  now += uint32_t(millis()) - uint32_t(now);',
          '  makePass();',
          '}',
        ],
      },
    ],
  }),
  write: writeCpp,
};

/** A notice goes over the serial line. */
const tellLines = [
  '',
  ...['const char *what', 'int32_t what', 'double what'].flatMap((what) => [
    `void tell(const char *notice, ${what}) {`,
    '  Serial.print(notice);',
    '  Serial.print(": ");',
    '  Serial.println(what);',
    '}',
  ]),
];

const edgeNames = { rising: 'RISING', falling: 'FALLING', change: 'CHANGE', low: 'LOW' } as const;

function tellOf(notice: string, told: Told): Statement {
  const value = 'text' in told ? told.text : told.number;
  return brings('tell', { is: 'text', value: notice }, value);
}
