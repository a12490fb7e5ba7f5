import type { Channel, Design } from '../design/index.js';
import { readHappening } from '../exchange/index.js';
import { demo } from '../testing/demo.js';
import { sketch } from '../testing/small.js';
import { columnFor, columnOf, LiveBench, parseBoardLine, StandInBoard } from './index.js';

const channel: Channel = {
  id: 'c',
  name: 'c',
  pin: 'U.A0',
  trips: 'above',
  threshold: 500,
  hysteresis: 60,
  every: 0.01,
  hits: 1,
  misses: 1,
};

/** An output pin that charges a capacitor through 100 kΩ, with a time constant of about a second. */
function slowPin(): Design {
  const design = sketch(
    [
      'adapter G',
      'controller-5v-8bit U',
      'resistor R ohms=1e5',
      'capacitor C farads=1e-5 leak=1e12',
    ],
    ['G.plus U.VIN', 'G.minus U.GND', 'U.D9 R.a', 'R.b C.a', 'C.b U.GND', 'R.b U.A0'],
  );
  return {
    ...design,
    controller: {
      pins: [
        { pin: 'U.A0', mode: 'analogue' },
        { pin: 'U.D9', mode: 'output' },
      ],
    },
    channels: [channel],
    outputs: [{ id: 'o', name: 'o', pin: 'U.D9', active: 'high' }],
  };
}

const quiet = { ambient: {}, seed: 3 };

it('charges take their time: v = V·(1 − e^(−t/RC)), with one RC for the whole course', () => {
  const bench = new LiveBench(slowPin(), quiet);
  bench.readAt(1);
  bench.power('U.D9', true);
  const at = (t: number): number => bench.readAt(1 + t).get('c') ?? NaN;
  const [one, two] = [at(0.5), at(1)];
  bench.readAt(20);
  const end = at(25);
  const tau = -0.5 / Math.log(1 - one / end);
  // 5 % and 10 % of tolerance, drawn once
  expect(tau).toBeGreaterThan(0.8);
  expect(tau).toBeLessThan(1.25);
  expect(two / end).toBeCloseTo(1 - Math.exp(-1 / tau), 1);
  expect(Math.abs(two - end * (1 - Math.exp(-1 / tau)))).toBeLessThan(8);
});

it('a long time in which nobody reads costs next to nothing, and lags are followed after it', () => {
  const bench = new LiveBench(slowPin(), quiet);
  bench.readAt(1);
  bench.power('U.D9', true);
  bench.readAt(86_400);
  expect(bench.followsLags).toBe(true);
  const [soon, later] = [86_401, 86_430].map((t) => bench.readAt(t).get('c') ?? NaN);
  expect(later).toBeGreaterThan(soon);
});

it('readings at rest have the noise of the converter and the same course for the same seed', () => {
  const course = (): number[] => {
    const bench = new LiveBench(demo('bench-test-jig'), quiet);
    return Array.from(
      { length: 300 },
      (_, i) =>
        bench
          .readAt((i + 1) / 25)
          .values()
          .next().value ?? NaN,
    );
  };
  const counts = course();
  expect(new Set(counts).size).toBeGreaterThan(1);
  expect(course()).toEqual(counts);
});

