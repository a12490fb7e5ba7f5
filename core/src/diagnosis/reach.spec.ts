/** A change moves verdicts on the islands that it is made on, and on those that the program joins to them: nothing else is gone through. */
import { applyEdit, type Design, type Edit, type Rule } from '../design/index.js';
import { channel, onBoard, output, pins, placed, sceneOf } from '../testing/small.js';
import { prove, provenIn } from './index.js';

const rule = (id: string, heard: string, drives: string): Rule => ({
  ...{ id, when: { is: 'channel', channel: heard }, hold: 1, latch: false },
  then: [{ do: 'drive', output: drives, drive: { as: 'on' } }],
});
const [heard] = channel('U.D2', { threshold: 50, every: 0.05 }).channels;
const [told] = output('U.D8').outputs;

/** Three touch modules, each with a lamp of its own. */
const three: Design = placed(
  onBoard(
    [...'ABK'].map((n) => `touch-module ${n}, resistor ${n}R ohms=330, led ${n}D`).join(', '),
    [...'ABK']
      .map((n, i) => [
        `U.5V ${n}.VCC, ${n}.GND U.GND, ${n}.OUT U.D${2 + i}`,
        `U.D${8 + i} ${n}R.a, ${n}R.b ${n}D.a, ${n}D.k U.GND`,
      ])
      .flat()
      .join(', '),
    {
      ...pins(...[2, 3, 4].map((n) => `U.D${n} input`), ...[8, 9, 10].map((n) => `U.D${n} output`)),
      channels: ['a', 'b', 'k'].map((id, i) => ({ ...heard, id, pin: `U.D${2 + i}` })),
      outputs: ['oa', 'ob', 'ok'].map((id, i) => ({ ...told, id, pin: `U.D${8 + i}` })),
      rules: ['a', 'b', 'k'].map((id) => rule(`r${id}`, id, `o${id}`)),
      scenes: [sceneOf(4, { signs: [{ by: 'part', part: 'BD' }] })],
    },
  ),
);
const wire = (ref: string): string =>
  three.wires.find((w) => w.from === ref || w.to === ref)?.id ?? '';
const bad = applyEdit(three, { type: 'remove-wire', id: wire('B.OUT') });
const again: Edit = { type: 'add-wire', wire: { id: 'again', from: 'B.OUT', to: 'U.D3' } };
const ohms = (id: string): Edit => ({ type: 'set-param', id, param: 'ohms', value: 470 });
const batch = (...edits: Edit[]): Edit => ({ type: 'batch', label: '', edits });

/** What is left of the part in which a local change is proven: parts, channels, outputs and rules. */
const left = (design: Design, edit: Edit): string => {
  const { parts, channels, outputs, rules } = provenIn(design, { edit, local: true });
  return [...parts, ...channels, ...outputs, ...rules].map(({ id }) => id).join(' ');
};
const ofA = 'G U A AR AD a oa ra';
const ofB = 'G U B BR BD b ob rb';
const everything = [three.parts, three.channels, three.outputs, three.rules]
  .flat()
  .map(({ id }) => id)
  .join(' ');

describe('what a change reaches', () => {
  it.each<[string, Design, Edit, string]>([
    ['the wire of a sensor, back at its pin', bad, again, ofB],
    ['a wire that is cut', three, { type: 'remove-wire', id: wire('A.OUT') }, ofA],
    ['a lamp, by the output that a rule drives', three, ohms('AR'), ofA],
    ['a change within others', three, batch(batch(ohms('BR'))), ofB],
    ['a pin', three, { type: 'set-pin', pin: 'U.D3', mode: 'pull-up' }, ofB],
    [
      'a channel that goes to another pin',
      three,
      { type: 'put-channel', channel: { ...heard, id: 'b', pin: 'U.D3', every: 0.2 } },
      ofB,
    ],
    ['the board', three, { type: 'set-param', id: 'G', param: 'volts', value: 12 }, everything],
    [
      'a rail',
      three,
      { type: 'add-wire', wire: { id: 'x', from: 'G.plus', to: 'U.5V' } },
      everything,
    ],
    ['both', three, batch(ohms('AR'), ohms('BR')), everything],
    ['a rule', three, { type: 'put-rule', rule: rule('ra', 'b', 'oa') }, everything],
    [
      'a lamp and the board',
      three,
      batch(ohms('AR'), { type: 'remove-part', id: 'U' }),
      everything,
    ],
  ])('%s', (_, design, edit, parts) => {
    expect(left(design, edit)).toBe(parts);
  });

  it('a part that is put between a pin and a rail, but none across rails', () => {
    const put = (...ends: [string, string][]): Edit =>
      batch(
        { type: 'add-part', part: { id: 'N', kind: 'resistor', name: 'N', params: {} } },
        ...ends.map(([from, to], i): Edit => ({
          type: 'add-wire',
          wire: { id: `n${i}`, from, to },
        })),
      );
    expect(left(three, put(['U.D3', 'N.a'], ['N.b', 'U.5V']))).toBe(ofB);
    expect(left(three, put(['U.5V', 'N.a'], ['N.b', 'U.GND']))).toBe(everything);
  });

  it('all that a rule joins, and everything where the controller sleeps', () => {
    const joined = {
      ...three,
      rules: [rule('ra', 'a', 'oa'), rule('rb', 'a', 'ob'), rule('rk', 'k', 'ok')],
    };
    expect(left(joined, ohms('KR'))).toBe('G U K KR KD k ok rk');
    expect(left(joined, ohms('BR'))).toContain('AD');
    const asleep = {
      ...three,
      controller: { ...three.controller, sleep: { every: 1, awake: 0.1 } },
    };
    expect(left(asleep, ohms('BR'))).toBe(everything);
  });

  it('with a rule goes what names it: rules, notices, transitions', () => {
    const ofRule = { is: 'rule', rule: 'rk' } as const;
    const watched: Design = {
      ...three,
      rules: [...three.rules, { ...rule('rl', 'k', 'ok'), when: ofRule }],
      notices: [{ id: 'n', name: 'N', tells: { tell: 'condition', condition: ofRule } }],
      machines: [
        {
          ...{ id: 'm', name: 'M', start: 'on' },
          modes: ['on', 'off'].map((id) => ({ id, name: id })),
          transitions: [{ from: 'on', to: 'off', when: ofRule }],
        },
      ],
      scenes: three.scenes.map((scene) => ({ ...scene, modes: { m: 'off' } })),
    };
    expect(left(watched, ohms('BR'))).toBe(ofB);
    expect(prove(watched, { edit: ohms('BR'), local: true })).toEqual(
      prove(watched, { edit: ohms('BR') }),
    );
  });

  it('nothing less where volts move elsewhere', () => {
    expect(provenIn(bad, { edit: again })).toBe(bad);
  });
});

it('what is proven on a part is what is proven on the whole', () => {
  const part = prove(bad, { edit: again, local: true });
  expect(part).toEqual(prove(bad, { edit: again }));
  expect(part.better).toEqual(['Scene: “H0” noticed']);
  const deaf: Edit = { type: 'remove-wire', id: wire('BR.a') };
  expect(prove(three, { edit: deaf, local: true })).toEqual(prove(three, { edit: deaf }));
  expect(prove(three, { edit: deaf, local: true }).worse).toEqual(['Scene: “H0” missed']);
});
