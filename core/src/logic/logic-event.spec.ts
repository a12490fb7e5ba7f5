/** What each pass tells of itself; the courses and their causes are worked out by hand from docs/rules.md. */
import type { Condition, Rule } from '../design/index.js';
import { playThrough, program, type Said } from '../testing/play-program.js';
import type { LogicEvent } from './logic-event.js';
import type { Program } from './program.js';

/** "2.5 rule r+ ← channel a+": all that came about, but for outputs that go off with their rule. */
function told(p: Program, said: readonly Said[], until = 100): string[] {
  const lines: string[] = [];
  playThrough(p, said, until, (_state, t, events) => {
    for (const event of events) lines.push(`${Math.round(t * 1000) / 1000} ${line(event)}`);
  });
  return lines;
}

const way = (begins: boolean | undefined): string =>
  begins === undefined ? '' : begins ? '+' : '-';

function line(event: LogicEvent): string {
  const causes = event.because.map((c) => `${c.kind} ${c.id}${way(c.begins)}`).join(', ');
  const from = causes === '' ? '' : ` ← ${causes}`;
  switch (event.kind) {
    case 'mode':
    case 'counter':
      return `${event.kind} ${event.id} ${event.from}→${event.to}${from}`;
    case 'output':
      return `output ${event.id} ${event.target}${from}`;
    case 'notice':
      return `notice ${event.id} ${event.told} ${event.why}${from}`;
    case 'sleep':
      return `sleep${way(event.begins)}`;
    default:
      return `${event.kind} ${event.id}${way(event.begins)}${from}`;
  }
}

const yes = (channel: string): Condition => ({ is: 'channel', channel });
const rule = (id: string, when: Condition, more: Partial<Rule> = {}): Rule => ({
  id,
  when,
  hold: 0,
  latch: false,
  then: [{ do: 'drive', output: 'o', drive: { as: 'on' } }],
  ...more,
});

describe('a pass tells what began and ended, and of what it came', () => {
  it('a rule that waits comes of the answer that it waited with', () => {
    const held: Condition = { is: 'for', seconds: 5, of: yes('a') };
    const p = program({ rules: [rule('r', held)] });
    expect(told(p, [[1, 'a'], [8, '']])).toEqual([
      '1 channel a+',
      '6 rule r+ ← channel a+',
      '6 output o 1 ← rule r+',
      '8 channel a-',
      '8 rule r-',
      '8 output o 0 ← rule r-',
    ]); // prettier-ignore
  });

  it('of several that are joined by or, what holds; by and, all; what is not, by its no', () => {
    const either: Condition = { is: 'any', of: [yes('a'), yes('b')] };
    const both: Condition = { is: 'all', of: [either, { is: 'not', of: yes('c') }] };
    const p = program({ rules: [rule('r', both)] });
    expect(told(p, [[1, 'c'], [2, 'bc'], [3, 'b']]).slice(-2)).toEqual([
      '3 rule r+ ← channel b+, channel c-',
      '3 output o 1 ← rule r+',
    ]); // prettier-ignore
  });

  it('one after the other comes of both, though the first is over', () => {
    const order: Condition = { is: 'then', first: yes('a'), second: yes('b'), within: 2 };
    const p = program({ rules: [rule('r', order, { hold: 1 })] });
    expect(told(p, [[0, ''], [1, 'a'], [1.5, ''], [2, 'b']])).toContain(
      '2 rule r+ ← channel a+, channel b+',
    ); // prettier-ignore
  });

  it('what is done once comes of the rule or way that asked for it, of two that begin together each of its own', () => {
    const count = (counter: string): Rule['then'] => [{ do: 'count', counter, by: 1 }];
    const counter = (id: string) => ({ id, name: id, start: 0, least: 0, most: 9 });
    const p = program({
      counters: ['m', 'n'].map(counter),
      sequences: [{ id: 's', name: 's', length: 2, times: 1, lanes: [] }],
      machines: [
        {
          id: 'g',
          name: 'g',
          start: 'off',
          modes: [
            { id: 'off', name: 'off' },
            { id: 'on', name: 'on' },
          ],
          transitions: [
            { from: 'off', to: 'on', when: yes('a'), then: [{ do: 'play', sequence: 's' }] },
            { from: 'on', to: 'off', after: 5 },
          ],
        },
      ],
      rules: [rule('x', yes('a'), { then: count('m') }), rule('y', yes('b'), { then: count('n') })],
    });
    const said: Said[] = [
      [1, 'ab'],
      [4, ''],
    ];
    expect(told(p, said)).toEqual([
      '1 channel a+',
      '1 channel b+',
      '1 mode g off→on ← channel a+',
      '1 rule x+ ← channel a+',
      '1 rule y+ ← channel b+',
      '1 sequence s+ ← mode g',
      '1 counter m 0→1 ← rule x+',
      '1 counter n 0→1 ← rule y+',
      '3 sequence s-',
      '4 channel a-',
      '4 channel b-',
      '4 rule x-',
      '4 rule y-',
      '6 mode g on→off ← mode g',
    ]);
  });

  it('a latch ends by what ends it; a notice is sent of what it tells, and as a sign of life of nothing', () => {
    const p = program({
      rules: [rule('r', yes('a'), { latch: true, until: yes('b') })],
      notices: [
        { id: 'k', name: 'k', tells: { tell: 'condition', condition: yes('a') }, heartbeat: 10 },
      ],
    });
    const lines = told(p, [[1, 'a'], [3, 'b']], 15); // prettier-ignore
    expect(lines).toContain('3 rule r- ← channel b+');
    expect(lines.filter((l) => l.includes('notice'))).toEqual([
      '0 notice k no change ← channel a-',
      '1 notice k yes change ← channel a+',
      '3 notice k no change ← channel a-',
      '13 notice k no heartbeat',
    ]);
  });

  it('tells nothing where nothing comes about', () => {
    const p = program({ rules: [rule('r', yes('a'))] });
    expect(told(p, [[1, 'a'], [2, 'a'], [3, 'a']])).toHaveLength(3); // prettier-ignore
  });
});
