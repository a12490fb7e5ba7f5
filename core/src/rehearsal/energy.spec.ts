/** What sources give in the course of a scene, against closed forms. */
import type { Design } from '../design/index.js';
import { brief, pins, placed, sceneOf } from '../testing/small.js';
import { rehearse, scoreRehearsal } from './index.js';

const joules = (design: Design, seconds: number, lasts = 5): number => {
  const scene = sceneOf(seconds, { start: 2, params: { lasts } });
  const run = rehearse(placed(design), scene, undefined, 'time');
  return scoreRehearsal(design, run).energy?.joules ?? NaN;
};

/** A button that fills a capacitor from 12 V, which a resistor empties. */
const filled = (ohms: number, farads: number, bleed: number): Design =>
  brief(
    `adapter G volts=12 maxAmps=10 ohms=0.01, push-button S bounce=0 ohms=0.01 maxAmps=10, resistor R ohms=${ohms} watts=10, capacitor C farads=${farads} volts=50 leak=1e12, resistor B ohms=${bleed} watts=10`,
    'G.plus S.a, S.b R.a, R.b C.a, C.b G.minus, R.b B.a, B.b G.minus',
  );

it.each([
  // Half of it is lost in the resistor; what the capacitor gives back later was given before. The button is down for 0.47 s.
  ['in a moment', 10, 100e3, 0.5, 0.47 / 100e3],
  ['while it is looked at', 5000, 100e6, 5, 0],
])('a capacitor that is filled %s takes C·V², once', (_, ohms, bleed, lasts, besides) => {
  const farads = 100e-6;
  const wanted = (farads + besides) * 12 ** 2;
  expect(joules(filled(ohms, farads, bleed), 60, lasts) / wanted).toBeCloseTo(1, 2);
});

it('what takes no time to change takes its power by the time', () => {
  const lamp = brief(
    'adapter G volts=12 ohms=1e-6, resistor B ohms=100',
    'G.plus B.a, B.b G.minus',
  );
  expect(joules(lamp, 1000) / ((1000 * 12 ** 2) / 100)).toBeCloseTo(1, 5);
});

/** Energy of a minute in which a pin that feeds a resistor is on for a share of the time. */
const dimmed = (level: number): number =>
  joules(
    brief(
      'adapter G volts=9 ohms=0.01, controller-5v-8bit U noise=0, resistor R ohms=1e3',
      'G.plus U.VIN, G.minus U.GND, U.D3 R.a, R.b U.GND',
      {
        ...pins('U.D3 output'),
        outputs: [{ id: 'o1', name: 'Dimmed', pin: 'U.D3', active: 'high' }],
        rules: [
          {
            ...{ id: 'r1', hold: 0, latch: false, when: { is: 'all', of: [] } },
            then: [{ do: 'drive', output: 'o1', drive: { as: 'level', level } }],
          },
        ],
      } as Partial<Design>,
    ),
    60,
  );

it('a dimmed output takes its share of what it takes when it is on, in periods that are leapt over too', () => {
  const [off, on] = [dimmed(0), dimmed(1)];
  // 5 mA of 9 V for a minute.
  expect(on - off).toBeGreaterThan(60 * 0.045 * 0.9);
  expect((dimmed(0.3) - off) / (on - off)).toBeCloseTo(0.3, 2);
});
