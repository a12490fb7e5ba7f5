import fc from 'fast-check';
import type { Condition } from '../../condition/index.js';
import {
  emptyDesign,
  type Act,
  type Action,
  type Baseline,
  type Channel,
  type Counter,
  type Design,
  type Drive,
  type Filter,
  type Machine,
  type Notice,
  type Output,
  type Rule,
  type Sequence,
} from '../../design/index.js';

import { onEightBitBoard, type On } from './boards-on.js';

/** Whole milliseconds from 10 ms up, s: as the clock of a board counts. */
const seconds = (most: number): fc.Arbitrary<number> =>
  fc.integer({ min: 1, max: most * 100 }).map((n) => n / 100);
const maybe = <T>(of: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> =>
  fc.option(of, { nil: undefined, freq: 2 });

/** Leaves out fields that are not there. */
const lean = <T extends object>(of: T): T =>
  Object.fromEntries(Object.entries(of).filter(([, v]) => v !== undefined)) as T;

/** Names that try to break out of comments, texts and identifiers. */
export const hostileName: fc.Arbitrary<string> = fc.oneof(
  fc.constantFrom(
    'Beam',
    'beam',
    'while',
    'int',
    'Überhöhe',
    '光センサー',
    'باب',
    '*/ abort(); /*',
    '\\',
    'a\\',
    '"); abort(); ("',
    '??/',
    'line\nbreak',
    'loop',
    'now',
    '42',
    '',
    "import os; os.system('x')",
    '"""',
    '%d %s %n',
    'abort',
    'index',
    'y0',
    'xor',
    'log',
    'lambda',
    'print',
    '${x}',
  ),
  fc.string({ maxLength: 20 }),
  fc.string({ maxLength: 12, unit: 'grapheme' }),
);

const filter: fc.Arbitrary<Filter> = fc.record({
  by: fc.constantFrom('mean', 'median', 'exponential'),
  n: fc.integer({ min: 1, max: 6 }),
});
const baseline: fc.Arbitrary<Baseline> = fc.oneof(
  fc.record({ kind: fc.constant('fixed' as const), counts: fc.integer({ min: 100, max: 700 }) }),
  fc.record({
    kind: fc.constant('learnt' as const),
    learn: fc.integer({ min: 1, max: 8 }),
    follow: fc.oneof(fc.constant(0), seconds(20)),
    freeze: fc.boolean(),
    unit: fc.constantFrom('counts' as const, 'per cent' as const),
  }),
);

const analogue = (i: number, pin: string): fc.Arbitrary<Channel> =>
  fc
    .record({
      name: hostileName,
      trips: fc.constantFrom('above' as const, 'below' as const, 'away' as const),
      threshold: fc.integer({ min: 20, max: 600 }),
      hysteresis: fc.integer({ min: 0, max: 40 }),
      every: fc.constantFrom(0.005, 0.01, 0.03, 0.1, 0.25),
      hits: fc.integer({ min: 1, max: 4 }),
      misses: fc.integer({ min: 1, max: 4 }),
      filter: maybe(filter),
      baseline: maybe(baseline),
      stretch: maybe(seconds(2)),
      lockOut: maybe(seconds(2)),
      invert: maybe(fc.boolean()),
      lead: fc.constantFrom(0, 0, 0.2, 1),
    })
    .map(({ lead, ...c }): Channel => {
      // Away is from a baseline.
      const from =
        c.baseline ?? (c.trips === 'away' ? ({ kind: 'fixed', counts: 400 } as const) : undefined);
      // Whole milliseconds, and no longer than from one reading to the next.
      const powerUp = lead > 0 ? Math.round(lead * c.every * 1000) / 1000 : undefined;
      return lean({ id: `c${i}`, pin: `U1.${pin}`, ...c, baseline: from, powerUp });
    });

const digital = (i: number, pin: string): fc.Arbitrary<Channel> =>
  fc
    .record({
      name: hostileName,
      trips: fc.constantFrom('above' as const, 'below' as const),
      every: fc.constantFrom(0.005, 0.02, 0.1),
      hits: fc.integer({ min: 1, max: 3 }),
      misses: fc.integer({ min: 1, max: 3 }),
      edge: maybe(fc.constantFrom(...(['rising', 'falling', 'change', 'low'] as const))),
      remembers: maybe(fc.boolean()),
      stretch: maybe(seconds(2)),
      lockOut: maybe(seconds(1)),
      invert: maybe(fc.boolean()),
    })
    .map((c): Channel =>
      lean({
        ...{ id: `c${i}`, pin: `U1.${pin}`, threshold: 50, hysteresis: 20, ...c },
        remembers: c.edge ? c.remembers : undefined,
      }),
    );

/** A channel that is read off the board: its line far beyond those of a converter, at times. */
const far = (c: Channel, pin: string): Channel =>
  lean({
    ...{ ...c, pin, threshold: c.threshold % 2 === 0 ? c.threshold : 50 * c.threshold },
    ...{ edge: undefined, remembers: undefined },
  });

/** A condition that names what a program has, up to a depth. */
function condition(depth: number): fc.Arbitrary<Condition> {
  const channel = fc.constantFrom('c0', 'c1', 'c2');
  const alone: fc.Arbitrary<Condition>[] = [
    fc.record({ is: fc.constant('channel' as const), channel }),
    fc.record({
      is: fc.constant('press' as const),
      channel,
      press: fc.constantFrom('short' as const, 'long' as const, 'double' as const),
      long: seconds(1),
      gap: fc.oneof(fc.constant(0), seconds(1)),
    }),
    fc.record({
      is: fc.constant('mode' as const),
      machine: fc.constant('m0'),
      mode: fc.constantFrom('a', 'b', 'c'),
    }),
    fc.record({
      is: fc.constant('count' as const),
      counter: fc.constantFrom('k0', 'k1'),
      compare: fc.constantFrom('at least' as const, 'at most' as const, 'exactly' as const),
      value: fc.integer({ min: -2, max: 4 }),
    }),
    fc.record({
      is: fc.constant('reading' as const),
      channel,
      compare: fc.constantFrom('above' as const, 'below' as const, 'equal' as const),
      counts: fc.constantFrom(0, 50, 100, 400, 500),
    }),
    fc.record({
      is: fc.constant('changes' as const),
      channel,
      by: fc.constantFrom(-100, -20, 20, 100),
      over: seconds(1),
    }),
    fc
      .record({
        is: fc.constant('flickers' as const),
        channel,
        from: fc.constantFrom(0, 0.5, 1, 2),
        span: fc.constantFrom(0, 1, 3),
        over: seconds(3),
      })
      .map(({ span, ...c }) => ({ ...c, to: c.from + span })),
    fc.record({
      is: fc.constant('time' as const),
      from: fc.integer({ min: 0, max: 86_399 }),
      to: fc.integer({ min: 0, max: 86_399 }),
    }),
    fc.record({ is: fc.constant('playing' as const), sequence: fc.constant('s0') }),
    fc.record({ is: fc.constant('rule' as const), rule: fc.constantFrom('r0', 'r1') }),
  ];
  if (depth === 0) return fc.oneof(...alone);
  const part = condition(depth - 1);
  return fc.oneof(
    ...alone,
    fc.record({
      is: fc.constantFrom('all' as const, 'any' as const),
      of: fc.array(part, { minLength: 1, maxLength: 3 }),
    }),
    fc.record({ is: fc.constant('not' as const), of: part }),
    fc.record({
      is: fc.constant('for' as const),
      seconds: fc.oneof(fc.constant(0), seconds(2)),
      of: part,
    }),
    fc.record({ is: fc.constant('then' as const), first: part, second: part, within: seconds(3) }),
    fc.record({ is: fc.constantFrom('begins' as const, 'ends' as const), of: part }),
    fc
      .record({
        of: fc.array(part, { minLength: 1, maxLength: 3 }),
        n: fc.integer({ min: 1, max: 3 }),
      })
      .map(({ of, n }): Condition => ({ is: 'at least', of, n: Math.min(n, of.length) })),
  ) as fc.Arbitrary<Condition>;
}

const drive: fc.Arbitrary<Drive> = fc.oneof(
  fc.constant<Drive>({ as: 'on' }),
  fc.constant<Drive>({ as: 'off' }),
  fc.record({
    as: fc.constant('level' as const),
    level: fc.oneof(
      fc.constantFrom(0, 0.25, 0.5, 1),
      fc.record({ counter: fc.constant('k0'), of: fc.integer({ min: 1, max: 5 }) }),
      fc.constantFrom({ channel: 'c0', from: 100, to: 900 }, { channel: 'c0', from: 900, to: 100 }),
    ),
  }),
  fc
    .record({
      beats: fc.array(seconds(0.5), { minLength: 1, maxLength: 5 }),
      times: maybe(fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constant({ counter: 'k1' }))),
      pause: maybe(seconds(1)),
    })
    .map((d): Drive => lean({ as: 'pattern', ...d })),
);
const act: fc.Arbitrary<Act> = fc.oneof(
  fc.record({
    do: fc.constant('count' as const),
    counter: fc.constantFrom('k0', 'k1'),
    by: fc.constantFrom(-2, -1, 1, 3),
  }),
  fc.record({
    do: fc.constant('set' as const),
    counter: fc.constantFrom('k0', 'k1'),
    to: fc.integer({ min: -3, max: 6 }),
  }),
  fc.record({ do: fc.constantFrom('play' as const, 'stop' as const), sequence: fc.constant('s0') }),
);
const action: fc.Arbitrary<Action> = fc.oneof(
  act,
  fc.record({ do: fc.constant('drive' as const), output: fc.constantFrom('o0', 'o1'), drive }),
);

