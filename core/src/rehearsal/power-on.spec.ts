/** Scenes that begin as power comes on. */
import type { Design, Scene } from '../design/index.js';
import { brief, channel, onBoard, placed, sceneOf, walksPast } from '../testing/small.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';

const fromPowerOn = (design: Design, of: Scene): Rehearsal =>
  rehearse(placed(design), { ...of, starts: 'power-on' }, undefined, 'time');

const began = ({ acting }: Rehearsal, part: string): number[] =>
  acting.filter((a) => a.part === part && a.active).map((a) => a.t);

it('a motion module answers once it has warmed up, and not before', () => {
  const module = brief(
    'adapter G volts=5, pyroelectric-module M hold=3 block=0.5 warmUp=40, network-message N',
    'G.plus M.VCC, G.minus M.GND, M.OUT N.send, N.GND G.minus',
  );
  const scene = sceneOf(80, ...[5, 30, 50].map(walksPast));
  const { verdicts } = fromPowerOn(module, scene);
  expect(verdicts.map((v) => v.outcome)).toEqual(['missed', 'missed', 'noticed']);
  expect(verdicts.map((v) => /M was warming up until 40\.0/.test(v.because))).toEqual([
    ...[true, true],
    false,
  ]);
  // Powered long ago it sees all three.
  const before = rehearse(placed(module), scene, undefined, 'time').verdicts;
  expect(before.map((v) => v.outcome)).toEqual(['noticed', 'noticed', 'noticed']);
});

it('a capacitor charges from nothing: R · C · ln(1 / (1 − 0.63…)) to the comparator’s level', () => {
  const delay = brief(
    'adapter G volts=9, resistor R ohms=100e3, capacitor C farads=100e-6 leak=1e12, resistor RA ohms=10e3, resistor RB ohms=30e3, comparator-393 U, resistor RL ohms=470, led H',
    'G.plus U.vcc, G.minus U.gnd, G.plus R.a, R.b C.a, C.b G.minus, R.b U.minus, G.plus RA.a, RA.b RB.a, RB.b G.minus, RA.b U.plus, G.plus RL.a, RL.b H.a, H.k U.out',
  );
  const [on] = began(fromPowerOn(delay, sceneOf(30)), 'H');
  // Three quarters of the supply after ln 4 time constants.
  expect(Math.abs(on / (10 * Math.log(4)) - 1)).toBeLessThan(0.01);
  // Powered long ago it has been lit from the beginning.
  const settled = rehearse(placed(delay), sceneOf(30), undefined, 'time');
  expect(began(settled, 'H')).toEqual([0]);
});

it('a program begins to run once the controller has started', () => {
  const board = onBoard('push-button S', 'S.a U.A0, S.b U.GND', channel('U.A0'));
  const { readings, outages } = fromPowerOn(board, sceneOf(4));
  // It starts for 1.6 s after its supply has come up within milliseconds; no outage, it had not run yet.
  expect(readings['c1'].times[0]).toBeGreaterThan(1.6);
  expect(readings['c1'].times[0]).toBeLessThan(1.63);
  expect(outages).toEqual([]);
});
