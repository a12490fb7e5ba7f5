import fc from 'fast-check';
import type { Channel } from '../design/index.js';
import {
  clearLevel,
  nextReading,
  outputOn,
  restingChannel,
  restingLogic,
  stepChannel,
  stepLogic,
  type Program,
} from './index.js';

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
const run = (c: Channel, counts: number[]): boolean[] => {
  let state = restingChannel;
  return counts.map((n) => (state = stepChannel(c, state, n)).tripped);
};

describe('channel', () => {
  const cases: [string, Partial<Channel>, number[], boolean[]][] = [
    [
      'trips above and clears only below the band',
      {},
      [500, 501, 470, 440, 439, 501],
      [false, true, true, true, false, true],
    ],
    [
      'trips below and clears only above the band',
      { trips: 'below' },
      [500, 499, 530, 560, 561],
      [false, true, true, true, false],
    ],
    [
      'wants its hits in a row',
      { hits: 3 },
      [600, 600, 400, 600, 600, 600],
      [false, false, false, false, false, true],
    ],
    [
      'wants its misses in a row',
      { misses: 2 },
      [600, 400, 600, 400, 400],
      [true, true, true, true, false],
    ],
  ];
  it.each(cases)('%s', (_, change, counts, tripped) => {
    expect(run({ ...channel, ...change }, counts)).toEqual(tripped);
  });

  it('above and below are mirror images', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 1000 })),
        fc.integer({ min: 1, max: 4 }),
        (counts, n) => {
          const c = { ...channel, hits: n, misses: n };
          expect(
            run(
              { ...c, trips: 'below' },
              counts.map((x) => 1000 - x),
            ),
          ).toEqual(run(c, counts));
        },
      ),
    );
  });

  it('does not change within the band', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: clearLevel(channel), max: channel.threshold })),
        fc.boolean(),
        (counts, tripped) => {
          const end = counts.reduce((s, n) => stepChannel(channel, s, n), {
            ...restingChannel,
            tripped,
          });
          expect(end.tripped).toBe(tripped);
        },
      ),
    );
  });
});

describe('rules', () => {
  const program = (rule: object): Program => ({
    channels: [channel, { ...channel, id: 'd' }],
    outputs: [{ id: 'o', name: 'o', pin: 'U.D8', active: 'high' }],
    rules: [
      { id: 'r', match: 'any', channels: ['c', 'd'], output: 'o', hold: 0, latch: false, ...rule },
    ],
  });
  const play = (p: Program, readings: [number, number, number][]): boolean[] => {
    let state = restingLogic(p);
    return readings.map(([t, c, d]) => {
      state = stepLogic(
        p,
        state,
        new Map([
          ['c', c],
          ['d', d],
        ]),
        t,
      );
      return outputOn(p, state, p.outputs[0]);
    });
  };
  it('an output that feeds sensors is on at every reading, whatever the rules say', () => {
    const p = program({});
    const feeding = { ...p, outputs: p.outputs.map((o) => ({ ...o, feeds: true })) };
    const readings: [number, number, number][] = [
      [0, 0, 0],
      [1, 600, 0],
      [2, 0, 0],
    ];
    expect(play(feeding, readings)).toEqual([true, true, true]);
    expect(play(p, readings)).toEqual([false, true, false]);
  });

  const cases: [string, object, [number, number, number][], boolean[]][] = [
    [
      'any',
      {},
      [
        [0, 0, 0],
        [1, 600, 0],
        [2, 0, 600],
        [3, 0, 0],
      ],
      [false, true, true, false],
    ],
    [
      'all',
      { match: 'all' },
      [
        [0, 600, 0],
        [1, 600, 600],
        [2, 0, 600],
      ],
      [false, true, false],
    ],
    [
      'hold',
      { hold: 2 },
      [
        [0, 600, 0],
        [1, 0, 0],
        [1.9, 0, 0],
        [2, 0, 0],
      ],
      [true, true, true, false],
    ],
    [
      'latch',
      { latch: true },
      [
        [0, 600, 0],
        [100, 0, 0],
        [1e6, 0, 0],
      ],
      [true, true, true],
    ],
  ];
  it.each(cases)('%s', (_, rule, readings, on) => {
    expect(play(program(rule), readings)).toEqual(on);
  });
});

it('readings fall on whole multiples of the period, however they are rounded', () => {
  let t = 0;
  for (let n = 1; n <= 5000; n++) {
    t = nextReading({ every: 0.01 }, t);
    expect(Math.round(t / 0.01)).toBe(n);
  }
});
