import fc from 'fast-check';
import { emptyDesign, type ReadingSet } from '../design/index.js';
import { isoSeconds } from './iso-seconds.js';
import {
  guessLog,
  LogError,
  LogReader,
  parseReadingSets,
  parseTyped,
  readHappening,
  writeReadings,
} from './index.js';

const countsPer = { counts: 1, V: 204.6, mV: 0.2046, '%': 10.23 };
const read = (text: string) => {
  const { mapping } = guessLog(text);
  const reader = new LogReader(mapping, countsPer);
  reader.take(text.split('\n').map((line) => line.split(mapping.delimiter)));
  return { mapping, ...reader.done() };
};

it.each<[string, string, object, number[], number[]]>([
  [
    'a board’s own log',
    '# yurei bench 1\ntime,A0\n1,512\n1.04,513\ntime,A0\n1.08,514',
    { delimiter: ',', time: 0 },
    [0, 0.04, 0.08],
    [512, 513, 514],
  ],
  [
    'decimal comma',
    't (ms);U (V)\n0;2,5\n40;2,51',
    { decimal: ',', timeUnit: 'ms', unit: 'V' },
    [0, 0.04],
    [511.5, 513.546],
  ],
  [
    'tabs and dates',
    'when\tA0\n2026-11-25 21:00:00\t7\n2026-11-25 21:00:02\t9',
    { timeUnit: 'date', value: 1 },
    [0, 2],
    [7, 9],
  ],
  ['numbers alone', '500\n501\n502', { header: false, time: -1 }, [0, 1, 2], [500, 501, 502]],
  ['per cent', 'level %\n50\n60', { unit: '%' }, [0, 1], [511.5, 613.8]],
  ['gaps and blank lines', 'time,A0,A1\n0,5,\n\n1,,7\n2,6,8', { value: 1 }, [0, 2], [5, 6]],
])('%s', (_, text, mapping, times, counts) => {
  const log = read(text);
  expect(log.mapping).toMatchObject(mapping);
  log.times.forEach((t, i) => expect(t).toBeCloseTo(times[i], 9));
  expect(log.counts.map((c) => Number(c.toFixed(6)))).toEqual(counts);
});

it.each([
  ['NaN', 'time,A0\n0,5\n1,NaN', /Line 3: "NaN" is not a number/],
  ['a column too few', 'time,A0\n0,5\n1', /Line 3 has 1 of the 2 columns/],
  ['binary', 'PK\0\u0003', /not text/],
  ['nothing', '\n\n', /nothing in it/],
  ['words', 'a,b\nc,d', /No column of it holds numbers/],
  ['a time that goes back', 'time,A0\n5,1\n4,1', /Line 3: the time goes back/],
  ['a header alone', 'time,A0\n#', /No column/],
])('%s is refused with its line', (_, text, reason) => {
  expect(() => read(text)).toThrow(LogError);
  expect(() => read(text)).toThrow(reason);
});

it('the middle spacing is not misled by a pause', () => {
  const times = Array.from({ length: 101 }, (_, i) => (i < 100 ? i * 0.04 : 900));
  expect(read(`time,A0\n${times.map((t) => `${t},1`).join('\n')}`).every).toBeCloseTo(0.04, 9);
});

it.each<[string, number[]]>([
  ['512', [512]],
  ['512 513\n514', [512, 513, 514]],
  ['2.5 V 640 mV 50 %', [511.5, 130.944, 511.5]],
  ['2,5V; 2,6V', [511.5, 531.96]],
])('typed: %s', (text, counts) => {
  expect(parseTyped(text, countsPer).map((c) => Number(c.toFixed(6)))).toEqual(counts);
});

it.each(['', 'dark', '5 A', '1 2 x'])('typed: "%s" is refused', (text) => {
  expect(() => parseTyped(text, countsPer)).toThrow(LogError);
});

it('dates count as the clock of the machine counts them', () => {
  for (const text of [
    '1970-01-01T00:00:00',
    '2000-02-29T12:30:01.5',
    '2026-11-25 21:04',
    '1900-03-01T00:00:00',
  ])
    expect(isoSeconds(text)).toBeCloseTo(Date.parse(`${text.replace(' ', 'T')}Z`) / 1000, 6);
  for (const text of ['25.11.2026 21:04', '2026-13-01 00:00', '1500'])
    expect(isoSeconds(text)).toBeNaN();
});

describe('reading sets', () => {
  const sets: fc.Arbitrary<ReadingSet> = fc.record({
    id: fc.constant('s'),
    name: fc.string({ minLength: 1, maxLength: 20 }).map((s) => `n${s.trim()}`),
    channel: fc.constant('c'),
    intent: fc.constantFrom('wanted' as const, 'quiet' as const, 'nuisance' as const),
    origin: fc.constant('typed' as const),
    taken: fc.constant('2026-11-25T21:00:00Z'),
    every: fc.constantFrom(0.04, 1),
    counts: fc.array(fc.integer({ min: 0, max: 1023 }), { minLength: 1, maxLength: 12 }),
    excluded: fc.constant([]),
    conditions: fc.constant({ distance: 1.5, surface: 'tiles, "white"' }),
    notes: fc.constant(''),
  });

  it('go out as CSV and come back the same, whatever their names are', () => {
    fc.assert(
      fc.property(sets, (set) => {
        const back = parseReadingSets(writeReadings([set]));
        expect(back).toMatchObject({
          ok: true,
          sets: [{ name: set.name.trim(), intent: set.intent, counts: set.counts }],
        });
      }),
    );
  });

  it('leave out what was left out', () => {
    const [set] = fc.sample(sets, 1);
    const text = writeReadings([
      { ...set, counts: [1, 2, 3], excluded: [{ at: 1, reason: 'bumped' }] },
    ]);
    expect(text).toContain('bumped');
    expect(parseReadingSets(text)).toMatchObject({ sets: [{ counts: [1, 3] }] });
  });
});

it.each([
  ['', /complete JSON/],
  ['[]', /object/],
  ['{"id":"h","kind":"flame","name":"F","intent":"wanted","start":0,"params":{}}', /needs a place/],
  [
    '{"id":"h","kind":"comet","name":"F","intent":"wanted","start":0,"params":{}}',
    /no happening "comet"/,
  ],
  [
    '{"id":"h","kind":"flame","name":"F","intent":"wanted","start":0,"params":{"height":99},"path":[{"x":1,"y":1}]}',
    /outside the possible/,
  ],
  [
    '{"id":"h","kind":"flame","name":"F","intent":"wanted","start":0,"params":{},"path":[{"x":900,"y":1}]}',
    /outside the plan/,
  ],
])('a happening that is started: %s is refused', (text, reason) => {
  const result = readHappening(text, emptyDesign('Bench'));
  expect(result.ok ? '' : result.reason).toMatch(reason);
});