describe('what a sensor is made to feel by hand', () => {
  // 10 mV/K and 500 mV at 0 °C into a 10-bit converter of 5 V: (0.5 V + 0.01 V/K · T) / 5 V · 1024.
  const warm = (): Design => ({
    ...sketch(
      ['adapter G volts=9', 'controller-5v-8bit U', 'temperature-chip S lag=0.01 noise=0'],
      ['G.plus U.VIN', 'G.minus U.GND', 'U.5V S.VCC', 'S.GND U.GND', 'S.OUT U.A0'],
    ),
    controller: { pins: [{ pin: 'U.A0', mode: 'analogue' }] },
    channels: [channel],
  });
  const board = () => new StandInBoard(warm(), quiet, readHappening);
  const reading = (b: StandInBoard, t: number): number =>
    Number(b.goOn(t).at(-1)?.split(',')[1] ?? NaN);

  it('is read, until it is left at rest again', () => {
    const b = board();
    b.hear('rate 10', 0);
    const rest = reading(b, 1);
    expect(b.hear('feel S temperature 60', 1)).toEqual(['# ok feel S temperature 60']);
    const hot = reading(b, 3);
    // Each value of the chip and the drift are off by a few per cent at most.
    expect(Math.abs(hot - ((0.5 + 0.01 * 60) / 5) * 1024)).toBeLessThan(0.05 * 225);
    b.hear('feel S temperature rest', 3);
    expect(Math.abs(reading(b, 5) - rest)).toBeLessThan(6);
  });

  it.each([
    ['feel S light 3', /^# no: S feels no "light"$/],
    ['feel X temperature 3', /^# no: X feels no/],
    ['feel', /^# no: /],
    ['feel S temperature', /^# no: feel takes a part, what it feels, and -?\d+ to \d+ °C or rest$/],
    ['feel S temperature 1e9', /^# no: feel takes/],
    ['feel S temperature NaN', /^# no: feel takes/],
  ])('%s is refused with its reason', (line, answer) => {
    expect(board().hear(line, 0)[0]).toMatch(answer);
  });
});

describe('a stand-in board', () => {
  const fire = demo('varnish-bench-fire');
  const board = (): StandInBoard => new StandInBoard(fire, quiet, readHappening);

  it.each([
    ['hello', /^# yurei bench 1, stand-in$/],
    ['pins', /^# pins A0 A1 A2$/],
    ['rate 25', /^# ok rate 25$/],
    ['rate', /^# no: rate takes readings a second/],
    ['rate 1e9', /^# no: rate takes readings a second/],
    ['power A0 on', /^# no: A0 is no output pin/],
    ['start {', /^# no: a happening is one line of complete JSON/],
    ['start {"id":"h"}', /^# no: .*kind/],
    ['stop', /^# ok stop$/],
    ['fire!', /^# no: there is no "fire!"; say hello, pins/],
  ])('answers "%s"', (line, answer) => {
    expect(board().hear(line, 0)[0]).toMatch(answer);
  });

  it('does not take a line without end', () => {
    expect(board().hear(`start ${'x'.repeat(9000)}`, 0)).toEqual([
      '# no: a line has at most 8000 characters',
    ]);
  });

  it('reads at its rate, and what is started is seen in the readings', () => {
    const b = board();
    const [, columns] = b.hear('rate 10', 0);
    expect(columns).toBe('time,A0,A1,A2');
    const before = b.goOn(1);
    expect(before).toHaveLength(11);
    b.hear(`start ${JSON.stringify(fire.scenes[0].happenings[0])}`, 1);
    const during = b.goOn(3).slice(5);
    const most = (lines: string[]): number =>
      Math.max(...lines.flatMap((l) => l.split(',').slice(1).map(Number)));
    expect(most(during)).toBeGreaterThan(3 * most(before));
    expect(b.hear('rate 0', 3)).toEqual(['# ok rate 0']);
    expect(b.goOn(9)).toEqual([]);
  });

  it('leaves readings out rather than fall behind for ever', () => {
    const b = board();
    b.hear('rate 1000', 0);
    expect(b.goOn(100).length).toBeLessThan(300);
    expect(b.goOn(100.0005)).toHaveLength(0);
  });
});

it.each([
  ['# ok rate 25', { kind: 'said', text: 'ok rate 25' }],
  ['time,A0,A1', { kind: 'columns', columns: ['A0', 'A1'] }],
  ['12.04,512,', { kind: 'readings', t: 12.04, counts: [512, undefined] }],
  [' 0 , 7 \r', { kind: 'readings', t: 0, counts: [7] }],
  ['12.04', { kind: 'broken' }],
  ['x,512', { kind: 'broken' }],
  ['-1,512', { kind: 'broken' }],
  ['1,NaN', { kind: 'broken' }],
  ['', { kind: 'broken' }],
])('line "%s"', (line, parsed) => {
  expect(parseBoardLine(line)).toMatchObject(parsed);
});

it('a board calls a channel by its pin, and by part and pin where two share a name', () => {
  const channels = [{ pin: 'U1.A0' }, { pin: 'U1.A1' }, { pin: 'U2.A1' }];
  expect(channels.map((c) => columnOf(c, channels))).toEqual(['A0', 'U1.A1', 'U2.A1']);
  expect(channels.map((c) => columnFor(c, ['A0', 'U2.A1']))).toEqual([0, -1, 1]);
});

describe('a sequence on the bench', () => {
  const design: Design = {
    ...sketch(
      ['adapter G', 'controller-5v-8bit U', 'resistor R ohms=330', 'led H'],
      ['G.plus U.VIN', 'G.minus U.GND', 'U.D9 R.a', 'R.b H.a', 'H.k U.GND'],
    ),
    controller: { pins: [{ pin: 'U.D9', mode: 'output' }] },
    outputs: [{ id: 'o', name: 'o', pin: 'U.D9', active: 'high' }],
    sequences: [
      {
        id: 'show',
        name: 'Show',
        length: 1,
        times: 2,
        lanes: [{ output: 'o', blocks: [{ start: 0.2, length: 0.3, drive: { as: 'on' } }] }],
      },
    ],
  };
  /** What a board says besides readings, with the time of the reading before, to a tenth. */
  const said = (lines: readonly string[]): string => {
    let t = 0;
    return lines
      .flatMap((line) => {
        if (line.startsWith('#')) return [`${t.toFixed(1)} ${line.slice(2)}`];
        t = Number(line.split(',')[0]) - 0.01;
        return [];
      })
      .join('; ');
  };
  const board = (): StandInBoard => {
    const its = new StandInBoard(design, quiet, readHappening);
    its.hear('rate 20', 0);
    its.goOn(1);
    return its;
  };

  it('turns outputs as its lanes tell, says what acts, and that it is over', () => {
    const its = board();
    expect(its.hear('play show', 1)).toEqual(['# ok play show']);
    expect(said(its.goOn(4))).toBe(
      '1.2 acts H on; 1.5 acts H off; 2.2 acts H on; 2.5 acts H off; 3.0 played show',
    );
  });
  it('is stopped, and an unknown one is refused', () => {
    const its = board();
    expect(its.hear('play nothing', 1)[0]).toMatch(/^# no: nothing is no sequence/);
    its.hear('play show', 1);
    expect(said(its.goOn(1.3))).toBe('1.2 acts H on');
    its.hear('stop', 1.3);
    expect(said(its.goOn(4))).toBe('1.3 acts H off; 1.3 played show');
  });
});
