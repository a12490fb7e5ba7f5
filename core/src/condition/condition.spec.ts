/** What holds of every kind of condition, whichever there are. */
import { demo } from '../testing/demo.js';
import { conditionProblems } from '../exchange/program-shape.js';
import { readCondition, writeCondition } from '../exchange/condition-text.js';
import {
  conditionKinds,
  fieldsOf,
  kindOfCondition,
  orChannels,
  partsOf,
  sayCondition,
  withoutParts,
  type Condition,
} from './index.js';

// It has channels, a counter, a chart, rules and notices; a sequence is borrowed.
const design = { ...demo('loft-stairs'), sequences: demo('regatta-figurehead').sequences };
const key: Condition = { is: 'channel', channel: 'key' };
const low: Condition = { is: 'channel', channel: 'low' };

/** One of each kind, as it is offered. */
const offered = conditionKinds.map((kind): [string, Condition] => {
  const { offer } = kind;
  const made = 'around' in offer ? offer.around(key, low) : offer.alone(design);
  if (!made) throw new Error(`The design has nothing for “${kind.is}” to name.`);
  return [kind.is, made];
});

it('there are eighteen, each under its own name', () => {
  expect(new Set(conditionKinds.map(({ is }) => is)).size).toBe(18);
  for (const [is, condition] of offered) {
    expect(condition.is).toBe(is);
    expect(kindOfCondition(condition).is).toBe(is);
  }
});

it.each(offered)(
  '%s as it is offered fits the file, and is what it was after an expression',
  (_, c) => {
    expect(conditionProblems(c)).toEqual([]);
    expect(readCondition(writeCondition(c))).toEqual(c);
  },
);

it.each(offered)('%s can be edited in every field, and in none that it lacks', (_, c) => {
  const kind = kindOfCondition(c);
  const options = [...fieldsOf(c)].flatMap(([name, field]) =>
    field.type === 'choice'
      ? field.options.map((option) => ({ ...c, [name]: option }) as Condition)
      : [],
  );
  const named = [c, ...options].flatMap((each) =>
    kind.phrase(each).flatMap((token) => (typeof token === 'string' ? [] : [token.field])),
  );
  // A chart is chosen with its mode.
  const fields = Object.keys(kind.fields).filter((name) => name !== 'machine');
  expect(new Set(named)).toEqual(new Set(fields));
});

it.each(offered)('%s goes, or what is left of it stands, when what it names has gone', (_, c) => {
  expect(withoutParts(c, () => false)).toEqual(c);
  expect(withoutParts(c, (part) => part === c)).toBeUndefined();
  for (const part of partsOf(c)) {
    const left = withoutParts(c, (p) => p === part);
    if (left) expect(partsOf(left)).not.toContain(part);
    if (left) expect(conditionProblems(left)).toEqual([]);
  }
});

it.each<[string, Condition, string]>([
  ['any of them begins it', { is: 'for', seconds: 120, of: key }, '(Key or Lower beam) for 2 min'],
  ['the contrary of any does', { is: 'not', of: key }, 'not (Key and Lower beam)'],
  ['contrary twice', { is: 'not', of: { is: 'not', of: key } }, 'not not (Key or Lower beam)'],
  [
    'what is joined already',
    { is: 'any', of: [key, { is: 'not', of: low }] },
    'Key or not Lower beam or Lower beam',
  ],
  ['what asks for others', { is: 'not', of: low }, 'not Lower beam'],
])('channels that do just as well: %s', (_, c, says) => {
  const said = sayCondition(design, orChannels(c, 'key', ['low']));
  expect(said.replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ')).toBe(says);
});

it('of several that are joined the others stay, and fewer are asked for', () => {
  const three: Condition = { is: 'at least', n: 3, of: [key, low, { is: 'not', of: low }] };
  expect(withoutParts(three, (part) => part === key)).toEqual({
    ...three,
    n: 2,
    of: three.of.slice(1),
  });
});

it.each<[Condition, string]>([
  [{ is: 'not', of: { is: 'any', of: [key, low] } }, 'not (Key or Lower beam)'],
  [{ is: 'for', seconds: 120, of: key }, 'Key for 2 min'],
  [{ is: 'then', first: low, second: key, within: 1.5 }, 'Lower beam then Key within 1.5 s'],
  [{ is: 'press', channel: 'key', press: 'long', long: 2, gap: 0 }, 'Key pressed for 2 s'],
  [{ is: 'changes', channel: 'low', by: -40, over: 2 }, 'Lower beam falls by 40 within 2 s'],
  [{ is: 'time', from: 79_200, to: 21_600 }, 'between 22:00 and 06:00'],
])('%j in words', (condition, words) => {
  expect(sayCondition(design, condition).replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ')).toBe(
    words,
  );
});
