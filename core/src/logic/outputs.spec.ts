import fc from 'fast-check';
import type { Condition, Drive, Rule } from '../design/index.js';
import { playThrough, program, switching, type Said } from '../testing/play-program.js';
import {
  lightnessDuty,
  outputDuty,
  patterns,
  restingLogic,
  sayRule,
  stepLogic,
  type Program,
} from './index.js';

const is = (channel: string): Condition => ({ is: 'channel', channel });
const rule = (more: Partial<Rule>): Program =>
  program({
    rules: [
      {
        id: 'r',
        when: is('a'),
        hold: 0,
        latch: false,
        then: [{ do: 'drive', output: 'o', drive: { as: 'on' } }],
        ...more,
      },
    ],
  });

describe('outputs', () => {
  const drives = (drive: Drive, more: Partial<Program> = {}): Program => ({
    ...rule({ then: [{ do: 'drive', output: 'o', drive }] }),
    ...more,
  });
  it('the evacuation signal of ISO 8201: three half-second pulses in a cycle of four seconds', () => {
    const { beats } = patterns[0];
    const seen = switching(drives({ as: 'pattern', beats: [...beats] }), [[10, 'a']], 14);
    expect(seen).toBe('10+ 10.5- 11+ 11.5- 12+ 12.5- 14+');
    expect(beats.reduce((a, b) => a + b)).toBe(4);
  });
  it('flashes as often as it is told, whenever it begins and however its beats add up', () => {
    const beat = fc.integer({ min: 1, max: 90 }).map((n) => n / 100);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 90_000 }),
        beat,
        beat,
        fc.integer({ min: 1, max: 5 }),
        (at, on, off, times) => {
          const flash = drives({ as: 'pattern', beats: [on, off], times });
          const begin = at / 100;
          const seen = switching(flash, [[begin, 'a']], begin + times * (on + off) + 3);
          expect(seen.split('+')).toHaveLength(times + 1);
        },
      ),
    );
  });
  it('flashes as often as a counter says, then again after a pause', () => {
    const counters = [{ id: 'k', name: 'k', start: 2, least: 0, most: 9 }];
    const flash: Drive = { as: 'pattern', beats: [0.1, 0.2], times: { counter: 'k' }, pause: 2 };
    expect(switching(drives(flash, { counters }), [[1, 'a']], 4)).toBe(
      '1+ 1.1- 1.3+ 1.4- 3.6+ 3.7- 3.9+ 4-',
    );
  });
  it('the first active rule decides; a later one does when it has ended', () => {
    const off: Rule = {
      ...rule({}).rules[0],
      id: 'q',
      when: is('b'),
      then: [{ do: 'drive', output: 'o', drive: { as: 'off' } }],
    };
    const p = program({ rules: [off, ...rule({}).rules] });
    expect(
      switching(
        p,
        [
          [1, 'a'],
          [2, 'ab'],
          [3, 'a'],
          [4, ''],
        ],
        9,
      ),
    ).toBe('1+ 2- 3+ 4-');
  });
  it('fades in the time that is left of the way, straight or for the eye (CIE 1976)', () => {
    const fade = { up: 2, down: 4, curve: 'straight' } as const;
    const p = drives({ as: 'on' }, { outputs: [{ ...program({}).outputs[0], fade }] });
    const said: Said[] = [
      [1, 'a'],
      [2, ''],
      [3, ''],
    ];
    const seen: [number, number][] = [];
    playThrough(p, said, 60, (state, t) => seen.push([t, outputDuty(state, p.outputs[0], t)]));
    expect(seen.filter(([t]) => t > 0.5)).toEqual([
      [1, 0],
      [2, 0.5],
      [3, 0.25],
      [4, 0],
    ]);
    // L* = 50 is a luminance of 0.1842 (CIE 15:2004).
    expect(lightnessDuty(0.5)).toBeCloseTo(0.1842, 4);
    expect([lightnessDuty(0), lightnessDuty(1)]).toEqual([0, 1]);
  });
  it('a sequence takes its lanes over, loops, ends, and leaves what is ambient', () => {
    const p = program({
      rules: [{ ...rule({}).rules[0], then: [{ do: 'play', sequence: 's' }] }],
      sequences: [
        {
          id: 's',
          name: 'show',
          length: 3,
          times: 2,
          lanes: [
            {
              output: 'o',
              ambient: { as: 'level', level: 0.2 },
              blocks: [{ start: 1, length: 1, drive: { as: 'on' } }],
            },
          ],
        },
      ],
    });
    const levels: string[] = [];
    playThrough(
      p,
      [
        [0, ''],
        [10, 'a'],
        [11, ''],
      ],
      99,
      (state, t) => {
        const level = `${outputDuty(state, p.outputs[0], t)}`;
        if (!levels.at(-1)?.endsWith(` ${level}`)) levels.push(`${t} ${level}`);
      },
    );
    expect(levels).toEqual(['0 0.2', '10 0', '11 1', '12 0', '14 1', '15 0', '16 0.2']);
  });
});

