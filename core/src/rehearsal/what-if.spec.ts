import { demo } from '../testing/demo.js';
import { eSeries } from '../quantity/index.js';
import { countsAt, stimulusAt, ifInstead, responseOf, snapshot, tryable, whatIf } from './index.js';

const dusk = demo('steps-lamp-at-dusk');
const fire = demo('varnish-bench-fire');
const [scene] = fire.scenes;
const [channel] = fire.channels;
const part = (id: string) => {
  const found = fire.parts.find((p) => p.id === id);
  if (!found) throw new Error(id);
  return found;
};
const receivers = fire.parts.filter((p) => p.kind === 'flame-receiver').map((p) => p.id);

it('with the value it has it reads what the picture at rest shows', () => {
  const load = fire.parts.find((p) => p.kind === 'resistor');
  const ohms = load?.params['ohms'] ?? NaN;
  const [same] = whatIf(fire, scene, channel.id, {
    part: load?.id ?? '',
    param: 'ohms',
    values: [ohms],
  });
  expect(same.rest).toBe(snapshot(fire, scene).counts[channel.id]);
  expect(same.during.map((d) => d.happening)).toEqual(scene.happenings.map((h) => h.id));
});

it('of a receiver into a load, small signals grow as the load does (I·R, until it saturates)', () => {
  const [one, two] = whatIf(fire, { ...scene, happenings: [] }, channel.id, {
    part: 'R1',
    param: 'ohms',
    values: [2e5, 4e5],
  });
  expect((two.rest ?? NaN) / (one.rest ?? NaN)).toBeGreaterThan(1.5);
  expect((two.rest ?? NaN) / (one.rest ?? NaN)).toBeLessThan(2.6);
});

it('a flame farther away reads less, by the inverse square where nothing else is seen', () => {
  const flame = scene.happenings.find((h) => h.kind === 'flame');
  const { x = 0, y = 0, facing = 0 } = part(receivers[0]).place ?? {};
  const turn = (facing * Math.PI) / 180;
  if (!flame) throw new Error('no flame');
  const at = (d: number) => ({
    value: d,
    happening: { ...flame, path: [{ x: x + d * Math.cos(turn), y: y + d * Math.sin(turn) }] },
  });
  const read = ifInstead(fire, scene, channel.id, [at(2), at(3)]);
  const above = read.map((r) => (r.during[0]?.counts ?? NaN) - (r.rest ?? NaN));
  expect(above[0] / above[1]).toBeCloseTo(1.5 ** 2, 1);
});

it('counts and what is felt are told one from the other and back', () => {
  const response = responseOf(fire, channel.id, part(receivers[0]));
  expect(response?.unit).toBe('W/m²');
  if (!response) return;
  const middle = response.points[Math.floor(response.points.length / 3)];
  const stimulus = stimulusAt(response, middle.counts) ?? NaN;
  expect(countsAt(response, stimulus)).toBeCloseTo(middle.counts, 6);
  expect(stimulusAt(response, -5)).toBeUndefined();
});

it('resistances that may be tried can be bought, but for the present one', () => {
  const resistor = dusk.parts.find((p) => p.kind === 'resistor') ?? dusk.parts[0];
  const [ohms] = tryable({ ...resistor, params: { ohms: 47_300 } });
  const bought = eSeries('E24').flatMap((v) => [1e3, 1e4, 1e5].map((k) => Math.round(v * k)));
  expect(ohms.values.length).toBe(13);
  for (const value of ohms.values.filter((v) => v !== 47_300)) expect(bought).toContain(value);
});

it('what may be tried has the value it has in the middle', () => {
  const [ohms] = tryable(dusk.parts.find((p) => p.kind === 'resistor') ?? dusk.parts[0]);
  expect(ohms.values).toContain(ohms.value);
  expect(tryable(part(receivers[0])).map((t) => t.id)).toContain('halfAngle');
});
