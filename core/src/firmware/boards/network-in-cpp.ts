import { brought, quoted, type Section } from '../../code/index.js';
import type { Design } from '../../design/index.js';
import { rests, topicOf, topicsOf } from '../network.js';
import type { Board } from '../board.js';
import { variable } from '../frame.js';

/** A file that a maker fills in; none of it is ever in a design. */
export const passwordsInCpp = {
  path: 'passwords-example.h',
  text: `// Copy this file to passwords.h and fill it in. It stays with you: no design and no download has it.
#pragma once
const char *const networkName = "";
const char *const networkPassword = "";
const char *const brokerAddress = "";  // where messages go, by MQTT
const char *const brokerUser = "";
const char *const brokerPassword = "";
const int32_t hoursFromUtc = 0;
`,
};

const calls = { text: 'publish', count: 'publishCount', reading: 'publishReading' } as const;

/** Sends what a notice tells. */
export const sendInCpp: Board['sends'] = (of, told) => {
  const [[what, value]] = Object.entries(told) as [[keyof typeof calls, never]];
  return {
    do: 'call',
    call: brought(calls[what], { is: 'text', value: topicOf(of) }, value),
  };
};

/**
 * Joins the network, and sends messages to a broker by MQTT, version 3.1.1, at most once each; asks for the time by NTP.
 *
 * Source: OASIS, MQTT Version 3.1.1 (2014), 3.1 and 3.3; RFC 5905.
 */
export const networkInCpp: NonNullable<Board['network']> = (design, clock): Section => ({
  title: 'The network',
  says: [
    'Joins by itself, again and again; without passwords.h it sends nothing. Greeting the broker may take up to 0.3 s.',
  ],
  holds: [
    // What is due outlasts deep sleep.
    ...(clock ? [variable('timeDue', 'moment')] : []),
    ...(clock && rests(design) ? [variable('askUntil', 'moment')] : []),
    {
      declares: 'lines',
      lines: [
        '#if __has_include("passwords.h")',
        '#include "passwords.h"',
        '#else',
        ...['networkName', 'networkPassword', 'brokerAddress', 'brokerUser', 'brokerPassword'].map(
          (name) => `const char *const ${name} = "";`,
        ),
        ...(clock ? ['const int32_t hoursFromUtc = 0;'] : []),
        '#endif',
        `const char *const topic = ${quoted(topicsOf(design))};`,
        ...(design.notices.length > 0 ? mqttLines(design) : []),
        ...(clock ? timeLines(rests(design)) : []),
        '',
        '// Looks after all of it, a step each pass.',
        'void keepJoined() {',
        '  static uint64_t joinAt = 0;',
        `  if (networkName[0] == '\\0'${idle(design, clock)}) {`,
        '    return;',
        '  }',
        '  if (WiFi.status() != WL_CONNECTED) {',
        '    if (now >= joinAt) {',
        '      WiFi.begin(networkName, networkPassword);',
        '      joinAt = now + 20000;',
        '    }',
        '    return;',
        '  }',
        ...(clock ? ['  askTime();'] : []),
        ...(design.notices.length > 0 ? ['  sendAll();'] : []),
        '}',
      ],
    },
  ],
});

/** A board that sleeps joins only where something is to be sent or asked. */
const idle = (design: Design, clock: boolean): string => {
  const wants = [
    ...(design.notices.length > 0 ? ['waits > 0'] : []),
    ...(clock ? ['isAsking()'] : []),
  ];
  return design.controller.sleep ? ` || !(${wants.join(' || ')})` : '';
};

const countLines = [
  '',
  'void publishCount(const char *of, int32_t what) {',
  '  char text[12];',
  '  snprintf(text, sizeof(text), "%ld", long(what));',
  '  publish(of, text);',
  '}',
];
const readingLines = [
  '',
  'void publishReading(const char *of, double what) {',
  '  char text[24];',
  '  snprintf(text, sizeof(text), "%.2f", what);',
  '  publish(of, text);',
  '}',
];

