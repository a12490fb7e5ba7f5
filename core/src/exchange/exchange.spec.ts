import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import fc from 'fast-check';
import { arbitraryDesign } from '../testing/arbitrary-design.js';
import { demoText, slipwayBeam } from '../testing/demo.js';
import {
  designShape,
  fileNameFor,
  parseRecording,
  problemText,
  readDesign,
  writeDesign,
} from './index.js';

const messageOf = (text: string): string => {
  const result = readDesign(text);
  return result.ok
    ? result.doubts.map(problemText).join('\n')
    : result.problems.map(problemText).join('\n');
};
/** The demo file with one change to its document. */
const spoilt = (change: (d: Record<string, never>) => void): string => {
  const document = JSON.parse(demoText);
  change(document);
  return JSON.stringify(document);
};

it('import after export is the identity', () => {
  fc.assert(
    fc.property(arbitraryDesign, (design) => {
      const read = readDesign(writeDesign(design));
      expect(read.ok && read.design).toEqual(design);
      expect(read.ok && writeDesign(read.design)).toBe(writeDesign(design));
    }),
  );
});

/** A sound reading set with something changed. */
const set = (change: object): object => ({
  id: 's',
  name: 'Night',
  channel: 'beam',
  intent: 'quiet',
  origin: 'typed',
  taken: '2026-11-25T21:00:00Z',
  every: 1,
  counts: [900, 901],
  excluded: [],
  conditions: {},
  notes: '',
  ...change,
});

