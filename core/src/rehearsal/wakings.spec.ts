/** Cycles of sleep that recur with what comes about in them are gone over: nothing that is decided, read, drawn or counted may differ for it. */
import type { Design, Scene } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { brief, channel, output, pins, placed, sceneOf } from '../testing/small.js';
import type { Rehearsal } from './rehearsal.js';
import { Wakings } from './wakings.js';
import { rehearse } from './rehearse.js';
import type { Trace } from './traces.js';

afterEach(() => jest.restoreAllMocks());

/** A scene in time as it is, and with every round followed; and how often a round was gone over. */
function bothWays(
  design: Design,
  scene: Scene,
): { over: Rehearsal; whole: Rehearsal; rounds: number } {
  const went = jest.spyOn(Wakings.prototype, 'wentOver');
  const over = rehearse(design, scene, undefined, 'time');
  const rounds = went.mock.calls.length;
  jest.spyOn(Wakings.prototype, 'from').mockReturnValue([]);
  return { over, whole: rehearse(design, scene, undefined, 'time'), rounds };
}

const inMicroseconds = (t: number): number => Math.round(1e6 * t);

/** J, from watts that hold until the next. */
const energy = ({ times, values }: Trace, until: number): number =>
  times.reduce((sum, t, i) => sum + values[i] * ((times[i + 1] ?? until) - t), 0);

/** Values at the moments that both have taken down. */
function common(one: Trace, other: Trace): (readonly [number, number])[] {
  const at = new Map(other.times.map((t, i) => [inMicroseconds(t), other.values[i]]));
  return one.times.flatMap((t, i) => {
    const value = at.get(inMicroseconds(t));
    return value === undefined ? [] : [[one.values[i], value] as const];
  });
}

function expectSame(over: Rehearsal, whole: Rehearsal): void {
  const events = ({ logic }: Rehearsal) =>
    logic.map((l) => [inMicroseconds(l.t), JSON.stringify(l.events)]);
  expect(events(over)).toEqual(events(whole));
  const acts = ({ acting }: Rehearsal) =>
    acting.map((a) => [inMicroseconds(a.t), a.part, a.active]);
  expect(acts(over)).toEqual(acts(whole));
  expect(over.relayOperations).toEqual(whole.relayOperations);
  const sleeps = ({ asleep }: Rehearsal) =>
    asleep.map(({ from, to }) => [inMicroseconds(from), inMicroseconds(to)]);
  expect(sleeps(over)).toEqual(sleeps(whole));
  for (const [id, trace] of Object.entries(over.readings)) {
    const both = common(trace, whole.readings[id]);
    expect(both.length).toBeGreaterThan(
      0.5 * Math.min(trace.times.length, whole.readings[id].times.length),
    );
    expect(both.filter(([a, b]) => a !== b)).toEqual([]);
  }
  const { duration } = over;
  expect(energy(over.watts, duration) / energy(whole.watts, duration)).toBeCloseTo(1, 4);
  expect(over.verdicts.map((v) => [v.outcome, v.delay])).toEqual(
    whole.verdicts.map((v) => [v.outcome, v.delay]),
  );
}

it('a gate that blinks how often it was opened, and sends a sign of life, is the same', () => {
  const gate = demo('creek-gate-watch');
  const [day] = gate.scenes;
  const happenings = day.happenings.slice(0, 3).map((h, i) => ({ ...h, start: 100 + 30 * i }));
  const { over, whole, rounds } = bothWays(gate, { ...day, duration: 4000, happenings });
  expectSame(over, whole);
  expect(rounds).toBeGreaterThan(20);
});

it('hours of signs of life alone are the same', () => {
  const gate = demo('creek-gate-watch');
  gate.controller.sleep = { every: 8, awake: 0.3 };
  const [day] = gate.scenes;
  const { over, whole, rounds } = bothWays(gate, { ...day, duration: 12_000, happenings: [] });
  expectSame(over, whole);
  expect([over.troubles, whole.troubles]).toEqual([[], []]);
  expect(rounds).toBeGreaterThan(30);
});