it('sleeps, wakes on its multiples, and stays awake while it is kept', () => {
  const sleep = { every: 8, awake: 0.1, unless: is('a') };
  const p = { ...rule({}), controller: { pins: [], sleep } };
  const state = playThrough(p, [[0, '']], 0.5, () => undefined);
  expect(state.awake).toMatchObject({ asleep: true, wakes: 8 });
  const kept = playThrough(
    p,
    [
      [8, 'a'],
      [9, ''],
    ],
    9.6,
    () => undefined,
    state,
  );
  expect(kept.awake).toMatchObject({ asleep: true, wakes: 16 });
});

it('a pin that is read as long as it is low keeps it awake that long, one that is read as it falls does not', () => {
  const low = (edge: 'low' | 'falling') => {
    const p = { ...rule({}), controller: { pins: [], sleep: { every: 8, awake: 0.1 } } };
    const [a, ...others] = p.channels;
    const own = { ...p, channels: [{ ...a, edge }, ...others] };
    let state = restingLogic(own);
    const pass = (t: number, counts?: number): boolean => {
      const readings = counts === undefined ? [] : [[a.id, counts] as const];
      [state] = stepLogic(own, state, new Map(readings), t);
      return state.awake.asleep;
    };
    pass(0, 100);
    expect(pass(0.2)).toBe(true);
    // It falls while the controller sleeps, and is let go of 2 s later.
    expect(pass(3, 0)).toBe(false);
    return [pass(3.2), pass(5, 100), state.awake.wakes];
  };
  expect(low('low')).toEqual([false, true, 11]);
  expect(low('falling')[0]).toBe(true);
});

it('notices are sent on change, not before their gap, and as a sign of life', () => {
  const p = program({
    notices: [
      {
        id: 'n',
        name: 'n',
        tells: { tell: 'condition', condition: is('a') },
        heartbeat: 300,
        gap: 10,
      },
    ],
  });
  const sent: [number, string | undefined, string][] = [];
  playThrough(
    p,
    [
      [0, ''],
      [100, 'a'],
      [101, ''],
      [800, 'a'],
    ],
    1000,
    (state, t) => {
      const { told, why, sent: n } = state.notices['n'];
      if (n > sent.length) sent.push([t, told, why]);
    },
  );
  expect(sent).toEqual([
    [0, 'no', 'change'],
    [100, 'yes', 'change'],
    [110, 'no', 'change'],
    [410, 'no', 'heartbeat'],
    [710, 'no', 'heartbeat'],
    [800, 'yes', 'change'],
  ]);
});

it('a rule is one sentence', () => {
  const p = rule({
    when: { is: 'any', of: [is('a'), is('b')] },
    while: is('c'),
    until: is('b'),
    atMost: 900,
  });
  expect(sayRule(p, p.rules[0])).toBe('when a or b while c → o on for at most 15 min, until b');
});

it('signs of life that would come too soon come as soon as the gap is over', () => {
  const p = program({
    counters: [{ id: 'k', name: 'k', start: 0, least: 0, most: 9 }],
    notices: [
      { id: 'n', name: 'n', tells: { tell: 'counter', counter: 'k' }, heartbeat: 2, gap: 5 },
    ],
  });
  const sent: number[] = [];
  playThrough(p, [[0, '']], 16, (_, t, events) => {
    if (events.some((e) => e.kind === 'notice')) sent.push(t);
  });
  expect(sent).toEqual([0, 5, 10, 15]);
});