describe('a bad file is refused with place, reason and cure', () => {
  const driven = (output: string): object => ({ do: 'drive', output, drive: { as: 'on' } });
  const rule = (more: object): string => spoilt((d) => Object.assign(d['rules'][0], more));
  const chart = (more: object): string =>
    spoilt((d) =>
      Object.assign(d, {
        machines: [
          {
            id: 'm',
            name: 'M',
            start: 'x',
            modes: [{ id: 'x', name: 'X' }],
            transitions: [],
            ...more,
          },
        ],
      }),
    );
  const beam = { is: 'channel', channel: 'beam' };
  const deep = (levels: number): object =>
    levels > 0 ? { is: 'not', of: deep(levels - 1) } : beam;
  const programCases: [string, string, RegExp][] = [
    ['a condition of no kind', rule({ when: { is: 'maybe' } }), /rules\[0\] \(r1\)\.when\.is/],
    ['half a condition', rule({ when: { is: 'for', of: beam } }), /when\.seconds/],
    [
      'half a condition among others',
      rule({ when: { is: 'any', of: [beam, { is: 'channel' }] } }),
      /when\.of\[1\]\.channel/,
    ],
    [
      'a condition on nothing',
      rule({ when: { is: 'not', of: { is: 'channel', channel: 'west' } } }),
      /when: There is no channel west/,
    ],
    ['conditions without end', rule({ when: deep(40) }), /nested more than 32 deep/],
    [
      'more of them than there are',
      rule({ when: { is: 'at least', n: 3, of: [beam, beam] } }),
      /At least 3 of 2 can never hold/,
    ],
    ['contradictory times', rule({ atLeast: 5, atMost: 2 }), /at least 5 s and at most 2 s/],
    ['once for no time', rule({ hold: 0, once: true }), /hold: Once, for no time, is never/],
    [
      'a look back over too much',
      rule({ when: { is: 'flickers', channel: 'beam', from: 1, to: 2, over: 1e5 } }),
      /looks back over \d+ readings/,
    ],
    [
      'a mode that is not there',
      rule({ when: { is: 'mode', machine: 'm', mode: 'x' } }),
      /no mode chart m/,
    ],
    [
      'a start that is not there',
      chart({ start: 'y' }),
      /machines\[0\] \(m\)\.start: It has no mode y/,
    ],
    [
      'a way that leads nowhere',
      chart({ transitions: [{ to: 'y', after: 1 }] }),
      /transitions\[0\]: It has no mode y/,
    ],
    [
      'a way without a reason',
      chart({ transitions: [{ from: 'x', to: 'x' }] }),
      /transitions\[0\]/,
    ],
    [
      'a counter outside its limits',
      spoilt((d) =>
        Object.assign(d, { counters: [{ id: 'k', name: 'K', start: 5, least: 0, most: 3 }] }),
      ),
      /begins at 5 and goes from 0 to 3/,
    ],
    [
      'a block past the end',
      spoilt((d) =>
        Object.assign(d, {
          sequences: [
            {
              id: 's',
              name: 'S',
              length: 2,
              times: 1,
              lanes: [
                { output: 'sounder', blocks: [{ start: 1, length: 2, drive: { as: 'on' } }] },
              ],
            },
          ],
        }),
      ),
      /ends at 3 s, the sequence at 2 s/,
    ],
  ];
  const cases: [string, string, RegExp][] = [
    ['cut off', demoText.slice(0, 700), /^line \d+, column \d+: The file is not complete JSON/],
    ['empty', '', /line 1, column 1/],
    ['a list', '[]', /holds no design/],
    ['another kind', '{"format":"shopping-list"}', /format: .*"shopping-list", not "yurei-design"/],
    ['no format', '{}', /states no format/],
    [
      'a newer version',
      spoilt((d) => Object.assign(d, { version: 99 })),
      /version: .*version 99.*up to version 12/,
    ],
    [
      'a group of a part that is not there',
      spoilt((d) =>
        Object.assign(d, { groups: [{ id: 'g', name: 'G', parts: ['X9'], collapsed: true }] }),
      ),
      /groups\[0\] \(g\)\.parts: There is no part X9/,
    ],
    [
      'a part in two groups',
      spoilt((d) => {
        const groups = ['g', 'h'].map((id) => ({ id, name: id, parts: ['R1'], collapsed: true }));
        Object.assign(d, { groups });
      }),
      /R1 is in the group g already/,
    ],
    [
      'a pin that wants the impossible',
      spoilt((d) => Object.assign((d['controller'] as never)['pins'][0], { skill: 'telepathy' })),
      /skill/,
    ],
    ['a wrong version', spoilt((d) => Object.assign(d, { version: 'one' })), /whole number/],
    [
      'an unknown part',
      spoilt((d) => Object.assign(d['parts'][1], { kind: 'flux-capacitor' })),
      /parts\[1\] \(R3\): There is no part kind "flux-capacitor"/,
    ],
    [
      'a dangling wire',
      spoilt((d) => Object.assign(d['wires'][3], { to: 'Z9.a' })),
      /wires\[3\] \(w4\)\.to: "Z9\.a" leads to no part/,
    ],
    [
      'a wrong terminal',
      spoilt((d) => Object.assign(d['wires'][3], { to: 'E1.z' })),
      /no terminal "z".*a, k/,
    ],
    [
      'a duplicate id',
      spoilt((d) => Object.assign(d['parts'][2], { id: 'E1' })),
      /parts\[2\] \(E1\): The id E1 is already used by parts\[0\]/,
    ],
    [
      'an impossible value',
      spoilt((d) => Object.assign(d['parts'][3]['params'], { ohms: 1e10 })),
      /parts\[3\] \(R1\)\.params\.ohms: .*10.GΩ is outside the possible/,
    ],
    [
      'an unknown parameter',
      spoilt((d) => Object.assign(d['parts'][3]['params'], { henries: 1 })),
      /no parameter "henries".*ohms, watts/,
    ],
    [
      'a rule for nothing',
      spoilt((d) => Object.assign(d['rules'][0], { then: [driven('bell')] })),
      /rules\[0\] \(r1\)\.then\[0\]: There is no output bell/,
    ],
    ...programCases,
    [
      'a channel away from nothing',
      spoilt((d) => Object.assign(d['channels'][0], { trips: 'away' })),
      /channels\[0\] \(beam\)\.trips: It trips away from a baseline and has none/,
    ],
    [
      'power for longer than there is time',
      spoilt((d) => Object.assign(d['channels'][0], { powerUp: 1, every: 0.1 })),
      /channels\[0\] \(beam\)\.powerUp: It powers sensors for 1 s/,
    ],
    [
      'readings of no channel',
      spoilt((d) => Object.assign(d, { readings: [set({ channel: 'west' })] })),
      /readings\[0\] \(s\)\.channel: There is no channel west/,
    ],
    [
      'a reading that is none',
      spoilt((d) => Object.assign(d, { readings: [set({ counts: [1, null] })] })),
      /readings\[0\] \(s\)\.counts: .*reading 2 is not a number/,
    ],
    [
      'a reading left out that is not there',
      spoilt((d) => Object.assign(d, { readings: [set({ excluded: [{ at: 2, reason: '' }] })] })),
      /readings\[0\] \(s\)\.excluded: .*it has 2/,
    ],
    [
      'more readings than fit',
      spoilt((d) =>
        Object.assign(d, {
          readings: ['a', 'b', 'c', 'd', 'e', 'f'].map((id) =>
            set({ id, counts: Array(18_000).fill(1) }),
          ),
        }),
      ),
      /readings: There are 108000 readings; a design has at most 100000/,
    ],
    [
      'a field too many',
      spoilt((d) => Object.assign(d['parts'][0], { wings: 2 })),
      /parts\[0\] \(E1\)\.wings/,
    ],
    [
      'a field of another type',
      spoilt((d) => Object.assign(d['channels'][0], { threshold: '380' })),
      /channels\[0\] \(beam\)\.threshold/,
    ],
    [
      'more happenings than one scene may have',
      spoilt((d) => {
        const [scene] = d['scenes'] as unknown as { happenings: { id: string }[] }[];
        const [one] = scene.happenings;
        scene.happenings = Array.from({ length: 1001 }, (_, i) => ({ ...one, id: `h${i}` }));
      }),
      /scenes\[0\] \(night\)\.happenings: .*1000/,
    ],
    ['a file of 3 MB', ' '.repeat(3e6), /3\.0 MB; a design has at most 2 MB/],
  ];
  it.each(cases)('%s', (_, text, message) => {
    expect(readDesign(text).ok).toBe(false);
    expect(messageOf(text)).toMatch(message);
  });

  it('a ten-million-ohm slip is read, but questioned', () => {
    const text = spoilt((d) => Object.assign(d['parts'][3]['params'], { ohms: 10e6 }));
    const result = readDesign(text);
    expect(result.ok && result.doubts).toHaveLength(1);
    expect(messageOf(text)).toMatch(
      /R1\)\.params\.ohms: .*10.MΩ is outside the usual.*Was 10.kΩ meant/,
    );
  });
});

