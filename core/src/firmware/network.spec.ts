/** Notices go out by MQTT as its standard has them, read here by a decoder of its own; names and passwords stand in no program. */
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { projectOf, radioBoard, radioBoardCpp, writeFirmware } from './index.js';
import { compileCpp, shim } from './testing/host.js';

const gate = demo('creek-gate-watch');
const [counter] = gate.counters;
const design: Design = {
  ...gate,
  controller: { pins: gate.controller.pins },
  notices: [
    { id: 'n1', name: 'Ships/through #1', tells: { tell: 'counter', counter: counter.id } },
    {
      ...{ id: 'n2', name: 'Gate' },
      tells: { tell: 'condition', condition: { is: 'channel', channel: 'open' } },
    },
  ],
};

interface Packet {
  kind: number;
  data: Buffer;
}

/** OASIS, MQTT Version 3.1.1, 2.2: a kind, how long it is in sevenfold bits, then so many bytes. */
function packetsOf(bytes: Buffer): Packet[] {
  const found: Packet[] = [];
  for (let at = 0; at < bytes.length;) {
    const kind = bytes[at++] ?? 0;
    let [length, unit] = [0, 1];
    for (let more = true; more; unit *= 128) {
      const byte = bytes[at++] ?? 0;
      length += (byte & 127) * unit;
      more = byte > 127;
    }
    found.push({ kind, data: bytes.subarray(at, at + length) });
    at += length;
  }
  return found;
}

/** 1.5.3: a text after its length in two bytes. */
const textAt = (data: Buffer, at: number): string =>
  data.toString('utf8', at + 2, at + 2 + data.readUInt16BE(at));

const published = (packets: readonly Packet[]): [string, string][] =>
  packets
    .filter(({ kind }) => kind === 0x30)
    .map(({ data }) => [textAt(data, 0), data.toString('utf8', 2 + data.readUInt16BE(0))]);

const expected = [
  ['yurei/creek-gate-watch/Ships-through -1', '0'],
  ['yurei/creek-gate-watch/Gate', 'no'],
];

function greeted(packet: Packet | undefined): void {
  // 3.1: the protocol's name and level, flags of a user with a password and of a new session, no sign of life; then the names.
  const { kind, data } = packet ?? { kind: 0, data: Buffer.alloc(0) };
  expect(kind).toBe(0x10);
  expect(textAt(data, 0)).toBe('MQTT');
  expect([...data.subarray(6, 10)]).toEqual([4, 0xc2, 0, 0]);
  expect(textAt(data, 10)).toBe('yurei/creek-gate-watch');
  const user = 10 + 2 + data.readUInt16BE(10);
  expect(textAt(data, user)).toBe('me');
  expect(textAt(data, user + 2 + data.readUInt16BE(user))).toBe('p"w');
}

