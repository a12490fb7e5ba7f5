/** A piezo disc that rings into a diode and a capacitor: what is left of a knock stands there long enough to be read. */
import type { Design, Happening } from '../design/index.js';
import { restingLogic } from '../logic/index.js';
import { brief, onBoard, placed, sceneOf } from '../testing/small.js';
import { CoSimulation } from './co-simulation.js';

/** 1 m/s² at 1 m is a half at 2 m: 25 V of a disc of 50 V for each m/s². */
const lorry: Partial<Happening> = {
  ...{ kind: 'lorry-passes', params: { speed: 0.5, shake: 1 } },
  path: [
    { x: 2, y: -0.5 },
    { x: 2, y: 0.5 },
  ],
};
const disc = 'piezo-disc B perShake=50 hertz=120 farads=20e-9';

/** The highest voltage at a terminal while a lorry passes. */
function highest(design: Design, part: string, terminal: string): number {
  let most = -Infinity;
  const run = new CoSimulation(placed(design), sceneOf(6, lorry), (_, solved) => {
    most = Math.max(most, solved(part).volts[terminal] ?? -Infinity);
  });
  run.go(6, restingLogic(design));
  return most;
}

it('holds the crest of what the high-pass lets through, less its diode', () => {
  const follower = brief(
    `adapter G, ${disc}, resistor R ohms=100e3, rectifier-diode D, capacitor C farads=100e-9 leak=1e12, resistor H ohms=1e9`,
    'B.b G.minus, B.a R.a, R.b G.minus, B.a D.a, D.k C.a, C.b G.minus, D.k H.a, H.b G.minus',
  );
  const turn = 2 * Math.PI * 120 * 100e3 * 20e-9;
  const crest = (25 * turn) / Math.hypot(1, turn);
  // 1.8 times 25.7 mV for each factor e of its current over 7 nA: 0.1 to 0.3 V at some tens of nA to a µA.
  const held = highest(follower, 'C', 'a');
  expect(held).toBeGreaterThan(crest - 0.3);
  expect(held).toBeLessThan(crest);
});

it('on a pin its clamp ends it: 5 V and what the diode there takes of the current behind 20 nF', () => {
  const board = onBoard(
    `${disc}, rectifier-diode D, resistor R ohms=1e6, capacitor C farads=10e-9 leak=1e12, resistor H ohms=1e7`,
    'B.b U.GND, B.a R.a, R.b U.GND, B.a D.a, D.k C.a, C.b U.GND, D.k H.a, H.b U.GND, D.k U.A0',
  );
  // 25 V at 120 Hz through 20 nF are 0.38 mA at most: kT/q · ln(I / 10⁻¹⁴ A) = 0.63 V.
  const pin = highest(board, 'C', 'a');
  expect(Math.abs(pin / 5.6 - 1)).toBeLessThan(0.02);
});
