import { brief, placed, sceneOf } from '../testing/small.js';
import { asRecorded, rehearse, snapshot, type Snapshot } from './index.js';

/** A 555 that lights a lamp for 11 s after a touch at 2 s. */
const monostable = placed(
  brief(
    'adapter G volts=9, timer-555 U, resistor R ohms=1e6, capacitor C farads=10e-6 leak=1e12, resistor RT ohms=10e3, push-button S, resistor RL ohms=470, led H',
    'G.plus U.vcc, G.minus U.gnd, G.plus U.reset, G.plus R.a, R.b U.thr, R.b U.dis, R.b C.a, C.b G.minus, G.plus RT.a, RT.b U.trig, U.trig S.a, S.b G.minus, U.out RL.a, RL.b H.a, H.k G.minus',
  ),
);
const scene = sceneOf(20, { start: 2 });
const [settled, inTime] = (['fast', 'time'] as const).map((path) =>
  rehearse(monostable, scene, undefined, path),
);
const look = (t: number): Snapshot => snapshot(monostable, scene, t, inTime);
const volts = ({ solution }: Snapshot, ref: string): number | undefined =>
  solution.nets.find((n) => n.terminals.includes(ref))?.volts;

it.each([
  [1, false],
  [5, true],
  [12.5, true],
  [14, false],
])('at %d s the lamp is lit: %s, as it was in time', (t, lit) => {
  const recorded = asRecorded(look(t), inTime);
  expect(recorded.acting['H'].active).toBe(lit);
  if (lit) expect(volts(recorded, 'U.out')).toBeGreaterThan(7);
  else expect(volts(recorded, 'U.out')).toBeLessThan(0.5);
});

it('between, the capacitor stands where its exponential has brought it', () => {
  // 6 V at ln 3 · 10 s; 3 s after the touch ended it has come to 9·(1 − e^−0.3…).
  const at = (t: number): number => volts(asRecorded(look(t), inTime), 'C.a') ?? NaN;
  const [first, second] = [at(6), at(9)];
  expect(Math.abs((9 - second) / (9 - first) / Math.exp(-0.3) - 1)).toBeLessThan(0.02);
});

it('of a circuit that was taken as settled it is the settled one', () => {
  const shown = snapshot(monostable, scene, 5, settled);
  expect(asRecorded(shown, settled)).toBe(shown);
});
