import fc from 'fast-check';
import type { Condition, Rule } from '../design/index.js';
import { playThrough, program, switching, type Said } from '../testing/play-program.js';
import { mostRounds, outputDuty, restingLogic, stepLogic, type Program } from './index.js';

const on: Rule['then'] = [{ do: 'drive', output: 'o', drive: { as: 'on' } }];
const is = (channel: string): Condition => ({ is: 'channel', channel });
const rule = (more: Partial<Rule>): Program =>
  program({ rules: [{ id: 'r', when: is('a'), hold: 0, latch: false, then: on, ...more }] });
const when = (condition: Condition, hold = 0.5): Program => rule({ when: condition, hold });

describe('rules, by hand', () => {
  const pulse: Said[] = [
    [0, ''],
    [1, 'a'],
    [2, ''],
  ];
  const cases: [string, Program, Said[], string][] = [
    ['plain', rule({}), pulse, '1+ 2-'],
    [
      'what an event stopped goes on at once, not at the next reading',
      rule({ when: { is: 'not', of: { is: 'begins', of: is('a') } }, atMost: 0.5 }),
      pulse,
      '0+ 0.5- 1+ 1.5-',
    ],
    ['hold', rule({ hold: 3 }), pulse, '1+ 5-'],
    ['hold, prolonged', rule({ hold: 3 }), [...pulse, [4, 'a'], [4.5, '']], '1+ 7.5-'],
    ['at least', rule({ atLeast: 4 }), pulse, '1+ 5-'],
    ['at most', rule({ atMost: 0.4 }), pulse, '1+ 1.4-'],
    ['at most, then again', rule({ atMost: 0.4 }), [...pulse, [3, 'a']], '1+ 1.4- 3+ 3.4-'],
    ['once', rule({ hold: 0.3, once: true }), pulse, '1+ 1.3-'],
    ['once, not prolonged', rule({ hold: 3, once: true }), [...pulse, [3, 'a'], [9, '']], '1+ 4-'],
    ['lock-out', rule({ lockOut: 5 }), [...pulse, [3, 'a'], [9, '']], '1+ 2- 7+ 9-'],
    ['latch', rule({ latch: true }), pulse, '1+'],
    ['latch and reset', rule({ latch: true, until: is('b') }), [...pulse, [3, 'b']], '1+ 3-'],
    [
      'reset wins; what still holds begins anew',
      rule({ latch: true, until: is('b') }),
      [
        [1, 'a'],
        [2, 'ab'],
        [3, 'a'],
      ],
      '1+ 2- 3+',
    ],
    ['a latched sounder that stops', rule({ latch: true, atMost: 9 }), pulse, '1+ 10-'],
    [
      'while',
      rule({ while: is('b') }),
      [
        [1, 'a'],
        [2, 'ab'],
        [3, 'a'],
      ],
      '2+ 3-',
    ],
  ];
  it.each(cases)('%s', (_, p, said, expected) => {
    expect(switching(p, said, 60)).toBe(expected);
  });
});

describe('conditions, by hand', () => {
  const press = (kind: 'short' | 'long' | 'double', gap = 0): Condition => ({
    is: 'press',
    channel: 'a',
    press: kind,
    long: 2,
    gap,
  });
  const then = (within: number): Condition => ({
    is: 'then',
    first: is('a'),
    second: is('b'),
    within,
  });
  const cases: [string, Condition, Said[], string][] = [
    [
      'for',
      { is: 'for', seconds: 0.3, of: is('a') },
      [
        [1, 'a'],
        [1.2, ''],
        [2, 'a'],
        [3, ''],
      ],
      '2.3+ 3.5-',
    ],
    [
      'begins',
      { is: 'begins', of: is('a') },
      [
        [0, 'a'],
        [1, ''],
        [2, 'a'],
      ],
      '2+ 2.5-',
    ],
    [
      'ends',
      { is: 'ends', of: is('a') },
      [
        [0, 'a'],
        [1, ''],
        [2, 'a'],
      ],
      '1+ 1.5-',
    ],
    [
      '2 of 3',
      { is: 'at least', n: 2, of: ['a', 'b', 'c'].map(is) },
      [
        [0, 'a'],
        [1, 'ac'],
        [2, 'c'],
      ],
      '1+ 2.5-',
    ],
    [
      'not',
      { is: 'not', of: is('a') },
      [
        [0, 'a'],
        [1, ''],
        [2, 'a'],
      ],
      '1+ 2.5-',
    ],
    [
      'a then b',
      then(2),
      [
        [0, ''],
        [1, 'a'],
        [2, 'ab'],
        [3, 'b'],
        [3.5, ''],
      ],
      '2+ 2.5-',
    ],
    [
      'too late',
      then(0.9),
      [
        [0, ''],
        [1, 'a'],
        [2, 'ab'],
      ],
      '',
    ],
    [
      'the other way',
      then(2),
      [
        [0, ''],
        [1, 'b'],
        [2, 'ab'],
        [3, ''],
      ],
      '',
    ],
    [
      'both at once tell no order',
      then(2),
      [
        [0, ''],
        [1, 'ab'],
        [2, ''],
      ],
      '',
    ],
    [
      'one who follows close behind is no one coming back',
      { is: 'then', first: is('b'), second: is('a'), within: 2 },
      [
        [0, ''],
        [1, 'a'],
        [1.3, 'b'],
        [1.6, ''],
        [2, 'a'],
        [2.3, 'b'],
        [3, ''],
      ],
      '',
    ],
    [
      'short press',
      press('short'),
      [
        [0, ''],
        [1, 'a'],
        [1.4, ''],
        [5, 'a'],
        [8, ''],
      ],
      '1.4+ 1.9-',
    ],
    [
      'long press',
      press('long'),
      [
        [0, ''],
        [1, 'a'],
        [1.4, ''],
        [5, 'a'],
        [8, ''],
      ],
      '7+ 7.5-',
    ],
    [
      'double press',
      press('double', 0.4),
      [
        [0, ''],
        [1, 'a'],
        [1.2, ''],
        [1.5, 'a'],
        [1.7, ''],
      ],
      '1.5+ 2-',
    ],
    [
      'a short press waits for a second',
      press('short', 0.4),
      [
        [0, ''],
        [1, 'a'],
        [1.2, ''],
      ],
      '1.6+ 2.1-',
    ],
    [
      'flicker',
      { is: 'flickers', channel: 'a', from: 2, to: 4, over: 1 },
      [
        [0, ''],
        [1, 'a'],
        [1.1, ''],
        [1.5, 'a'],
        [1.6, ''],
      ],
      '1.5+ 2.5-',
    ],
  ];
  it.each(cases)('%s', (_, condition, said, expected) => {
    expect(switching(when(condition), said, 60)).toBe(expected);
  });

  it('a time of day past midnight, on the second', () => {
    const night = when({ is: 'time', from: 22 * 3600, to: 6 * 3600 }, 0);
    expect(switching(night, [[0, '']], 100_000)).toBe('0+ 21600- 79200+');
  });

  it('a reading that rises so fast, and one that equals a tag', () => {
    const level = { ...program({}).channels[0], threshold: 1e6 };
    const rises: Condition = { is: 'changes', channel: 'a', by: 40, over: 2 };
    const tag: Condition = { is: 'reading', channel: 'a', compare: 'equal', counts: 70 };
    const holds = (condition: Condition): number[] => {
      const p = { ...when(condition, 0), channels: [level] };
      let state = restingLogic(p);
      return [10, 30, 40, 60, 70].flatMap((counts, t) => {
        [state] = stepLogic(p, state, new Map([['a', counts]]), t);
        return outputDuty(state, p.outputs[0], t) > 0 ? [t] : [];
      });
    };
    expect(holds(rises)).toEqual([]);
    expect(holds({ ...rises, by: 30 })).toEqual([2, 3, 4]);
    expect(holds({ ...rises, by: -1 })).toEqual([]);
    expect(holds(tag)).toEqual([4]);
  });
});