const machine: fc.Arbitrary<Machine> = fc
  .record({
    name: hostileName,
    kept: maybe(fc.boolean()),
    transitions: fc.array(
      fc
        .record({
          from: maybe(fc.constantFrom('a', 'b', 'c')),
          to: fc.constantFrom('a', 'b', 'c'),
          when: maybe(condition(1)),
          after: maybe(seconds(2)),
          then: maybe(fc.array(act, { maxLength: 2 })),
        })
        .filter(({ when, after }) => when !== undefined || after !== undefined)
        .map(lean),
      { maxLength: 4 },
    ),
  })
  .map((m): Machine => ({
    ...{ id: 'm0', start: 'a', modes: ['a', 'b', 'c'].map((id) => ({ id, name: id })) },
    ...m,
  }));

const rule = (i: number): fc.Arbitrary<Rule> =>
  fc
    .record({
      when: condition(2),
      while: maybe(condition(1)),
      until: maybe(condition(1)),
      hold: fc.oneof(fc.constant(0), seconds(2)),
      atLeast: maybe(seconds(2)),
      atMost: maybe(seconds(3)),
      lockOut: maybe(seconds(2)),
      once: maybe(fc.boolean()),
      latch: fc.boolean(),
      then: fc.array(action, { minLength: 1, maxLength: 3 }),
    })
    .map((r): Rule => lean({ id: `r${i}`, ...r }));

