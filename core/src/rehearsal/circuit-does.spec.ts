import { demo } from '../testing/demo.js';
import { paramOf } from '../catalog/index.js';
import { circuitDoes, type Deed } from './index.js';

const deeds = (name: string): Deed[] => {
  const design = demo(name);
  return circuitDoes(design, design.scenes[0]);
};

it('a loop of contacts with a thyristor fires where a contact opens, and stays on', () => {
  const design = demo('fuel-locker-loop');
  const contacts = design.parts.filter((p) => p.kind === 'loop-contact' && p.name !== 'Reset key');
  const found = deeds('fuel-locker-loop');
  expect(found.map((d) => d.sensor)).toEqual(contacts.map((p) => p.id));
  for (const deed of found) {
    const contact = contacts.find((p) => p.id === deed.sensor);
    // Found by stepping: to a sixteenth of a step of the sweep.
    expect(deed.begins / paramOf(contact as never, 'trips')).toBeCloseTo(1, 1);
    expect(deed).toMatchObject({ way: 'above', ceases: undefined });
    expect(deed.text).toMatch(/→ Locker sounder sounding until power is cut$/);
  }
});

it('a dusk switch with a 555-type timer turns at a third and two thirds of its supply (its published data sheet)', () => {
  const design = demo('steps-lamp-at-dusk');
  const [relay] = deeds('steps-lamp-at-dusk');
  const sensor = design.parts.find((p) => p.kind === 'photoresistor') as never;
  const [r10, gamma] = [paramOf(sensor, 'r10'), paramOf(sensor, 'gamma')];
  const light = (ohms: number): number => 10 * (ohms / r10) ** (-1 / gamma);
  expect(relay.way).toBe('below');
  // The pin turns at 1/3 and 2/3: with one load resistor the two resistances lie a factor of four apart.
  const ratio = (relay.ceases ?? 0) / relay.begins;
  expect(ratio).toBeCloseTo(light(1) / light(4), 0);
});

it('rods switch a pump between two levels', () => {
  const [pump] = deeds('bilge-sump');
  expect(pump).toMatchObject({ way: 'above', quantity: 'water' });
  expect(pump.text).toMatch(
    /^when water level at .* rises above 30\d.mm → .* until it falls below 12\d.mm$/,
  );
});
