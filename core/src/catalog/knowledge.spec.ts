/** Only the catalogue tells one kind of part from another; everything else reads facets. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { catalog } from './index.js';

const names = catalog.map((kind) => kind.kind).join('|');
const whose = '(?:part|p|e|end|other|others\\[\\d\\]|only|from|to)(?:\\.part)?';

const tables = 'keys a table by kinds';

/** What gives knowledge of kinds away, each with a line that does. */
const tells: readonly [what: string, pattern: RegExp, example: string][] = [
  [
    'compares kinds by name',
    new RegExp(`\\bkind (?:===|!==) '(?:${names})'`),
    "if (part.kind === 'bell')",
  ],
  [
    'looks a kind up in a list or table',
    new RegExp(`(?:\\.(?:includes|has|get)\\(|\\w\\[)${whose}\\.kind[)\\]]`),
    "if (['bell', 'led'].includes(part.kind))",
  ],
  [tables, new RegExp(`^\\s*'(?:${names})': `), "  'relay-12v': 'pullIn',"],
  [
    'matches kinds with a pattern',
    /\.test\([\w.]*\.kind\)/,
    'design.parts.some((p) => /battery/.test(p.kind))',
  ],
  [
    'reads words meant for people',
    /\bcautions\.(?:some|find|includes)|\bnotes\.(?:some|find)|\bkindOf\(\w+\)\.label (?:===|!==)/,
    "kind.cautions.some((c) => c.includes('gas'))",
  ],
  [
    'tests a terminal by name',
    /\b(?:t|terminal)\.id (?:===|!==) '|\bids\.includes\('/,
    "terminals.find((t) => t.id === 'SDA')",
  ],
  [
    'takes a parameter of a part by name',
    /\bparamsOf\([^)]*\)\[|(?<!\breq\.)\bparams\['/,
    "paramsOf(part)['ohms']",
  ],
  [
    'tells a limit by its id',
    /\br\.id (?:===|!==) [`'](?:amps|volts|power)|\br\.id\.startsWith/,
    'ratings.find((r) => r.id === `amps-${id}`)',
  ],
];

const sources = ['core/src', 'web/src', 'cli/src', 'server/src']
  .flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((file) => join(folder, file)),
  )
  .filter((file) => /\.(?:ts|html)$/.test(file))
  .filter((file) => !/\.spec\.ts$|\/testing\/|core\/src\/catalog\/|\/migrations\//.test(file))
  .map((file) => ({ file, lines: readFileSync(file, 'utf8').split('\n') }));

/** Kinds whose name cannot mean anything else; elements of the engine are named as parts are in its own folder. */
const hyphenated = new RegExp(
  `'((?:${names
    .split('|')
    .filter((n) => n.includes('-'))
    .join('|')}))'`,
  'g',
);
const adding = /\b(?:add|between|put|bridge|replacePart|splitWire)\([^;{}]*$/;
const otherwise = /(?:\bid: |\btype: |\btype (?:===|!==) |DeviceFactory<)$/;

/** Kinds that a text names without adding a part of them. */
const namedIn = (text: string): string[] =>
  [...text.matchAll(hyphenated)].flatMap((match) => {
    const before = text.slice(Math.max(0, match.index - 160), match.index);
    return adding.test(before) || otherwise.test(before) ? [] : [match[1]];
  });

it('names kinds outside the catalogue only where a block or a fix adds them', () => {
  expect(namedIn("new Map([['relay-12v', 3]])")).toEqual(['relay-12v']);
  expect(namedIn("draft.add('relay-12v', 'Relay')")).toEqual([]);
  const found = sources
    .filter(({ file }) => !/core\/src\/element\//.test(file))
    .flatMap(({ file, lines }) => namedIn(lines.join('\n')).map((name) => `${file}: ${name}`));
  expect(found).toEqual([]);
});

it('looks at everything that is not the catalogue', () => {
  expect(sources.length).toBeGreaterThan(400);
});

it.each(tells)('nothing outside the catalogue %s', (what, pattern, example) => {
  expect(example).toMatch(pattern);
  // The list of element types has some that are named as parts are.
  const looked = sources.filter(({ file }) => what !== tables || !file.includes('/element/'));
  const found = looked.flatMap(({ file, lines }) =>
    lines.flatMap((line, i) => (pattern.test(line) ? [`${file}:${i + 1} ${line.trim()}`] : [])),
  );
  expect(found).toEqual([]);
});
