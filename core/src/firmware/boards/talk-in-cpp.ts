import { commented, quoted, type Section } from '../../code/index.js';
import type { TalkParts } from '../board.js';
import { hearLines } from './c-parts.js';

/** Answers the lines of docs/bench-protocol.md, and tries every output and channel on request. */
export function talkInCpp({ title, watched, channels, outputs }: TalkParts): Section {
  const answer = (line: string): string => `    Serial.println(F(${quoted(line)}));`;
  const reading = ({ pin, digital, reads }: TalkParts['channels'][number]): string =>
    reads ? `${reads}()` : digital ? `digitalRead(${pin}) == HIGH ? 100 : 0` : `analogRead(${pin})`;
  const lines = [
    'char heard[16];',
    'uint8_t heardLength = 0;',
    'uint16_t sayEvery = 0;  // ms from one line of readings to the next; 0: none',
    'uint64_t sayAt = 0;',
    '',
    '// A reading of each channel.',
    'void sayReadings() {',
    '  sayTime();',
    ...channels.flatMap((channel) => [
      "  Serial.print(',');",
      ...(channel.reads
        ? [
            `  const int32_t ${channel.reads}Now = ${reading(channel)};`,
            `  if (${channel.reads}Now >= 0) {`,
            `    Serial.print(${channel.reads}Now);`,
            '  }',
          ]
        : [`  Serial.print(${reading(channel)});`]),
    ]),
    '  Serial.println();',
    '}',
    '',
    '// Each output for half a second, then each channel: nothing else is done meanwhile.',
    'void testAll() {',
    ...outputs.flatMap(({ name, pin, dimmed, high }) => [
      `  Serial.println(F(${quoted(`# test ${commented(name)}`)}));`,
      dimmed
        ? `  analogWrite(${pin}, ${high ? 255 : 0});`
        : `  digitalWrite(${pin}, ${high ? 'HIGH' : 'LOW'});`,
      ...(watched
        ? ['  for (uint8_t i = 0; i < 50; i++) {', '    delay(10);', '    wdt_reset();', '  }']
        : ['  delay(500);']),
      dimmed
        ? `  analogWrite(${pin}, ${high ? 0 : 255});`
        : `  digitalWrite(${pin}, ${high ? 'LOW' : 'HIGH'});`,
    ]),
    ...channels.flatMap((channel) => [
      `  Serial.print(F(${quoted(`# test ${commented(channel.name)} `)}));`,
      `  Serial.println(${reading(channel)});`,
    ]),
    '}',
    '',
    'void answer() {',
    '  if (strcmp(heard, "hello") == 0) {',
    answer(`# yurei bench 1, ${commented(title)}`),
    '  } else if (strcmp(heard, "pins") == 0) {',
    answer(`# pins ${channels.map((c) => c.label).join(' ')}`),
    '  } else if (strncmp(heard, "rate ", 5) == 0) {',
    '    const int rate = atoi(heard + 5);',
    '    if (rate < 0 || rate > 1000) {',
    '      Serial.println(F("# no: rate 0 to 1000"));',
    '      return;',
    '    }',
    '    Serial.print(F("# ok rate "));',
    '    Serial.println(rate);',
    answer(['time', ...channels.map((c) => c.label)].join(',')),
    '    sayEvery = rate > 0 ? 1000 / rate : 0;',
    '    sayAt = now;',
    '  } else if (strcmp(heard, "test") == 0) {',
    '    testAll();',
    '    Serial.println(F("# ok test"));',
    '  } else {',
    '    Serial.println(F("# no: it knows hello, pins, rate and test"));',
    '  }',
    '}',
    '',
    ...hearLines('void hear() {', 'Serial.available() > 0', 'Serial.read()'),
  ];
  return {
    title: 'The serial line',
    says: ['Hears hello, pins, rate and test; tells readings so that Set can take them.'],
    holds: [{ declares: 'lines', lines }],
  };
}
