/** Sensors that are fed only for their readings, against closed forms. */
import type { Design } from '../design/index.js';
import { brief, channel, pins, placed, sceneOf } from '../testing/small.js';
import { rehearse, scoreRehearsal } from './index.js';

const [ohms, farads] = [10e3, 10e-6];

/** A pin that feeds a capacitor through a resistor; what stands on it is read once a second. */
const fed = (powerUp?: number): Design =>
  placed(
    brief(
      `adapter G volts=9 ohms=0.01, controller-5v-8bit U noise=0 leak=1e-12, resistor R ohms=${ohms}, capacitor C farads=${farads} leak=1e12`,
      'G.plus U.VIN, G.minus U.GND, U.D4 R.a, R.b U.A0, R.b C.a, C.b U.GND',
      {
        ...channel('U.A0', { every: 1, ...(powerUp === undefined ? {} : { powerUp }) }),
        ...pins('U.A0 analogue', 'U.D4 output'),
        outputs: [{ id: 'o1', name: 'Feed', pin: 'U.D4', active: 'high', feeds: true }],
      } as Partial<Design>,
    ),
  );
const played = (design: Design) => rehearse(design, sceneOf(20), undefined, 'time');

it.each([0.02, 0.05, 0.1, 0.3])('fed for %s s, it reads what it has come to by then', (powerUp) => {
  const values = played(fed(powerUp)).readings.c1?.values ?? [];
  // It is empty again at the next: the pin is low meanwhile.
  const wanted = 1023 * (1 - Math.exp(-powerUp / (ohms * farads)));
  for (const value of values.slice(2)) expect(Math.abs(value - wanted)).toBeLessThan(2.5);
  expect(values.length).toBeGreaterThan(15);
});

it('fed all the time, where nothing is said of it, it reads all', () => {
  const values = played(fed()).readings.c1?.values ?? [];
  for (const value of values.slice(2)) expect(value).toBeGreaterThan(1020);
});

it('what is fed takes power by the time that it is fed', () => {
  const lamp = (powerUp?: number): number => {
    const design = fed(powerUp);
    const parts = design.parts.map((p) => (p.id === 'R' ? { ...p, params: { ohms: 1e3 } } : p));
    const wires = design.wires.map((w) => (w.to === 'U.A0' ? { ...w, to: 'U.GND' } : w));
    const plain = { ...design, parts, wires };
    return scoreRehearsal(plain, played(plain)).energy?.joules ?? NaN;
  };
  const [always, tenth, half] = [lamp(), lamp(0.1), lamp(0.5)];
  // 5 mA of 9 V, of 20 s.
  expect((always - half) / (20 * 0.5 * 0.045)).toBeCloseTo(1, 1);
  expect((always - tenth) / (20 * 0.9 * 0.045)).toBeCloseTo(1, 1);
});
