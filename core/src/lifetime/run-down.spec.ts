/** How batteries run down, against closed forms over the curve of their open-circuit volts. */
import { demo } from '../testing/demo.js';
import type { Design } from '../design/index.js';
import { brief, channel, onBoard, pins, placed, sceneOf } from '../testing/small.js';
import { contactLives, runDown, sayLife } from './index.js';

/** Open-circuit volts of alkaline cells over nominal, from empty to full in six steps, as the catalogue gives them. */
const curve = [0.6, 0.73, 0.78, 0.81, 0.84, 0.89, 1.06];
const pack = (more: string): string => `alkaline-pack G ohms=1e-4 selfDischarge=0 charge=1 ${more}`;

it('a pack on a resistor is empty after C·R·∫dq/V', () => {
  const lamp = brief(
    `${pack('volts=4.5 ampHours=2')}, resistor R ohms=100`,
    'G.plus R.a, R.b G.minus',
  );
  const pieces = curve.slice(1).map((to, i) => {
    const from = curve[i];
    return Math.log(to / from) / (4.5 * (to - from) * 6);
  });
  const closed = 2 * 3600 * 100 * pieces.reduce((a, b) => a + b, 0);
  const found = runDown(lamp, sceneOf(60), 1);
  expect((found?.lasts ?? 0) / closed).toBeCloseTo(1, 2);
  expect(found).toMatchObject({ part: 'G', left: 0, because: 'G is empty' });
});

it('what is drawn in the scene alone counts as often as it comes', () => {
  const bell = placed(
    brief(
      `${pack('ampHours=2')}, push-button S bounce=0, resistor R ohms=100`,
      'G.plus S.a, S.b R.a, R.b G.minus',
    ),
  );
  const pressed = sceneOf(60, { params: { lasts: 10 } });
  const [once, often] = [10, 40].map((times) => runDown(bell, pressed, times));
  expect((once?.lasts ?? 0) / (often?.lasts ?? 1)).toBeCloseTo(4, 1);
  expect(often?.aDay['G'].atRest).toBeCloseTo(0, 6);
  // It is down for all but a tenth of the two edges; 40 times a day, at 1.06 · 4.5 V of full cells.
  const share = (40 * 9.4 * ((1.06 * 4.5) / 100)) / (2 * 3600);
  expect((often?.aDay['G'].all ?? 0) / share).toBeCloseTo(1, 1);
});

it('ends where a wanted happening is missed: the relay pulls in no more', () => {
  const horn = placed(
    brief(
      `${pack('volts=12 ampHours=2')}, push-button S bounce=0, relay-12v K pullIn=8.4, adapter H volts=12, sounder-12v B`,
      'G.plus S.a, S.b K.plus, K.minus G.minus, H.plus K.com, K.no B.plus, B.minus H.minus, G.minus H.minus',
    ),
  );
  const found = runDown(horn, sceneOf(30, { params: { lasts: 5 } }), 100);
  expect(found?.because).toBe('“H0” is no longer noticed');
  // 8.4 V of 12 are 0.7 of nominal: in the first of six steps from empty.
  expect(Math.abs((found?.left ?? 0) - (0.7 - 0.6) / 0.13 / 6)).toBeLessThan(0.01);
});

it('ends where the controller stops, also where the scene begins with power coming on', () => {
  // Under 2.7 V on its rail the chip stops: 1.1 V more at the pack, 0.63 of its nominal 6 V.
  const board = brief(
    `${pack('volts=6 ampHours=2')}, controller-5v-8bit U`,
    'G.plus U.VIN, G.minus U.GND',
  );
  const [settled, on] = (['settled', 'power-on'] as const).map((starts) =>
    runDown(board, { ...sceneOf(10), starts }, 1),
  );
  expect(settled?.because).toMatch(/^the controller stops: /);
  expect(Math.abs((settled?.left ?? 0) - (3.8 / 6 - 0.6) / 0.13 / 6)).toBeLessThan(0.01);
  expect((on?.lasts ?? 0) / (settled?.lasts ?? 1)).toBeCloseTo(1, 2);
});

it('ends where a falling supply sets off the alarm by itself', () => {
  const watch = onBoard(
    `${pack('volts=9 ampHours=0.5')}`.replace('alkaline-pack G', 'alkaline-pack P') +
      ', resistor R ohms=100, resistor A ohms=10e3, resistor B ohms=10e3, active-buzzer Z',
    'P.plus R.a, R.b P.minus, P.plus A.a, A.b B.a, B.b P.minus, P.minus U.GND, A.b U.A0, U.D3 Z.plus, Z.minus U.GND',
    {
      ...channel('U.A0', { trips: 'below', threshold: 700, hysteresis: 0 }),
      ...pins('U.A0 analogue', 'U.D3 output'),
      outputs: [{ id: 'o1', name: 'Buzzer', pin: 'U.D3', active: 'high' }],
      rules: [
        {
          ...{ id: 'r1', hold: 0, latch: false, when: { is: 'channel', channel: 'c1' } },
          then: [{ do: 'drive', output: 'o1', drive: { as: 'on' } }],
        },
      ],
    } as Partial<Design>,
  );
  const found = runDown(watch, sceneOf(10), 1);
  expect(found?.because).toBe('it fires at nothing');
  // 700 of 1024 counts of 5 V are half of 6.84 V, 0.76 of nominal: in the second of six steps from empty.
  expect(Math.abs((found?.left ?? 0) - (1 + (0.76 - 0.73) / 0.05) / 6)).toBeLessThan(0.02);
});

it('a battery that outlives what is followed stands then where its small load has brought it', () => {
  const clock = brief(
    `${pack('volts=3 ampHours=20')}, resistor R ohms=1e6`,
    'G.plus R.a, R.b G.minus',
  );
  const found = runDown(clock, sceneOf(10), 1);
  expect(found?.because).toBe('it is followed no further');
  // About 3 µA of 20 A·h: 0.53 A·h in twenty years.
  expect(found?.left).toBeGreaterThan(0.965);
  expect(found?.left).toBeLessThan(0.98);
  expect(found?.course.at(-1)?.levels['G']).toBe(found?.left);
});

it('lasts for good where it is charged', () => {
  const kept = brief(
    'adapter A volts=14, resistor R ohms=100, lead-battery G charge=0.5',
    'A.plus R.a, R.b G.plus, G.minus A.minus',
  );
  expect(runDown(kept, sceneOf(60), 1)).toMatchObject({ lasts: Infinity, part: 'G' });
  expect(runDown(kept, sceneOf(60), 1)?.aDay['G'].all).toBeLessThan(0);
});

it('is not asked where there is no battery', () => {
  expect(runDown(demo('slipway-beam'), sceneOf(10), 1)).toBeUndefined();
});

it('contacts last for what they bear over what the scene switches, as often as it fits in a day', () => {
  const fan = demo('drying-room-fan');
  const switched = { relayOperations: { K1: { relay: 4 } }, duration: 3600 };
  const life = (times: number): number => contactLives(fan, switched, times)[0].lasts / 86_400;
  expect(life(1)).toBeCloseTo(50_000 / 4, 9);
  expect(life(1000)).toBeCloseTo(50_000 / (4 * 24), 9);
});

it.each([
  [Infinity, 'for good'],
  [86_400 * 365.25 * 12.4, '12 years'],
  [86_400 * 43.4, '43 days'],
  [86_400 * 1.5, 'a day'],
  [5.33 * 3600, 'less than a day'],
  [0, 'less than a day'],
])('says %d s as people do', (seconds, said) => expect(sayLife(seconds)).toBe(said));
