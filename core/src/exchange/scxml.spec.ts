/** Charts as W3C SCXML 1.0 (State Chart XML, Recommendation of 1 September 2015). */
import { JSDOM } from 'jsdom';
import type { Condition, Machine } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { readCondition, writeCondition } from './condition-text.js';
import { readScxml, writeScxml } from './index.js';

const is = (channel: string): Condition => ({ is: 'channel', channel });
const every: Condition[] = [
  is('north'),
  { is: 'all', of: [is('a'), { is: 'any', of: [is('b'), is('c')] }, is('d')] },
  { is: 'not', of: is('a') },
  { is: 'at least', n: 2, of: [is('a'), is('b'), is('c')] },
  { is: 'for', of: is('a'), seconds: 0.3 },
  { is: 'begins', of: is('a') },
  { is: 'ends', of: { is: 'mode', machine: 'guard', mode: 'armed' } },
  { is: 'then', first: is('a'), second: is('b'), within: 1.5 },
  { is: 'press', channel: 'key', press: 'double', long: 2, gap: 0.4 },
  { is: 'reading', channel: 'a', compare: 'above', counts: 412 },
  { is: 'changes', channel: 'a', by: -40, over: 2 },
  { is: 'flickers', channel: 'a', from: 1, to: 15, over: 2 },
  { is: 'count', counter: 'k', compare: 'at least', value: 3 },
  { is: 'time', from: 79200, to: 21600 },
  { is: 'rule', rule: 'r1' },
  { is: 'playing', sequence: 'show' },
];

it.each(every.map((c) => [writeCondition(c), c] as const))('%s is read back', (text, condition) => {
  expect(readCondition(text)).toEqual(condition);
});

it('charts are read back as they were: modes, ways, times, acts, what is kept, ways from any mode', () => {
  const design = demo('loft-stairs');
  const counts: Machine = {
    ...design.machines[0],
    id: 'other',
    start: 'armed',
    transitions: design.machines[0].transitions.map((t, i) =>
      i === 2
        ? {
            ...t,
            then: [
              { do: 'count', counter: 'inside', by: -2 },
              { do: 'set', counter: 'inside', to: 0 },
              { do: 'play', sequence: 's' },
            ],
          }
        : t,
    ),
  };
  const machines = [design.machines[0], counts];
  expect(readScxml(writeScxml({ ...design, machines }))).toEqual({ ok: true, machines });
});

it('what is written is well-formed, in the namespace of the standard, and every target is there', () => {
  const text = writeScxml(demo('loft-stairs'));
  const xml = new new JSDOM('').window.DOMParser().parseFromString(text, 'application/xml');
  const root = xml.documentElement;
  expect([root.localName, root.namespaceURI, root.getAttribute('version')]).toEqual([
    'scxml',
    'http://www.w3.org/2005/07/scxml',
    '1.0',
  ]);
  const ids = new Set([...xml.querySelectorAll('state')].map((s) => s.getAttribute('id')));
  const targets = [...xml.querySelectorAll('transition')].map((t) => t.getAttribute('target'));
  expect(targets.filter((t) => !ids.has(t))).toEqual([]);
  expect(xml.querySelectorAll('send[delay="12s"]')).toHaveLength(1);
});

it('a plain chart of another hand: states in the root, times in milliseconds', () => {
  const text = `<scxml xmlns="http://www.w3.org/2005/07/scxml" version="1.0" name="lamp">
    <state id="dark"><transition cond="yes('motion')" target="lit"/></state>
    <state id="lit"><onentry><send event="off" delay="500ms"/></onentry><transition event="off" target="dark"/></state>
  </scxml>`;
  expect(readScxml(text)).toEqual({
    ok: true,
    machines: [
      {
        id: 'lamp',
        name: 'lamp',
        start: 'dark',
        modes: [
          { id: 'dark', name: 'dark' },
          { id: 'lit', name: 'lit' },
        ],
        transitions: [
          { from: 'dark', to: 'lit', when: is('motion') },
          { from: 'lit', to: 'dark', after: 0.5 },
        ],
      },
    ],
  });
});

describe('what has no counterpart is refused by name', () => {
  const one = (inner: string): string =>
    `<scxml xmlns="http://www.w3.org/2005/07/scxml" version="1.0"><state id="a">${inner}</state><state id="b"/></scxml>`;
  const cases: [string, string, RegExp][] = [
    ['half a file', '<scxml><state', /line \d+: It is not well-formed/],
    ['another kind of file', '<svg/>', /root is <svg>/],
    ['history', one('<history id="h"/>'), /<state id="a">: <history> has no counterpart/],
    [
      'a state in a mode',
      `<scxml><state id="c"><state id="a"><state id="x"/></state></state></scxml>`,
      /<state id="a">: <state> has no counterpart/,
    ],
    ['a script', one('<onentry><script/></onentry>'), /<script> has no counterpart/],
    [
      'an event of its own',
      one('<transition event="door.open" target="b"/>'),
      /“door.open” is not sent with a delay/,
    ],
    ['a way to nowhere', one(`<transition cond="yes('x')" target="z"/>`), /leads to “z”/],
    ['a way for no reason', one('<transition target="b"/>'), /neither a condition nor a time/],
    [
      'another language',
      one('<transition cond="x &gt; 3" target="b"/>'),
      /“BinaryExpression” is no condition/,
    ],
    [
      'a function of its own',
      one(`<transition cond="eval('x')" target="b"/>`),
      /no function eval\(\)/,
    ],
    [
      'an act of its own',
      one(`<transition cond="yes('x')" target="b"><log/></transition>`),
      /<log> in a transition/,
    ],
  ];
  it.each(cases)('%s', (_, text, message) => {
    const read = readScxml(text);
    const told = read.ok
      ? ''
      : read.problems.map((p) => `${p.place}: ${p.reason}. ${p.cure}`).join();
    expect(told).toMatch(message);
  });
});