const counter = (i: number): fc.Arbitrary<Counter> =>
  fc
    .record({
      name: hostileName,
      least: fc.integer({ min: -3, max: 0 }),
      most: fc.integer({ min: 1, max: 5 }),
      wraps: maybe(fc.boolean()),
      kept: maybe(fc.boolean()),
    })
    .map((k): Counter => lean({ id: `k${i}`, start: 0, ...k }));

const sequence: fc.Arbitrary<Sequence> = fc
  .record({
    name: hostileName,
    length: seconds(2).map((s) => s + 0.1),
    times: fc.integer({ min: 0, max: 2 }),
    ambient: maybe(drive),
    blocks: fc.array(fc.record({ start: seconds(1), length: seconds(1), drive }), { maxLength: 3 }),
  })
  .map(({ ambient, blocks, ...s }): Sequence => ({
    ...{ id: 's0', ...s },
    lanes: [lean({ output: 'o1', ambient, blocks })],
  }));

const output = (i: number, pin: string): fc.Arbitrary<Output> =>
  fc
    .record({
      name: hostileName,
      active: fc.constantFrom('high' as const, 'low' as const),
      fade: maybe(
        fc.record({
          up: seconds(1),
          down: seconds(1),
          curve: fc.constantFrom('straight' as const, 'eye' as const),
        }),
      ),
    })
    .map((o): Output => lean({ id: `o${i}`, pin: `U1.${pin}`, ...o }));

