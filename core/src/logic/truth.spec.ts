import fc from 'fast-check';
import type { Condition, Machine, Rule, Transition } from '../design/index.js';
import { playThrough, program, type Said } from '../testing/play-program.js';
import { truthsOf, type Program, type Truth } from './index.js';

const is = (channel: string): Condition => ({ is: 'channel', channel });
const mode = (m: string): Condition => ({ is: 'mode', machine: 'm', mode: m });
const chart = (modes: string, transitions: Transition[]): Machine => ({
  id: 'm',
  name: 'Guard',
  start: modes.split(' ')[0],
  modes: modes.split(' ').map((id) => ({ id, name: id })),
  transitions,
});
const rule = (id: string, when: Condition, more: Partial<Rule> = {}): Rule => ({
  id,
  when,
  hold: 0,
  latch: false,
  then: [{ do: 'drive', output: 'o', drive: { as: 'on' } }],
  ...more,
});
const truths = (p: Program): Truth[] => {
  const found = truthsOf(p);
  return found.ok ? found.truths : [];
};
const press: Condition = { is: 'press', channel: 'b', press: 'short', long: 2, gap: 0 };
const alarm = chart('Off Armed Alarm', [
  { from: 'Off', to: 'Armed', when: press },
  { from: 'Armed', to: 'Alarm', when: is('a') },
]);

describe('truths of a program', () => {
  const offs: Rule['then'] = [{ do: 'drive', output: 'o', drive: { as: 'off' } }];
  const cases: [string, Partial<Program>, string[]][] = [
    [
      'an alarm that is never left, and armed with the door open',
      { machines: [alarm] },
      [
        'From Armed there is no way back to Off, but by a reset.',
        'Alarm is never left, but by a reset.',
        'Armed can be reached with a, and is left at once for Alarm.',
      ],
    ],
    [
      'armed only while the door is shut',
      {
        machines: [
          chart('Off Armed Alarm', [
            {
              from: 'Off',
              to: 'Armed',
              when: { is: 'all', of: [press, { is: 'not', of: is('a') }] },
            },
            { from: 'Armed', to: 'Alarm', when: is('a') },
            { to: 'Off', when: press },
          ]),
        ],
      },
      [],
    ],
    [
      'a mode nobody comes to',
      { machines: [chart('x y', [{ from: 'y', to: 'x', after: 3 }])] },
      ['x is never left, but by a reset.', 'y is never reached.'],
    ],
    [
      'a circle',
      {
        machines: [
          chart('x y', [
            { from: 'x', to: 'y', when: is('a') },
            { from: 'y', to: 'x', when: is('a') },
          ]),
        ],
      },
      [
        'x can be reached with a, and is left at once for y.',
        'y can be reached with a, and is left at once for x.',
        'Modes go round in a circle with a: x → y → x.',
      ].sort(),
    ],
    [
      'two rules for one output',
      { rules: [rule('r', is('a')), rule('q', is('b'), { then: offs })] },
      ['Two rules want o differently at once: “when a” and “when b”. The first decides.'],
    ],
    [
      'two rules in modes that exclude each other',
      {
        machines: [
          chart('x y', [
            { from: 'x', to: 'y', after: 1 },
            { from: 'y', to: 'x', after: 1 },
          ]),
        ],
        rules: [rule('r', mode('x')), rule('q', mode('y'), { then: offs })],
      },
      [],
    ],
    [
      'a rule that contradicts itself',
      { rules: [rule('r', is('a'), { while: { is: 'not', of: is('a') } })] },
      ['Rule “when a” is never active.'],
    ],
    [
      'a moment without a hold',
      { rules: [rule('r', press)] },
      [
        'Rule “when short press of b” drives its outputs for no time: what happens in a moment needs a hold.',
      ],
    ],
  ];
  it.each(cases)('%s', (_, more, expected) => {
    const texts = truths(program(more)).map((t) => t.text);
    expect(texts.sort()).toEqual([...expected].sort());
  });

  it('too many answers are said to be too many, at once', () => {
    const many = Array.from({ length: 30 }, (_, i) => is(`c${i}`));
    expect(truthsOf(program({ rules: [rule('r', { is: 'any', of: many })] }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('too many') as string,
    });
  });

  it('what is said never to be reached is not, whatever is played', () => {
    const names = ['x', 'y', 'z'];
    const transition = fc.record({
      from: fc.constantFrom(...names),
      to: fc.constantFrom(...names),
      when: fc.constantFrom<Condition>(is('a'), { is: 'all', of: [is('a'), is('b')] }, press, {
        is: 'not',
        of: is('b'),
      }),
    });
    const said = fc
      .array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.subarray(['a', 'b'])), { maxLength: 20 })
      .map((list): Said[] => {
        let t = 0;
        return list.map(([dt, yes]): Said => [(t += dt / 10), yes.join('')]);
      });
    fc.assert(
      fc.property(fc.array(transition, { maxLength: 6 }), said, (list, course) => {
        const p = program({
          machines: [
            chart(
              'x y z',
              list.filter((t) => t.from !== t.to),
            ),
          ],
        });
        const never = truths(p)
          .filter((t) => t.kind === 'never reached')
          .map((t) => t.text[0]);
        const seen = new Set<string>();
        playThrough(p, course, 99, ({ modes }) => seen.add(modes['m'].mode));
        expect(never.filter((m) => seen.has(m))).toEqual([]);
      }),
    );
  });
});
