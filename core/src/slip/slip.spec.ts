import { readdirSync } from 'node:fs';
import { paramsOf } from '../catalog/index.js';
import { applyEdit, deriveNets, type Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { brief } from '../testing/small.js';
import { wiringOf } from '../wiring/index.js';
import { slipKinds } from './index.js';

const designs = readdirSync('demo').map((file) => demo(file.replace('.yurei.json', '')));

/** What a design is, whatever its wires are called and whatever goes without saying: nets, parts with their values, scenes. */
const essence = (design: Design): unknown => [
  deriveNets(design)
    .map((net) => [...net.terminals].sort().join())
    .sort(),
  design.parts.map((part) => ({ ...part, params: paramsOf(part) })),
  design.scenes.map((scene) => ({
    ...scene,
    happenings: scene.happenings.map((h) => ({ ...h, params: { pole: 0, ...h.params } })),
  })),
];

describe.each(slipKinds.map((kind) => [kind.id, kind] as const))('%s', (_, kind) => {
  const made = designs.flatMap((design) => kind.all(design).map((slip) => ({ design, slip })));

  it('can be made somewhere, and always changes the design', () => {
    expect(made.length).toBeGreaterThan(0);
    for (const { design, slip } of made)
      expect(essence(applyEdit(design, slip.edit))).not.toEqual(essence(design));
  });

  it('names places that the design has', () => {
    for (const { design, slip } of made) {
      const known = new Set(design.parts.map((p) => p.id));
      expect(slip.about.filter((place) => !known.has(place.split('.')[0]))).toEqual([]);
    }
  });

  if (kind.undoesItself)
    it('made once more in the same place is undone', () => {
      for (const { design, slip } of made) {
        const slipped = applyEdit(design, slip.edit);
        const again = kind.all(slipped).map(({ edit }) => essence(applyEdit(slipped, edit)));
        expect(again).toContainEqual(essence(design));
      }
    });
});

it('parts the ground of a supply and what it feeds from the rest, each half still joined', () => {
  const design = brief(
    'adapter G, adapter E volts=5, controller-5v-8bit U, led H, resistor R ohms=330, sounder-12v P',
    'G.plus P.plus, P.minus G.minus, E.plus U.5V, U.5V R.a, R.b H.a, G.minus U.GND, E.minus U.GND, H.k U.GND',
  );
  const kind = slipKinds.find((k) => k.id === 'ground');
  const slip = kind?.all(design).find((s) => s.says.includes('of E'));
  const apart = wiringOf(slip ? applyEdit(design, slip.edit) : design);
  expect(apart.same('E.minus', 'U.GND')).toBe(true);
  expect(apart.same('G.minus', 'P.minus')).toBe(true);
  expect(apart.same('G.minus', 'U.GND')).toBe(false);
});
