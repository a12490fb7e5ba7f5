/**
 * What a hostile file may cost. The hang that each of these caused, or would, is far longer than a test may take; how
 * checking grows with the file is measured by `npm run bench`.
 */
import { demoText } from '../testing/demo.js';
import { checkStudy, largestFile, mostProblems, readDesign } from './index.js';

const demo = JSON.parse(demoText);
const many = <T>(n: number, item: (i: number) => T): T[] =>
  Array.from({ length: n }, (_, i) => item(i));
const resistor = (i: number): object => ({ id: `R${i}`, kind: 'resistor', name: '', params: {} });
const rule =
  (when: object) =>
  (i: number): object => ({ ...demo.rules[0], id: `r${i}`, when });
const text = (change: object): string => JSON.stringify({ ...demo, ...change });

const cases: [string, string, RegExp][] = [
  [
    'a version 1 file of 43,000 points',
    JSON.stringify({
      ...demo,
      version: 1,
      parts: many(43_000, (i) => ({ place: { x: i, y: -i } })),
    }),
    /plan\.width|parts/,
  ],
  [
    'two hundred thousand happenings without anything',
    text({ scenes: many(200, () => ({ happenings: many(1000, () => ({})) })) }),
    /scenes\[0\]\.id/,
  ],
  [
    'a list of six hundred thousand',
    text({ parts: many(600_000, () => 1) }),
    /parts: .*2000 items/,
  ],
  [
    'an object of a hundred thousand fields',
    text(Object.fromEntries(many(100_000, (i) => [`k${i}`, 1]))),
    /1000\d\d fields/,
  ],
  [
    'ten thousand wires of twenty unknown fields',
    text({ wires: many(10_000, () => Object.fromEntries(many(20, (i) => [`k${i}`, 1]))) }),
    /wires\[0\]/,
  ],
  [
    'wires that all lead nowhere',
    text({ wires: many(10_000, (i) => ({ id: `w${i}`, from: `X${i}.a`, to: `Y${i}.a` })) }),
    /X0/,
  ],
  [
    'groups of all parts',
    text({
      parts: many(1000, resistor),
      wires: [],
      groups: many(180, (g) => ({
        id: `g${g}`,
        name: '',
        parts: many(1000, (i) => `R${i}`),
        collapsed: true,
      })),
    }),
    /controller|channels/,
  ],
  [
    'conditions of no kind in each other',
    text({ rules: many(200, rule({ is: 'all', of: many(60, (k) => ({ is: 'no', k })) })) }),
    /when\.of\[0\]\.is/,
  ],
  [
    'acts on a counter that is not there',
    text({
      machines: many(8, (m) => ({
        id: `m${m}`,
        name: '',
        start: 'a',
        modes: [
          { id: 'a', name: '' },
          { id: 'b', name: '' },
        ],
        transitions: many(256, () => ({
          to: 'b',
          after: 1,
          then: many(20, () => ({ do: 'count', counter: 'zz', by: 1 })),
        })),
      })),
    }),
    /no counter zz/,
  ],
  [
    'an id of a megabyte',
    text({ parts: [{ ...demo.parts[0], id: 'A'.repeat(1e6) }] }),
    /parts\[0\]/,
  ],
  ['a field name of a megabyte', text({ ['k'.repeat(1e6)]: 1 }), /kkk/],
  ['lists within lists', '['.repeat(1.9e6), /not complete JSON/],
  ['more than a file may have', ' '.repeat(largestFile + 1), /at most 2 MB/],
];

it.each(cases)('%s: refused in few words', (_, file, reason) => {
  const read = readDesign(file);
  const problems = read.ok ? [] : read.problems;
  expect(problems.length).toBeGreaterThan(0);
  expect(problems.length).toBeLessThanOrEqual(mostProblems);
  expect(JSON.stringify(problems).length).toBeLessThan(100_000);
  expect(`${problems[0].place}: ${problems[0].reason}`).toMatch(reason);
});

it('tells several slips of one file at once, each with its place', () => {
  const read = readDesign(
    text({ parts: demo.parts.map((p: object, i: number) => (i % 2 ? { ...p, kind: 5 } : p)) }),
  );
  const places = read.ok ? [] : read.problems.map((p) => p.place);
  expect(places).toEqual(
    demo.parts.flatMap((p: { id: string }, i: number) =>
      i % 2 ? [`parts[${i}] (${p.id}).kind`] : [],
    ),
  );
});

const study = {
  scene: demo.scenes[0].id,
  vary: { tolerances: true, temperature: 1, supply: 0, start: 1, strength: 0, place: 0 },
  first: 1,
  count: 1,
};
it.each<[string, unknown, RegExp]>([
  ['a map without axes', { for: 'map' }, /axes/],
  ['a map of one axis', { for: 'map', axes: [{}] }, /axes|ask/],
  ['a map of a million axes', { for: 'map', axes: many(1e5, () => ({})) }, /axes|ask/],
  ['a text for a question', 'nights', /ask/],
])('a study with %s is refused in words', (_, ask, reason) => {
  const result = checkStudy(demo, { ...study, ask });
  expect(result.ok ? '' : result.reason).toMatch(reason);
});