/** What is sent: only what this design tells, and whether it waits only where the board sleeps meanwhile. */
const mqttLines = ({ notices, controller, channels }: Design): string[] => [
  'WiFiClient broker;',
  'struct Message {',
  '  const char *of;',
  '  char what[24];',
  '};',
  'const uint8_t mostWaiting = 8;',
  'Message waiting[mostWaiting];',
  'uint8_t waits = 0;',
  ...(rests({ controller, channels })
    ? [
        'uint64_t sendUntil = 0;',
        '',
        'bool isSending() {',
        "  return waits > 0 && networkName[0] != '\\0' && now < sendUntil;",
        '}',
      ]
    : []),
  '',
  '// The oldest makes room where too many wait.',
  'void publish(const char *of, const char *what) {',
  '  if (waits == mostWaiting) {',
  '    memmove(waiting, waiting + 1, sizeof(Message) * --waits);',
  '  }',
  '  waiting[waits].of = of;',
  '  strncpy(waiting[waits].what, what, sizeof(waiting[waits].what) - 1);',
  "  waiting[waits].what[sizeof(waiting[waits].what) - 1] = '\\0';",
  '  waits++;',
  ...(rests({ controller, channels }) ? ['  sendUntil = now + 30000;'] : []),
  '}',
  ...(notices.some(({ tells }) => tells.tell === 'counter') ? countLines : []),
  ...(notices.some(({ tells }) => tells.tell === 'reading') ? readingLines : []),
  '',
  'void sendLength(size_t length) {',
  '  for (; length > 127; length /= 128) {',
  '    broker.write(uint8_t(length % 128 + 128));',
  '  }',
  '  broker.write(uint8_t(length));',
  '}',
  '',
  'void sendText(const char *text) {',
  '  const size_t length = strlen(text);',
  '  broker.write(uint8_t(length >> 8));',
  '  broker.write(uint8_t(length));',
  '  broker.write((const uint8_t *)text, length);',
  '}',
  '',
  'void greet() {',
  "  const bool named = brokerUser[0] != '\\0';",
  '  const size_t names = named ? 4 + strlen(brokerUser) + strlen(brokerPassword) : 0;',
  '  const uint8_t begin[] = {4, uint8_t(named ? 0xc2 : 0x02), 0, 0};',
  '  broker.write(uint8_t(0x10));',
  '  sendLength(10 + 2 + strlen(topic) + names);',
  '  sendText("MQTT");',
  '  broker.write(begin, sizeof(begin));',
  '  sendText(topic);',
  '  if (named) {',
  '    sendText(brokerUser);',
  '    sendText(brokerPassword);',
  '  }',
  '}',
  '',
  'void sendAll() {',
  '  static uint64_t greetAt = 0;',
  '  if (!broker.connected()) {',
  '    if (waits == 0 || now < greetAt) {',
  '      return;',
  '    }',
  '    greetAt = now + 20000;',
  '    if (!broker.connect(brokerAddress, 1883, 300)) {',
  '      return;',
  '    }',
  '    greet();',
  '  }',
  '  while (broker.available() > 0) {',
  '    broker.read();',
  '  }',
  '  for (uint8_t i = 0; i < waits; i++) {',
  '    char full[100];',
  '    snprintf(full, sizeof(full), "%s/%s", topic, waiting[i].of);',
  '    broker.write(uint8_t(0x30));',
  '    sendLength(2 + strlen(full) + strlen(waiting[i].what));',
  '    sendText(full);',
  '    broker.write((const uint8_t *)waiting[i].what, strlen(waiting[i].what));',
  '  }',
  '  waits = 0;',
  '}',
];

/** The time is asked for at first, and a day after the last answer. */
const timeLines = (sleeps: boolean): string[] => [
  'WiFiUDP times;',
  '',
  ...(sleeps
    ? [
        '// It stays awake for the time half a minute; without an answer it tries again in an hour.',
        'bool isAsking() {',
        "  if (networkName[0] == '\\0' || now < timeDue) {",
        '    return false;',
        '  }',
        '  if (askUntil == 0) {',
        '    askUntil = now + 30000;',
        '  }',
        '  if (now < askUntil) {',
        '    return true;',
        '  }',
        '  askUntil = 0;',
        '  timeDue = now + 3600000;',
        '  return false;',
        '}',
      ]
    : ['bool isAsking() {', '  return now >= timeDue;', '}']),
  '',
  '// Asks for the time, again and again until it is told.',
  'void askTime() {',
  '  static uint64_t askAt = 0;',
  '  static bool opened = false;',
  '  uint8_t packet[48] = {0x1b};',
  '  if (!isAsking()) {',
  '    return;',
  '  }',
  '  if (now >= askAt) {',
  '    askAt = now + 10000;',
  '    if (!opened) {',
  '      opened = times.begin(2390);',
  '    }',
  '    times.beginPacket("pool.ntp.org", 123);',
  '    times.write(packet, sizeof(packet));',
  '    times.endPacket();',
  '  }',
  '  if (times.parsePacket() >= 48) {',
  '    times.read(packet, sizeof(packet));',
  '    const uint32_t seconds = uint32_t(packet[40]) << 24 | uint32_t(packet[41]) << 16 | packet[42] << 8 | packet[43];',
  '    const uint64_t day = 86400000;',
  '    const uint64_t clock = (uint64_t(seconds) + 86400 + 3600 * hoursFromUtc) % 86400 * 1000;',
  '    clockStart = (clock + day - now % day) % day;',
  '    timeDue = now + day;',
  ...(sleeps ? ['    askUntil = 0;'] : []),
  '  }',
  '}',
];
