import { demo } from '../testing/demo.js';
import { rehearse, snapshot, valueAt } from './index.js';

const design = demo('slipway-beam');
const [scene] = design.scenes;

describe.each(['fast', 'time'] as const)('what is felt, taken down %s', (path) => {
  const { felt, logic, readings } = rehearse(design, scene, undefined, path);

  it('is what the same moment looked at by itself says', () => {
    for (const t of [0, 4.9, 14.3, 20]) {
      const { stimulus } = snapshot(design, scene, t, { logic });
      const now = stimulus['B1']?.infrared ?? NaN;
      // Told to four digits.
      expect(Math.abs((valueAt(felt['B1 infrared'], t) ?? NaN) / now - 1)).toBeLessThan(5.1e-4);
    }
  });

  it('falls with the reading while someone stands in the beam', () => {
    const [reading, light] = [readings['beam'], felt['B1 infrared']];
    const dark = reading.times.filter((_, i) => reading.values[i] < 5);
    expect(dark.length).toBeGreaterThan(0);
    for (const t of dark) expect(valueAt(light, t)).toBeLessThan(0.01 * light.values[0]);
  });

  it('has nothing of what senses nothing', () => {
    const parts = new Set(Object.keys(felt).map((key) => key.split(' ')[0]));
    expect([...parts].sort()).toEqual(['B1', 'G1']);
  });
});
