import { brief } from '../testing/small.js';
import { oscillations, snapshot, oscillates } from './index.js';

/** A 555-type astable: f = 1/(ln 2·(Ra + 2·Rb)·C), high for (Ra + Rb)/(Ra + 2·Rb) (published data sheet). */
const astable = (ra: number, rb: number, farads: number) =>
  brief(
    `adapter G volts=5, timer-555 U, resistor A ohms=${ra}, resistor B ohms=${rb}, capacitor C farads=${farads} leak=1e11, capacitor D farads=1e-8`,
    'G.plus U.vcc, G.minus U.gnd, U.vcc U.reset, U.vcc A.a, A.b U.dis, U.dis B.a, B.b U.thr, U.thr U.trig, U.thr C.a, C.b U.gnd, U.ctrl D.a, D.b U.gnd',
  );

it.each([
  [1e3, 10e3, 10e-9],
  [10e3, 10e3, 1e-6],
])('an astable of %d, %d and %d swings as its closed form says', (ra, rb, farads) => {
  const design = astable(ra, rb, farads);
  const rest = snapshot(design, undefined);
  expect(oscillates(design, rest)).toBe(true);
  const found = Object.values(oscillations(design, rest.stimulus));
  expect(found.length).toBeGreaterThan(0);
  const hertz = 1 / (Math.LN2 * (ra + 2 * rb) * farads);
  for (const oscillation of found) expect(oscillation.hertz / hertz).toBeCloseTo(1, 1);
  const duty = (ra + rb) / (ra + 2 * rb);
  // The timing capacitor swings between a third and two thirds of 5 V.
  const timing = found.find((r) => r.low > 1 && r.high < 4);
  expect(timing?.low).toBeCloseTo(5 / 3, 1);
  expect(timing?.high).toBeCloseTo(10 / 3, 1);
  expect(found.some((r) => Math.abs(r.duty - duty) < 0.03)).toBe(true);
});

it('a signal generator keeps its own frequency; what rests has none', () => {
  const design = brief(
    'adapter G volts=5, signal-generator V amplitude=1 hertz=50, resistor R',
    'V.gnd G.minus, V.out R.a, R.b G.minus',
  );
  const rest = snapshot(design, undefined);
  expect(oscillates(design, rest)).toBe(true);
  const [oscillation] = Object.values(oscillations(design, rest.stimulus));
  expect(oscillation.hertz).toBeCloseTo(50, 1);
  expect(oscillation.duty).toBeCloseTo(0.5, 2);
  const still = brief('adapter G volts=5, resistor R', 'G.plus R.a, R.b G.minus');
  expect(oscillates(still, snapshot(still, undefined))).toBe(false);
  expect(oscillations(still, {})).toEqual({});
});