describe('laws', () => {
  const traces = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 400 }), fc.subarray(['a', 'b', 'c'])), {
      maxLength: 30,
    })
    .map((steps): Said[] => {
      let t = 0;
      return [[0, ''], ...steps.map(([dt, yes]): Said => [(t += dt) / 100, yes.join('')])];
    });

  it('no edge is lost: a counter of beginnings has counted each', () => {
    const counts: Rule = {
      id: 'n',
      when: { is: 'begins', of: is('a') },
      hold: 0,
      latch: false,
      then: [{ do: 'count', counter: 'k', by: 1 }],
    };
    const counter = { id: 'k', name: 'k', start: 0, least: 0, most: 1e6 };
    fc.assert(
      fc.property(traces, (said) => {
        const rises = said.filter(
          ([, yes], i) => yes.includes('a') && i > 0 && !said[i - 1][1].includes('a'),
        );
        const end = playThrough(
          program({ rules: [counts], counters: [counter] }),
          said,
          1e4,
          () => undefined,
        );
        expect(end.counters['k']).toBe(rises.length);
      }),
    );
  });

  it('a hold lasts exactly so long after the last yes, and a latch for ever', () => {
    fc.assert(
      fc.property(traces, fc.integer({ min: 1, max: 900 }), (said, hold) => {
        const lastNo = said.findLastIndex(([, yes]) => yes.includes('a')) + 1;
        const [held, latched] = [rule({ hold: hold / 100 }), rule({ latch: true })].map((p) =>
          switching(p, said, 1e4).split(' ').at(-1),
        );
        const ever = lastNo > 0;
        expect(latched?.endsWith('+') ?? false).toBe(ever);
        if (ever && lastNo < said.length)
          expect(Number.parseFloat(held ?? '')).toBeCloseTo(said[lastNo][0] + hold / 100, 9);
      }),
    );
  });

  it('counters stay within their limits, or wrap', () => {
    const step = (wraps: boolean): Program =>
      program({
        counters: [{ id: 'k', name: 'colour', start: 0, least: 0, most: 3, wraps }],
        rules: [
          {
            id: 'r',
            when: is('a'),
            hold: 0,
            latch: false,
            then: [{ do: 'count', counter: 'k', by: 1 }],
          },
        ],
      });
    const presses: Said[] = Array.from({ length: 11 }, (_, i) => [i, i % 2 === 0 ? 'a' : '']);
    const end = (wraps: boolean): number =>
      playThrough(step(wraps), presses, 99, () => undefined).counters['k'];
    expect([end(true), end(false)]).toEqual([6 % 4, 3]);
  });
});

it('modes that go round in a circle end the pass, named, and nothing hangs', () => {
  const p = program({
    machines: [
      {
        id: 'm',
        name: 'm',
        start: 'x',
        modes: ['x', 'y'].map((id) => ({ id, name: id })),
        transitions: [
          { from: 'x', to: 'y', when: is('a') },
          { from: 'y', to: 'x', when: is('a') },
        ],
      },
    ],
  });
  const circles: string[][] = [];
  playThrough(
    p,
    [
      [1, ''],
      [2, 'a'],
      [3, ''],
    ],
    9,
    (state) => circles.push([...state.circling]),
  );
  expect(circles.filter((c) => c.length > 0)).toEqual([['m']]);
  expect(mostRounds % 2).toBe(0);
});
