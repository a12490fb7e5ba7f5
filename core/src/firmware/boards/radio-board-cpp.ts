import { brought } from '../../code/index.js';
import { paramsOf } from '../../catalog/index.js';
import type { Board, Starts } from '../board.js';
import { restsHigh } from './common-parts.js';
import { eightBitBoard, helpers, imports, pinLines } from './eight-bit-board.js';
import { keptInPreferences } from './kept-in-preferences.js';
import { linesSeen, outputsOff, outputsOn } from './load-steps.js';
import { networkInCpp, passwordsInCpp, sendInCpp } from './network-in-cpp.js';
import { eightBitPace } from './paces.js';
import { askedLines, takesInCpp } from './takes-in-cpp.js';
import { cppWith, type Brought } from './used.js';

const more: readonly Brought[] = [
  { word: 'Preferences', lines: ['#include <Preferences.h>'] },
  { word: 'WiFi|WiFiClient', lines: ['#include <WiFi.h>'] },
  { word: 'WiFiUDP', lines: ['#include <WiFiUdp.h>'] },
  { word: 'gettimeofday', lines: ['#include <sys/time.h>'] },
];
const touchHelper: Brought = {
  word: 'touchCounts',
  lines: [
    '',
    '// What goes with the capacitance: a touch pin counts the less the more there is.',
    'int32_t touchCounts(uint8_t at, double product) {',
    '  const double counted = touchRead(at);',
    '  return int32_t(product / (counted > 0 ? counted : 1) + 0.5);',
    '}',
  ],
};

const { memory: _memory, watches: _watches, talks, tell, ...shared } = eightBitBoard;

/** Variables outlast deep sleep where they lie in the memory of the board's clock. */
const write = (kept: string): Board['write'] =>
  cppWith([...imports, ...more], [...helpers, touchHelper], {
    variable: kept,
    interrupt: 'IRAM_ATTR ',
  });

/** A 3.3 V board with a network radio that is programmed with `setup` and `loop`. */
export const radioBoardCpp: Board = {
  ...shared,
  ...(talks ? { talks } : {}),
  tell,
  id: 'radio board',
  label: '3.3 V radio board, C++',
  // Some thirty times as fast as the 8-bit board; its converter is not, nor its bus (from memory).
  pace: eightBitPace(
    400e6,
    {
      ...{
        analogRead: 32_000,
        digitalRead: 200,
        digitalWrite: 200,
        analogWrite: 2000,
        lessOne: 800,
      },
      ...{
        wordAt: 220_000,
        shareAt: 220_000,
        numberAt: 440_000,
        angleAt: 450_000,
        echoTime: 15_200_000,
      },
      ...{ picofarads: 4_000_000, touchCounts: 200_000, tell: 40_000 },
    },
    { letter: 87, kept: 127 },
  ),
  rests: (edges) => (edges ? 'awake' : 'asleep'),
  knowsTime: false,
  takes: { ...takesInCpp, touch: (at, product) => brought('touchCounts', at, product) },
  sends: sendInCpp,
  network: networkInCpp,
  beside: (_, text) => (text.includes('passwords.h') ? [passwordsInCpp] : []),
  load: (file) => [
    outputsOff,
    'Join the board to the computer with a USB cable that carries data: some only charge.',
    `Open ${file} in the programming environment for boards with “setup” and “loop”; it has to lie in a folder of the same name, as it does here. Put the board’s kind and its serial port; the pins P0 to P15 are numbered as in the design: put the numbers of your board beside them at the top.`,
    'Where it sends by radio, copy passwords-example.h to passwords.h beside it and fill in the names and passwords: that file stays with you, no design and no download has it.',
    'Check it, then load it. If loading does not begin: hold the start button while it gets power.',
    linesSeen('115200 baud'),
    outputsOn,
  ],
  pin: (terminal) => terminal.slice(1),
  keeps: keptInPreferences,
  starts: (parts) => ({
    title: 'Start',
    says: [],
    holds: [{ declares: 'lines', lines: [...setupLines(parts), ...sleepLines(parts)] }],
  }),
  goesRound: ({ hears, sleeps, edges, lead, joins, sends, asks }) => ({
    title: 'Over and over',
    says: [],
    holds: [
      {
        declares: 'lines',
        lines: [
          '',
          'void loop() {',
          ...(sleeps && !edges
            ? [
                '  // The clock of the board runs on while it sleeps.',
                '  timeval time;',
                '  gettimeofday(&time, nullptr);',
                '  now = uint64_t(time.tv_sec) * 1000 + time.tv_usec / 1000;',
              ]
            : [
                '  // The difference is right also where the clock of the board begins anew, after 49 days.',
                '  now += uint32_t(millis()) - uint32_t(now);',
              ]),
          ...(hears ? ['  hear();'] : []),
          '  makePass();',
          ...(joins ? ['  keepJoined();'] : []),
          ...(sleeps && !edges
            ? [
                `  if (asleep && wakesAt > now${lead ? ` + ${lead}` : ''}${sends ? ' && !isSending()' : ''}${asks ? ' && !isAsking()' : ''}) {`,
                `    sleepFor(wakesAt - now${lead ? ` - ${lead}` : ''});`,
                '  }',
              ]
            : []),
          '}',
        ],
      },
    ],
  }),
  write: (sections) =>
    write(JSON.stringify(sections).includes('sleepFor(') ? 'RTC_DATA_ATTR ' : '')(sections),
};

function setupLines(parts: Starts): string[] {
  const { tells, keeps, analogue, asked, last, part } = parts;
  return [
    '',
    'void setup() {',
    ...(tells ? ['  Serial.begin(115200);'] : []),
    ...(keeps ? ['  loadKept();'] : []),
    ...(analogue.length > 0
      ? [
          `  analogSetAttenuation(${paramsOf(part).range === '0 to 1.1 V' ? 'ADC_0db' : 'ADC_11db'});`,
        ]
      : []),
    ...askedLines(asked),
    ...pinLines(parts),
    ...(last ? [`  ${last}();`] : []),
    '}',
  ];
}

/** Deep sleep lets go of all pins: where one drives something, it sleeps lightly. */
function sleepLines({ sleeps, edges, outputs }: Starts): string[] {
  if (!sleeps || edges.length > 0) return [];
  const rests = outputs.flatMap(({ pin, output, dimmed }) =>
    output.feeds
      ? []
      : [dimmed ? 'false' : `digitalRead(${pin}) == ${restsHigh(output) ? 'HIGH' : 'LOW'}`],
  );
  return [
    '',
    '// Deep sleep lets go of all pins and begins anew, with what lies in the memory of the clock;',
    '// as long as a pin drives something, it sleeps lightly.',
    'void sleepFor(uint64_t time) {',
    '  esp_sleep_enable_timer_wakeup(1000 * time);',
    `  if (${rests.join(' && ') || 'true'}) {`,
    '    esp_deep_sleep_start();',
    '  } else {',
    '    esp_light_sleep_start();',
    '  }',
    '}',
  ];
}
