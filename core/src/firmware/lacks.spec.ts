import type { Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { brief } from '../testing/small.js';
import { eightBitBoard, lacksOf, radioBoard, writeFirmware } from './index.js';

const beam = demo('slipway-beam');
const [channel] = beam.channels;
const [sounder] = beam.outputs;
const levels: Design['rules'] = [
  {
    ...beam.rules[0],
    then: [{ do: 'drive', output: sounder.id, drive: { as: 'level', level: 0.5 } }],
  },
];

it.each<[string, Partial<Design>, RegExp]>([
  ['without a board', { parts: [] }, /^parts: The design has 0 boards/],
  [
    'read nowhere',
    { channels: [{ ...channel, pin: 'X1.count' }] },
    /^channel Beam: It is not read at a pin/,
  ],
  [
    'twice on an edge',
    {
      channels: ['a', 'b'].map((id) => ({ ...channel, id, pin: 'U1.D2', edge: 'rising' as const })),
    },
    /Two channels read on an edge of one pin/,
  ],
  [
    'a rule that asks for what is not there',
    { rules: [{ ...beam.rules[0], when: { is: 'channel', channel: 'gone' } }] },
    /^program: It names a channel "gone" that the design does not have/,
  ],
  ['faster than its clock', { channels: [{ ...channel, every: 2.5e-4 }] }, /whole number of milli/],
  [
    'dimmed on a pin that switches',
    { rules: levels },
    /^output Sounder: It is dimmed, and D8 only/,
  ],
  [
    'two on one pin',
    { outputs: [sounder, { ...sounder, id: 'o2', name: 'Lamp' }] },
    /^pin D8: It is used twice, by Sounder and by Lamp\. Put one/,
  ],
  [
    'one pin read and driven',
    { outputs: [{ ...sounder, pin: channel.pin }] },
    /^pin A0: It is used twice, by Beam and by Sounder/m,
  ],
  [
    'two hundred channels',
    {
      channels: Array.from({ length: 200 }, (_, i) => ({
        ...{ ...channel, id: `c${i}`, name: `Beam ${i}` },
        filter: { by: 'mean' as const, n: 8 },
      })),
      rules: [],
    },
    /^memory: Its variables and texts take \d+ bytes of RAM; the chip has 1448 .*larger board/,
  ],
  [
    'beats shorter than its clock counts',
    {
      rules: [
        {
          ...beam.rules[0],
          then: [
            {
              ...{ do: 'drive', output: sounder.id },
              drive: { as: 'pattern', beats: [5e-4, 5e-4] },
            },
          ],
        },
      ],
    },
    /^output Sounder: It is to beat for 0\.5 ms/,
  ],
  ['driven elsewhere', { outputs: [{ ...sounder, pin: 'X1.a' }] }, /is not a pin of the board/],
  [
    'counted too far',
    { counters: [{ id: 'k', name: 'Guests', start: 0, least: 0, most: 4e9 }] },
    /^counter Guests: It counts further than 32 bits/,
  ],
  [
    'watched for too long',
    { controller: { ...beam.controller, watchdog: 20 } },
    /waits 8 s at most/,
  ],
])('says what a program could not do, before any is written: %s', (_, change, reason) => {
  const design = { ...beam, ...change };
  const said = lacksOf(design, eightBitBoard).map((l) => `${l.place}: ${l.reason}. ${l.cure}`);
  expect(said.join('\n')).toMatch(reason);
  expect(() => writeFirmware(design, eightBitBoard)).toThrow(reason);
});

it('a design that the board can do lacks nothing, and tells which lines are about what', () => {
  expect(lacksOf(beam, eightBitBoard)).toEqual([]);
  const { written } = writeFirmware(beam, eightBitBoard);
  const lines = written.text.split('\n');
  const about = (id: string): string => {
    const span = written.spans.find((s) => s.about === id);
    return lines.slice((span?.from ?? 1) - 1, span?.to ?? 0).join('\n');
  };
  expect(about('r1')).toMatch(
    /^\/\/ ---- Rule r1 -+\n\/\/ when Beam → Sounder on and 6\ss longer\n/,
  );
  expect(about(channel.id)).toMatch(/analogRead\(beamPin\)/);
  expect(about(sounder.id)).toMatch(/digitalWrite\(sounderPin, sounderRuleActive \? HIGH : LOW\);/);
  expect(written.text).toMatch(/const int beamThreshold = 380; {2}\/\/ counts/);
});

it('what an edge notes is kept where other lines run meanwhile', () => {
  const edge = { ...channel, pin: 'U1.D2', edge: 'change' as const, remembers: true };
  const { written } = writeFirmware({ ...beam, channels: [edge] }, eightBitBoard);
  expect(written.text).toMatch(
    /volatile bool beamEdge = false;.*\nvolatile bool beamEdgeLevel = false;/,
  );
  expect(written.text).toMatch(
    /attachInterrupt\(digitalPinToInterrupt\(beamPin\), beamTurned, CHANGE\);/,
  );
});

it('a design without rules has a program that only reads, and is told so', () => {
  const { written, remarks } = writeFirmware({ ...beam, rules: [] }, eightBitBoard);
  expect(written.text).toMatch(/beamRead\(\);/);
  expect(remarks.map(({ place }) => place)).toEqual(['rules']);
});

it('says what a program does otherwise than one may think', () => {
  const sleeps = { ...beam, controller: { ...beam.controller, sleep: { every: 2, awake: 0 } } };
  const said = (design: Design, board = eightBitBoard): string[] =>
    writeFirmware(design, board).remarks.map(({ place }) => place);
  expect(said(beam)).toEqual([]);
  // By its watchdog; with an edge to be noted it only idles.
  expect(said(sleeps)).toEqual([]);
  const edged = { ...channel, pin: 'U1.D2', edge: 'rising' as const };
  expect(said({ ...sleeps, channels: [edged] })).toEqual(['sleep']);
  expect(said(demo('watch-seat-timer'), radioBoard)).toEqual([]);
});

it('says what does not fit the memory of the chip, with how much there is', () => {
  const over: Design['rules'][number]['when'] = {
    ...{ is: 'flickers', channel: channel.id, from: 1, to: 10 },
    over: 60,
  };
  const rules = [{ ...beam.rules[0], when: over }];
  const [lack] = lacksOf({ ...beam, rules }, eightBitBoard);
  expect(lack?.place).toBe('memory');
  expect(lack?.reason).toMatch(/take \d{4,} bytes of RAM; the chip has 1448 for them/);
});

describe('parts that answer otherwise than at a pin', () => {
  const away = (parts: string, wires: string, ref: string): Design =>
    brief(parts, wires, { channels: [{ ...channel, pin: ref }] });
  const board = 'controller-5v-8bit U, ';

  it.each<[string, Design, RegExp | undefined]>([
    [
      'a chip on the bus of the board',
      away(`${board}heading-sensor B`, 'B.SDA U.A4, B.SCL U.A5', 'B.heading'),
      undefined,
    ],
    [
      'lines the wrong way about',
      away(`${board}heading-sensor B`, 'B.SDA U.A5, B.SCL U.A4', 'B.heading'),
      /data line leads to pin A5, which cannot be used so. Wire it to one of these: A4\.\n.*clock line leads to pin A4/,
    ],
    [
      'an echo whose trigger is loose',
      away(`${board}ultrasonic-ranger B`, 'B.ECHO U.D7', 'B.echo'),
      /trigger leads to no pin of the board/,
    ],
    [
      'a tag reader whose numbers are averaged',
      (() => {
        const design = away(`${board}tag-reader-bus B`, 'B.SDA U.A4, B.SCL U.A5', 'B.tag');
        const channels = design.channels.map((c) => ({
          ...c,
          filter: { by: 'mean' as const, n: 4 },
        }));
        return { ...design, channels };
      })(),
      /smooths numbers that name something.* Read each as it is/,
    ],
    [
      'a touch pad, on a board without touch pins',
      away(`${board}touch-pad B`, 'B.pad U.D7', 'B.counts'),
      /taken by a touch pin, which programs for a 5 V 8-bit board, C\+\+ do not do/,
    ],
    [
      'a tag reader',
      away(`${board}tag-reader B`, 'B.SCK U.D13', 'B.tag'),
      /asked in a way of its own/,
    ],
  ])('%s', (_, design, reason) => {
    const said = lacksOf(design, eightBitBoard).map((l) => `${l.reason}. ${l.cure}`);
    if (reason) expect(said.join('\n')).toMatch(reason);
    else expect(said).toEqual([]);
  });

  it('are asked by numbers that stand at the top, and give no reading where they do not answer', () => {
    const design = away(`${board}heading-sensor B`, 'B.SDA U.A4, B.SCL U.A5', 'B.heading');
    const { text } = writeFirmware(design, eightBitBoard).written;
    expect(text).toMatch(/const uint8_t beamAddress = 30; {2}\/\/ 0x1E on the two-wire bus; Beam/);
    expect(text).toMatch(/Wire\.begin\(\);/);
    expect(text).toMatch(/= beamTaken\(\);\n {2}if \(beamCounts < 0\) \{\n {4}return false;/);
  });
});