it('C++ greets the broker and sends each notice', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-net-'));
  try {
    const passwords = `#define SECRETS
const char *const networkName = "shed"; const char *const networkPassword = "x";
const char *const brokerAddress = "broker"; const char *const brokerUser = "me"; const char *const brokerPassword = "p\\"w";`;
    writeFileSync(join(folder, 'passwords.h'), passwords);
    const main = `int main() {
      static uint8_t memory[1024];
      memset(EEPROM.memory = memory, 0xff, 1024);
      setup();
      for (; clockMs < 100; clockMs++) loop();
      fwrite(sent.data(), 1, sent.size(), stdout);
    }`;
    const { text } = writeFirmware(design, radioBoardCpp).written;
    const program = text.replace(/^#include <.*$/gm, '');
    const made = compileCpp(folder, [shim, program, main].join('\n'));
    const packets = packetsOf(execFileSync(made));
    greeted(packets[0]);
    expect(published(packets)).toEqual(expected);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

it('Python greets a broker and sends each notice, over a socket', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-net-'));
  const received: Buffer[] = [];
  const server = createServer((socket: Socket) => {
    socket.on('data', (data: Buffer) => {
      received.push(data);
      // 3.2: taken, no session from before.
      if (data[0] === 0x10) socket.write(Buffer.from([0x20, 2, 0, 0]));
    });
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as { port: number };
  const { text } = writeFirmware(design, radioBoard, true).written;
  const files: Record<string, string> = {
    'main.py': text.replace('1883', String(port)),
    'passwords.py':
      'NETWORK_NAME = "shed"\nNETWORK_PASSWORD = "x"\nBROKER = "127.0.0.1"\nBROKER_USER = "me"\nBROKER_PASSWORD = "p\\"w"\n',
    'network.py':
      'STA_IF = 0\nclass WLAN:\n    def __init__(self, _): self.there = False\n    def active(self, _): pass\n    def isconnected(self): return self.there\n    def connect(self, name, password): self.there = (name, password) == ("shed", "x")\n',
    'machine.py':
      'class Pin:\n    IN, OUT, PULL_UP, IRQ_FALLING = 0, 1, 2, 2\n    def __init__(self, *a, **k): pass\n    def value(self, *a): return 1\n    def irq(self, **k): pass\nclass I2C:\n    def __init__(self, *a, **k): pass\n    def readfrom_mem(self, address, place, n): return b"\\x7f\\x00" if place == 3 else b"\\x00\\x00"\n',
    'run.py':
      'import os, threading, time\nbegan = time.monotonic()\ntime.ticks_ms = lambda: int(1000 * (time.monotonic() - began))\ntime.ticks_diff = lambda a, b: a - b\nthreading.Timer(1, lambda: os._exit(0)).start()\nimport main\n',
  };
  for (const [name, lines] of Object.entries(files)) writeFileSync(join(folder, name), lines);
  try {
    const run = spawn('/usr/bin/python3', ['run.py'], { cwd: folder, stdio: ['ignore', 2, 2] });
    await new Promise((done) => run.on('close', done));
    const packets = packetsOf(Buffer.concat(received));
    greeted(packets[0]);
    expect(published(packets)).toEqual(expected);
  } finally {
    server.close();
    rmSync(folder, { recursive: true, force: true });
  }
});

it('the time of day comes from the network, in the zone that is told', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-net-'));
  const clocked: Design = {
    ...design,
    notices: [],
    rules: [{ ...design.rules[0], when: { is: 'time', from: 60, to: 120 } }],
  };
  try {
    // 2026-11-30 22:59:30 UTC, in seconds since 1900 (RFC 5905), one hour to the east.
    const seconds = Date.UTC(2026, 10, 30, 22, 59, 30) / 1000 + 2_208_988_800;
    writeFileSync(
      join(folder, 'passwords.h'),
      'const char *const networkName = "shed"; const char *const networkPassword = "x";\nconst int32_t hoursFromUtc = 1;',
    );
    const main = `int main() {
      ntpSeconds = ${seconds}u;
      static uint8_t memory[1024];
      memset(EEPROM.memory = memory, 0xff, 1024);
      setup();
      for (clockMs = 5000; clockMs < 5100; clockMs++) loop();
      printf("%llu", (unsigned long long)((clockStart + now) % 86400000 / 1000));
    }`;
    const { text } = writeFirmware(clocked, radioBoardCpp).written;
    const made = compileCpp(folder, [shim, text.replace(/^#include <.*$/gm, ''), main].join('\n'));
    expect(Number(execFileSync(made, { encoding: 'utf8' }))).toBe(23 * 3600 + 59 * 60 + 30);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

describe('a board that sleeps and goes by the time of day', () => {
  const sleeper: Design = {
    ...gate,
    channels: gate.channels.filter((c) => !c.edge),
    machines: [],
    notices: [],
    outputs: [],
    rules: [
      {
        ...{ id: 'r1', hold: 0, latch: false, then: [] },
        when: { is: 'time', from: 23 * 3600, to: 24 * 3600 },
      },
    ],
    controller: { ...gate.controller, sleep: { every: 8, awake: 0 } },
  };
  /** When it sleeps, ms; in a world where the time is told after so many ms, if at all. */
  const sleepsAt = (told: number | undefined, length: number): number[] => {
    const folder = mkdtempSync(join(tmpdir(), 'yurei-net-'));
    try {
      writeFileSync(
        join(folder, 'passwords.h'),
        'const char *const networkName = "shed"; const char *const networkPassword = "x";\nconst int32_t hoursFromUtc = 0;',
      );
      const main = `int main() {
        static uint8_t memory[1024];
        memset(EEPROM.memory = memory, 0xff, 1024);
        setup();
        for (clockMs = 1; clockMs < ${length}; clockMs++) {
          ntpSilent = clockMs < ${told ?? length};
          loop();
          if (naps) {
            printf("%lu ", (unsigned long)clockMs);
            clockMs += napUs / 1000;
            naps = 0;
          }
        }
      }`;
      const { text } = writeFirmware(sleeper, radioBoardCpp).written;
      const program = text.replace(/^#include <.*$/gm, '');
      const made = compileCpp(folder, [shim, program, main].join('\n'));
      return execFileSync(made, { encoding: 'utf8' }).trim().split(' ').map(Number);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  };

  it('stays awake until it is told, then sleeps as it is set', () => {
    const [first = 0, second = 0] = sleepsAt(4000, 60_000);
    // It asks each 10 s: at once, and once more when there is an answer.
    expect(first).toBeGreaterThan(10_000);
    expect(first).toBeLessThan(10_100);
    // It wakes each 8 s of its clock.
    expect(second).toBeGreaterThanOrEqual(16_000);
    expect(second).toBeLessThan(16_100);
  });

  it('gives up after half a minute, and tries again in an hour', () => {
    const all = sleepsAt(undefined, 3_700_000);
    expect(all[0]).toBeGreaterThanOrEqual(30_000);
    expect(all[0]).toBeLessThan(30_100);
    const waits = all.slice(1).map((at, i) => at - (all[i] ?? 0));
    const long = waits.filter((wait) => wait > 20_000);
    expect(long).toHaveLength(1);
    expect(all[waits.indexOf(long[0] ?? 0)]).toBeGreaterThan(3_600_000);
  });

  it('joins no network when nothing is to be asked', () => {
    const { text } = writeFirmware(sleeper, radioBoardCpp).written;
    expect(text).toMatch(/\|\| !\(isAsking\(\)\)\) \{\n {4}return;/);
    expect(text).toMatch(/^RTC_DATA_ATTR uint64_t timeDue = 0;/m);
    const python = writeFirmware(sleeper, radioBoard).written.text;
    expect(python).toMatch(/if asleep and wakes_at > now and not is_asking\(\):/);
  });
});

it('names and passwords stand in a file that the project has only as an example', () => {
  for (const [board, example] of [
    [radioBoardCpp, 'passwords-example.h'],
    [radioBoard, 'passwords_example.py'],
  ] as const) {
    const files = projectOf(design, board, 'gate');
    const paths = files.map(({ path }) => path);
    expect(paths).toContain(`gate/${example}`);
    expect(paths.some((path) => /passwords\.(h|py)$/.test(path))).toBe(false);
    expect(files.find(({ path }) => path.endsWith(example))?.text).toMatch(/= ""/);
    const silent = projectOf({ ...design, notices: [] }, board, 'gate').map(({ path }) => path);
    expect(silent.join(' ')).not.toMatch(/passwords/);
  }
});

it('deep sleep keeps every variable in the memory of the clock, and lets go of no pin that drives', () => {
  const sleeps = {
    ...gate,
    channels: gate.channels.filter((c) => !c.edge),
    rules: [],
    machines: [],
    notices: [],
  };
  const { text } = writeFirmware(sleeps, radioBoardCpp).written;
  const variables = text.match(/^(RTC_DATA_ATTR )?(bool|int|u?int\d+_t|double) \w+ = .*;/gm) ?? [];
  const [kept, others] = [true, false].map((is) =>
    variables.filter((line) => line.startsWith('RTC_DATA_ATTR') === is),
  );
  expect(kept?.length).toBeGreaterThan(6);
  // Those of the serial line alone begin anew.
  expect(others?.map((line) => line.split(' ')[1])).toEqual(['heardLength', 'sayEvery', 'sayAt']);
  expect(text).toMatch(
    /if \(digitalRead\(countLampPin\) == LOW\) \{\n {4}esp_deep_sleep_start\(\);/,
  );
});