const notice = (i: number): fc.Arbitrary<Notice> =>
  fc
    .record({
      tells: fc.oneof(
        fc.record({ tell: fc.constant('condition' as const), condition: condition(1) }),
        fc.constant({ tell: 'counter' as const, counter: 'k0' }),
        fc.constant({ tell: 'mode' as const, machine: 'm0' }),
        fc.record({
          tell: fc.constant('reading' as const),
          channel: fc.constant('c0'),
          by: fc.integer({ min: 1, max: 100 }),
        }),
      ),
      heartbeat: maybe(seconds(5)),
      gap: maybe(seconds(1)),
    })
    .map((n): Notice => lean({ id: `n${i}`, name: `Notice ${i}`, ...n }));

const sleep = fc
  .record({
    every: seconds(2),
    awake: fc.oneof(fc.constant(0), seconds(1)),
    unless: maybe(condition(1)),
  })
  .map(lean);

/** Programs on a board that use every kind of condition, act, drive and step of a channel. */
export const arbitraryProgram = (on: On = onEightBitBoard): fc.Arbitrary<Design> =>
  fc
    .record({
      title: hostileName,
      purpose: hostileName,
      channels: fc.tuple(
        ...([0, 1] as const).map((i) =>
          on.analogue ? analogue(i, on.analogue[i]) : digital(i, on.digital[i]),
        ),
        digital(2, on.digital[2]),
      ),
      counters: fc.tuple(counter(0), counter(1)),
      machine,
      rules: fc.tuple(rule(0), rule(1)),
      sequence,
      other: fc.option(fc.constantFrom(...(on.others?.refs ?? [])), { nil: undefined }),
      outputs: fc.tuple(
        output(0, on.outputs[0]),
        output(1, on.outputs[1]),
        output(2, on.feeds).map((o): Output => lean({ ...o, feeds: true, fade: undefined })),
      ),
      notices: fc.tuple(notice(0), notice(1)),
      sleep: fc.option(sleep, { nil: undefined, freq: 4 }),
      watchdog: on.watched ? maybe(fc.constantFrom(0.4, 2)) : fc.constant(undefined),
    })
    .map(({ machine: chart, sequence: show, sleep: naps, watchdog, other, ...program }) => ({
      ...emptyDesign(program.title),
      ...program,
      channels: program.channels.map((c, i) => (i === 1 && other ? far(c, other) : c)),
      machines: [chart],
      sequences: [show],
      parts: [
        { id: 'U1', kind: on.kind, name: 'Board', params: {} },
        ...(other ? (on.others?.parts ?? []) : []),
      ],
      wires: other ? (on.others?.wires ?? []) : [],
      controller: lean({
        pins: on.digital.map((pin) => ({ pin: `U1.${pin}`, mode: 'input' as const })),
        sleep: naps,
        watchdog,
      }),
    }));