describe('the published JSON Schema', () => {
  const schema = JSON.parse(readFileSync('docs/yurei-design.schema.json', 'utf8'));
  const validate = new Ajv2020({ strict: false }).compile(schema);

  it('takes the demo and every sound design', () => {
    expect(validate(slipwayBeam())).toBe(true);
    fc.assert(fc.property(arbitraryDesign, (design) => validate(design) === true));
  });

  it('and the shape check agree on documents with a field dropped, added or of another type', () => {
    const paths = [
      ['title'],
      ['parts'],
      ['parts', 0, 'id'],
      ['wires', 0, 'to'],
      ['channels', 0, 'trips'],
      ['scenes', 0, 'ambient', 'daylight'],
      ['rules', 0, 'latch'],
      ['controller', 'pins'],
      ['scenes', 0, 'happenings', 0, 'params'],
    ];
    const values = [undefined, null, true, {}, 'text', []];
    for (const path of paths) {
      for (const value of values) {
        const document = JSON.parse(demoText);
        const last = path[path.length - 1];
        const parent = path.slice(0, -1).reduce((at, key) => at[key], document);
        if (value === undefined) Reflect.deleteProperty(parent, last);
        else parent[last] = value;
        const [bySchema, byShape] = [
          validate(document),
          designShape.validate(document, { convert: false }).error === undefined,
        ];
        // The shape check also knows lengths and patterns, so it may refuse more, never less.
        if (byShape) expect([path, value, bySchema]).toEqual([path, value, true]);
        if (!bySchema) expect(byShape).toBe(false);
      }
    }
  });
});

it('file names come from titles', () => {
  expect(fileNameFor({ title: 'Slipway beam' })).toBe('slipway-beam.yurei.json');
  expect(fileNameFor({ title: '../../etc' })).toBe('etc.yurei.json');
  expect(fileNameFor({ title: '∿∿' })).toBe('design.yurei.json');
});

describe('recordings', () => {
  it.each([
    ['commas', 't,v\n0,1.5\n1,2.5'],
    ['semicolons and decimal commas', '0;1,5\n1;2,5\n'],
    ['tabs', 'time\tvolts\n0\t1.5\n1\t2.5'],
  ])('reads %s', (_, text) => {
    expect(parseRecording(text)).toEqual({ ok: true, times: [0, 1], values: [1.5, 2.5] });
  });
  it.each([
    ['no number', '0,1\n1,NaN', /Line 2: "NaN" is not a number/],
    ['one column', '0\n1', /Line 1 has only one column/],
    ['time that goes back', '1,1\n0,1', /Line 2: the time 0 s goes back/],
    ['a picture', '\u0089PNG\u0000', /not a text file/],
    ['nothing', '', /only one column|no readings/],
    ['too many', '0,1\n1,1\n2,1', /3 readings; at most 2/],
  ])('refuses %s', (_, text, reason) => {
    const result = parseRecording(text, 2);
    expect(result.ok ? '' : result.reason).toMatch(reason);
  });
});
