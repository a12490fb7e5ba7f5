import fc from 'fast-check';
import { kindOf } from '../catalog/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { channel, onBoard, output, pins } from '../testing/small.js';
import { arrangePins, planPins } from './index.js';

const board = (design: Design) => design.parts[1];
const wrong = (design: Design): string[] =>
  planPins(design, board(design)).flatMap((p) => (p.problem ? [`${p.pin} ${p.problem}`] : []));

const cases: [string, Design, string[]][] = [
  [
    'an interrupt on a pin without',
    onBoard('push-button S', 'S.a U.D4, S.b U.GND', pins('U.D4 pull-up interrupt')),
    ['U.D4 has no interrupt'],
  ],
  [
    'an analogue channel on a digital pin',
    onBoard('photoresistor B', 'B.a U.5V, B.b U.D7', {
      ...channel('U.D7'),
      ...pins('U.D7 analogue'),
    }),
    ['U.D7 cannot be analogue'],
  ],
  [
    'a bus on pins without',
    onBoard('character-display H', 'H.VCC U.5V, H.GND U.GND, H.SDA U.D2, H.SCL U.D3'),
    ['U.D2 has no data', 'U.D3 has no clock'],
  ],
  [
    'one pin read and driven',
    onBoard('led H', 'U.A0 H.a', { ...channel('U.A0'), ...output('U.A0') }),
    ['U.A0 read and driven'],
  ],
  [
    'nothing wrong',
    onBoard('push-button S', 'S.a U.D2, S.b U.GND', pins('U.D2 pull-up interrupt')),
    [],
  ],
];

it.each(cases)('%s is seen, and arranging cures what can be cured', (_, design, problems) => {
  expect(wrong(design)).toEqual(problems);
  const { edit, left } = arrangePins(design, board(design));
  const after = applyEdit(design, edit);
  expect(wrong(after).length).toBe(left.length > 0 ? wrong(after).length : 0);
  expect(after.wires).toHaveLength(design.wires.length);
});

it('makes others give way when the only pins with a skill are taken', () => {
  const design = onBoard(
    'push-button S, push-button T, push-button V',
    'S.a U.D2, T.a U.D3, V.a U.D4, S.b U.GND, T.b U.GND, V.b U.GND',
    pins('U.D2 pull-up', 'U.D3 pull-up interrupt', 'U.D4 pull-up interrupt'),
  );
  const { edit, moves, left } = arrangePins(design, board(design));
  expect(left).toEqual([]);
  expect(moves.map((m) => m.from).sort()).toEqual(['U.D2', 'U.D4']);
  const after = applyEdit(design, edit);
  expect(wrong(after)).toEqual([]);
  // Buttons keep their own settings wherever they went.
  const pinOf = (part: string): string => after.wires.find((w) => w.from === `${part}.a`)?.to ?? '';
  expect(after.controller.pins.find((p) => p.pin === pinOf('V'))?.skill).toBe('interrupt');
  expect(after.controller.pins.find((p) => p.pin === pinOf('S'))?.skill).toBeUndefined();
});

it('leaves what has no place where it is, and says so', () => {
  const wires = ['S', 'T', 'V'].map((s, i) => `${s}.a U.D${i + 2}, ${s}.b U.GND`).join(', ');
  const uses = ['U.D2', 'U.D3', 'U.D4'].map((p) => `${p} pull-up interrupt`);
  const design = onBoard('push-button S, push-button T, push-button V', wires, pins(...uses));
  expect(arrangePins(design, board(design))).toMatchObject({ moves: [], left: ['U.D4'] });
});

const anyUse = fc.record({
  pin: fc.constantFrom(
    ...kindOf({ kind: 'controller-5v-8bit' }).terminals.flatMap((t) =>
      t.role === 'pin' ? [`U.${t.id}`] : [],
    ),
  ),
  mode: fc.constantFrom('analogue', 'input', 'pull-up', 'output'),
  skill: fc.constantFrom('', 'interrupt', 'pwm', 'data', 'clock'),
});

it('whatever is wanted: no use is lost, no pin is taken twice, and as much fits as can', () => {
  fc.assert(
    fc.property(fc.uniqueArray(anyUse, { selector: (u) => u.pin, maxLength: 12 }), (uses) => {
      const design = onBoard(
        '',
        '',
        pins(...uses.map((u) => `${u.pin} ${u.mode} ${u.skill}`.trim())),
      );
      const { edit, left } = arrangePins(design, board(design));
      const after = applyEdit(design, edit);
      const kept = (d: Design): string[] =>
        d.controller.pins.map((p) => `${p.mode} ${p.skill ?? ''}`).sort();
      expect(kept(after)).toEqual(kept(design));
      expect(new Set(after.controller.pins.map((p) => p.pin)).size).toBe(uses.length);
      expect(wrong(after)).toHaveLength(left.length);
      // A second try finds nothing more to do.
      expect(arrangePins(after, board(after)).moves).toEqual([]);
    }),
  );
});