it('what is met otherwise from some moment on, and changes no answer, is read as it is from then on', () => {
  const gate = demo('creek-gate-watch');
  const [day] = gate.scenes;
  const [, opens] = day.happenings;
  const ajar = { ...opens, start: 1000, params: { ...opens.params, angle: 8, stays: 3000 } };
  const { over, whole, rounds } = bothWays(gate, { ...day, duration: 2500, happenings: [ajar] });
  expectSame(over, whole);
  const { times, values } = over.readings['open'];
  const later = values.filter((_, i) => times[i] > 1100);
  expect(Math.min(...later)).toBeGreaterThan(1850);
  expect(rounds).toBeGreaterThan(10);
});

/** A chip that sleeps and, while its pin is high, drives an output by beats: a lamp, or a relay. */
const beating = (load: string, wires: string) =>
  placed(
    brief(
      `alkaline-pack G ampHours=200 ohms=1e-3 selfDischarge=0, chip-8bit-40pin U own=0.012 rail=5, resistor R ohms=10e3, resistor S ohms=10e3, ${load}`,
      `G.plus U.VCC, G.minus U.GND, U.VCC R.a, R.b U.PA0, U.PA0 S.a, S.b U.GND, ${wires}`,
      {
        ...channel('U.PA0', { every: 0.1, trips: 'above', threshold: 300 }),
        ...output('U.PA1'),
        rules: [
          {
            ...{ id: 'r1', when: { is: 'channel', channel: 'c1' }, hold: 1, latch: false },
            then: [
              {
                do: 'drive',
                output: 'o1',
                drive: { as: 'pattern', beats: [0.2, 0.3], times: 2, pause: 20 },
              },
            ],
          },
        ],
        controller: {
          ...pins('U.PA0 analogue', 'U.PA1 output').controller,
          sleep: { every: 8, awake: 0.5 },
        },
      },
    ),
  );

it.each([
  ['a lamp', 'resistor L ohms=470, led D', 'U.PA1 L.a, L.b D.a, D.k U.GND', 0],
  [
    'a relay',
    'adapter V volts=12, resistor B ohms=1e3, npn-transistor Q, relay-12v Y, rectifier-diode F',
    'V.minus U.GND, U.PA1 B.a, B.b Q.b, Q.e U.GND, Q.c Y.minus, Y.plus V.plus, Y.minus F.a, F.k V.plus',
    1,
  ],
])(
  '%s that beats now and then is the same, every reading with its noise',
  (_, load, wires, relays) => {
    const { over, whole, rounds } = bothWays(beating(load, wires), sceneOf(3000));
    expectSame(over, whole);
    expect(rounds).toBeGreaterThan(10);
    expect(Object.keys(over.relayOperations)).toHaveLength(relays);
  },
);

const lamp = () => beating('resistor L ohms=470, led D', 'U.PA1 L.a, L.b D.a, D.k U.GND');

it.each([
  ['comes off for good', { kind: 'part-comes-off', target: { part: 'D' } }],
  ['is off for a while', { kind: 'part-comes-off', target: { part: 'D' }, params: { stays: 900 } }],
  [
    'is given another resistor',
    { kind: 'knob-turned', target: { part: 'L', param: 'ohms' }, params: { to: 1e5 } },
  ],
])('a lamp that %s while it is dark beats no more as it did', (_, done) => {
  const { over, whole, rounds } = bothWays(lamp(), sceneOf(3000, { ...done, start: 1204 }));
  expectSame(over, whole);
  expect(over.acting.filter(({ t }) => t > 1300 && t < 2000)).toEqual([]);
  expect(rounds).toBeGreaterThan(10);
});

it('where noise now and then brings an answer that the round before had not, that round is followed', () => {
  const design = lamp();
  const [first] = design.channels;
  const edge = { ...first, id: 'c2', threshold: 513.5, hysteresis: 0 };
  const { over, whole, rounds } = bothWays({ ...design, channels: [first, edge] }, sceneOf(6000));
  const answers = whole.logic
    .flatMap((l) => l.events)
    .filter((e) => e.kind === 'channel' && e.id === 'c2');
  expect(answers.length).toBeGreaterThan(3);
  expectSame(over, whole);
  expect(rounds).toBeGreaterThan(0);
});
