/** What programs say over their serial line: the lines of docs/bench-protocol.md, as a maker's terminal would see them. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { brief } from '../testing/small.js';
import { eightBitBoard, radioBoard, smallComputer, writeFirmware } from './index.js';
import { bareChip, playOnChip } from './testing/chip-host.js';
import { compileCpp, shim } from './testing/host.js';

const beam = demo('slipway-beam');
const pin = 14;

/** Says lines to the compiled program, each after so many ms, with its pin at so many counts; gives what it tells. */
function say(
  design: Design,
  told: readonly (readonly [at: number, line: string])[],
  counts = 800,
  first = '',
) {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-talk-'));
  try {
    const { text } = writeFirmware(design, eightBitBoard).written;
    const heard = told.map(
      ([at, line]) => `if (clockMs == ${at}) incoming += ${JSON.stringify(line)};`,
    );
    const main = `int main() {
      keepsLines = true;
      ${first}
      pins[${pin}] = ${counts};
      setup();
      for (; clockMs < 3000; clockMs++) { ${heard.join(' ')} loop(); }
      for (const auto &one : lines) puts(one.c_str());
    }`;
    const program = text.replace(/^#include .*$/gm, '');
    const made = compileCpp(folder, [shim, program, main].join('\n'));
    return execFileSync(made, { encoding: 'utf8' }).trimEnd().split('\n');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

it('says what it is and which pins it reads, and sends readings as often as it is asked to', () => {
  const lines = say(beam, [
    [5, 'hello\n'],
    [6, 'pins\r\n'],
    [10, 'rate 10\n'],
    [1500, 'rate 0\n'],
  ]);
  expect(lines.slice(0, 4)).toEqual([
    '# yurei bench 1, Slipway beam',
    '# pins A0',
    '# ok rate 10',
    'time,A0',
  ]);
  const readings = lines.filter((line) => /^\d/.test(line));
  // From 10 ms to 1.5 s, ten in a second.
  expect(readings).toHaveLength(15);
  expect(readings.slice(0, 2)).toEqual(['0.010,800', '0.110,800']);
});

it('a part that does not answer leaves its cell empty', () => {
  const parts = brief('controller-5v-8bit U, heading-sensor B', 'B.SDA U.A4, B.SCL U.A5');
  const channels = [
    { ...beam.channels[0], pin: 'B.heading' },
    { ...beam.channels[0], id: 'c9', name: 'Beam', pin: 'U.A0' },
  ];
  const design: Design = { ...parts, title: 'Two', channels };
  const asked = [[5, 'rate 2\n']] as const;
  expect(say(design, asked)).toEqual(expect.arrayContaining(['0.005,1800,800']));
  expect(say(design, asked, 800, 'Wire.silent = true;')).toEqual(
    expect.arrayContaining(['time,B.heading,A0', '0.005,,800']),
  );
});

it('refuses what it does not know, and lines that are too long', () => {
  const lines = say(beam, [
    [5, 'rate 2000\n'],
    [6, 'rate -1\n'],
    [7, 'open the door\n'],
    [8, `${'x'.repeat(300)}\n`],
    [9, '\n'],
    [10, 'hello\n'],
  ]);
  expect(lines).toEqual([
    '# no: rate 0 to 1000',
    '# no: rate 0 to 1000',
    ...Array<string>(3).fill('# no: it knows hello, pins, rate and test'),
    '# yurei bench 1, Slipway beam',
  ]);
});

it('tries each output and channel on request, and tells what begins', () => {
  expect(say(beam, [[5, 'test\n']])).toEqual(['# test Sounder', '# test Beam 800', '# ok test']);
  // Below its threshold of 380: five readings in a row, one each 10 ms.
  expect(say(beam, [], 100)).toEqual(['# event 0.040 rule r1: begins']);
});

it('the bare chip hears and answers over its own serial line', () => {
  const course = { length: 2600, clock: 0, changes: [], cuts: [] };
  const typed = 'hello\npins\nrate 20\nrate 0\nopen\ntest\n';
  const [{ told } = { told: [] }] = playOnChip(
    [{ design: demo('bench-test-jig'), courses: [course], typed }],
    bareChip,
  );
  const said = told.filter((line) => !/^# event/.test(line));
  expect(said.filter((line) => !/^\d/.test(line))).toEqual([
    '# yurei bench 1, Bench test jig',
    expect.stringMatching(/^# pins PA\d /),
    '# ok rate 20',
    expect.stringMatching(/^time,PA\d,/),
    '# ok rate 0',
    expect.stringMatching(/^time,PA\d,/),
    '# no: it knows hello, pins, rate and test',
    expect.stringMatching(/^# test /),
    ...Array(3).fill(expect.stringMatching(/^# test .* \d+$/)),
    '# ok test',
  ]);
  // Its clock is set by the simulator before each pass.
  expect(said.filter((line) => /^\d+\.\d{3},\d+,\d+,\d+$/.test(line)).length).toBeGreaterThan(0);
});

it('the small computer hears what is typed, tells, and goes on when nobody speaks any more', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-talk-'));
  const design: Design = {
    ...brief('small-computer-3v3 U, led H, push-button S', ''),
    ...{ title: 'Hall lamp', channels: [{ ...beam.channels[0], pin: 'U.P7', threshold: 50 }] },
    ...{ outputs: [{ ...beam.outputs[0], pin: 'U.P10' }], rules: beam.rules },
    controller: { pins: [{ pin: 'U.P7', mode: 'input' }] },
  };
  // Its pins are low; the program ends by itself after a second and a half.
  const fake = `import os, threading
class line:
    class Direction: INPUT, OUTPUT = 0, 1
    class Value: INACTIVE, ACTIVE = 0, 1
    class Bias: PULL_UP = 1
    class Edge: RISING = 1
def LineSettings(**_): return None
class Lines:
    def get_value(self, pin): return 0
    def set_value(self, pin, value): pass
    def wait_edge_events(self, timeout): return False
def request_lines(chip, consumer, config): return Lines()
threading.Timer(1.5, lambda: os._exit(0)).start()
`;
  try {
    writeFileSync(join(folder, 'watch.py'), writeFirmware(design, smallComputer).written.text);
    mkdirSync(join(folder, 'gpiod'));
    writeFileSync(join(folder, 'gpiod/__init__.py'), fake);
    writeFileSync(
      join(folder, 'gpiod/line.py'),
      'from . import line\nDirection, Value, Bias, Edge = line.Direction, line.Value, line.Bias, line.Edge\n',
    );
    const lines = execFileSync('/usr/bin/python3', ['watch.py'], {
      ...{ cwd: folder, encoding: 'utf8', env: { PYTHONPATH: folder } },
      input: 'hello\npins\nrate 5\nrate x\n',
    }).split('\n');
    expect(lines.slice(0, 5)).toEqual([
      '# yurei bench 1, Hall lamp',
      '# pins P7',
      '# ok rate 5',
      'time,P7',
      '# no: it knows hello, pins, rate 0 to 1000 and test',
    ]);
    expect(lines.filter((line) => /^\d\.\d{3},0$/.test(line)).length).toBeGreaterThan(1);
    expect(lines).toContainEqual(expect.stringMatching(/^# event 0\.\d+ rule r1: begins$/));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

it('nothing of a name ends a line of its own', () => {
  const title = 'One\n# ok "\\';
  const [line, ...others] = say({ ...beam, title }, [[5, 'hello\n']]);
  expect(line).toBe('# yurei bench 1, One # ok "/');
  expect(others).toEqual([]);
});

it('a quiet build opens no line and says nothing', () => {
  for (const [board, word] of [
    [eightBitBoard, /Serial/],
    [radioBoard, /print|stdin/],
  ] as const) {
    const design = board === radioBoard ? demo('chart-table-light') : beam;
    expect(writeFirmware(design, board).written.text).toMatch(word);
    expect(writeFirmware(design, board, true).written.text).not.toMatch(word);
  }
});

it('a watched program gives signs of life, in its self-test too, and begins its watch at the end of its start', () => {
  const watched = { ...beam, controller: { ...beam.controller, watchdog: 1.5 } };
  const { text } = writeFirmware(watched, eightBitBoard).written;
  expect(text).toMatch(/#include <avr\/wdt\.h>/);
  // The chip's own times: the shortest that is as long.
  expect(text).toMatch(/wdt_enable\(WDTO_2S\);\n\}/);
  expect(text).toMatch(/void loop\(\) \{\n {2}wdt_reset\(\);/);
  expect(text).not.toMatch(/delay\(500\)/);
  expect(say(watched, [[5, 'test\n']])).toEqual(['# test Sounder', '# test Beam 800', '# ok test']);
  const touch = demo('chart-table-light');
  const python = writeFirmware(
    { ...touch, controller: { ...touch.controller, watchdog: 1.5 } },
    radioBoard,
  ).written.text;
  expect(python).toMatch(/dog = WDT\(timeout=1500\)/);
  expect(python).toMatch(/def go_round\(\):\n {4}global now, ticks\n {4}dog\.feed\(\)/);
});

it('the reference and range of a converter are set as the design has them', () => {
  const low = (reference: Record<string, number>, design: Design): Design => ({
    ...design,
    parts: design.parts.map((p) => ({ ...p, params: { ...p.params, ...reference } })),
  });
  expect(writeFirmware(beam, eightBitBoard).written.text).not.toMatch(/analogReference/);
  const [board] = beam.parts.filter((p) => p.kind === 'controller-5v-8bit');
  if (!board) throw new Error('It has no board.');
  const inside = { ...board, params: { ...board.params, reference: 1 } };
  const parts = beam.parts.map((p) => (p === board ? inside : p));
  expect(writeFirmware({ ...beam, parts }, eightBitBoard).written.text).toMatch(
    /analogReference\(INTERNAL\);/,
  );
  const seat = demo('watch-seat-timer');
  expect(writeFirmware(seat, radioBoard).written.text).toMatch(/atten=ADC\.ATTN_11DB/);
  expect(writeFirmware(low({ range: 1 }, seat), radioBoard).written.text).toMatch(
    /atten=ADC\.ATTN_0DB/,
  );
});
