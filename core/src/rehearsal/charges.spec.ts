/** Batteries in the course of a rehearsal, against charge balances worked out beside it. */
import type { Design, Happening } from '../design/index.js';
import { restingLogic } from '../logic/index.js';
import { brief, placed, sceneOf } from '../testing/small.js';
import { CoSimulation } from './co-simulation.js';
import { rehearse } from './rehearse.js';

/** Open-circuit volts of the cells over their charge, as the catalogue gives them: straight lines between seven points. */
const curve = [0.6, 0.73, 0.78, 0.81, 0.84, 0.89, 1.06].map((share) => 4.5 * share);
function openVolts(charge: number): number {
  const at = Math.min(5, Math.floor(charge * 6));
  return curve[at] + (curve[at + 1] - curve[at]) * (6 * charge - at);
}
/** Charge left after a time on a resistor, by small steps: dq/dt = −V(q)/(R + r), r tripling towards empty. */
function left(ampHours: number, load: number, seconds: number, full = 1): number {
  const steps = 20_000;
  let charge = full;
  for (let i = 0; i < steps && charge > 0; i++) {
    const inner = 0.45 * (1 + 2 * (1 - charge) ** 2);
    charge -= (openVolts(charge) / (load + inner) / (3600 * ampHours)) * (seconds / steps);
  }
  return charge;
}

const loaded = (ampHours: number): Design =>
  placed(
    brief(
      `alkaline-pack G ampHours=${ampHours} selfDischarge=0, resistor R ohms=100`,
      'G.plus R.a, R.b G.minus',
    ),
  );

it.each([
  [600, 0.5],
  [36_000, 0.5],
  [36_000, 2],
])('a pack on a resistor for %d s, %d A·h: its charge runs down', (seconds, ampHours) => {
  const design = loaded(ampHours);
  const run = new CoSimulation(design, sceneOf(seconds));
  const logic = restingLogic(design);
  for (let t = 0; t <= seconds; t += seconds / 50) run.at(t, logic);
  run.at(seconds, logic);
  const { parts } = run.present();
  const level = parts['G'].volts['#level'];
  expect(Math.abs((level ?? NaN) - left(ampHours, 100, seconds))).toBeLessThan(2e-3);
});

it('a battery that is changed for another goes on from the charge of that', () => {
  const design = loaded(0.2);
  const swapped = { kind: 'battery-swapped', start: 1800, target: { part: 'G' } };
  const scene = sceneOf(
    5000,
    { ...swapped, params: { takes: 100, charge: 0.8 } },
    { ...swapped, start: 3800, params: { takes: 100, charge: 0.5 } },
  );
  const run = new CoSimulation(design, scene);
  const level = (t: number): number => {
    run.at(t, restingLogic(design));
    return run.present().parts['G'].volts['#level'] ?? NaN;
  };
  const before = level(1790);
  expect(Math.abs(before - left(0.2, 100, 1790))).toBeLessThan(3e-3);
  // Out of the circuit it keeps what it has.
  expect(Math.abs(level(1899) - before)).toBeLessThan(3e-3);
  expect(Math.abs(level(1901) - 0.8)).toBeLessThan(3e-3);
  expect(Math.abs(level(3700) - left(0.2, 100, 1800, 0.8))).toBeLessThan(5e-3);
  // And once more.
  expect(Math.abs(level(4900) - left(0.2, 100, 1000, 0.5))).toBeLessThan(5e-3);
});

/** A loop that sounds a buzzer straight from a pack. */
const loop = (ampHours: number): Design =>
  placed(
    brief(
      `alkaline-pack G volts=6 ampHours=${ampHours}, loop-contact S, active-buzzer P, resistor R ohms=10e3, resistor RB ohms=1e3, npn-transistor Q`,
      'G.plus R.a, R.b S.a, S.b G.minus, R.b RB.a, RB.b Q.b, Q.e G.minus, G.plus P.plus, P.minus Q.c',
    ),
  );
const hour = (start: number): Partial<Happening> => ({
  kind: 'door-opens',
  start,
  params: { moves: 0.05, stays: 3600 },
});

it('ten alarms of an hour on a pack for a part of the first: one is noticed, and it falls silent', () => {
  const small = loop(0.02);
  const ten = sceneOf(40_000, ...Array.from({ length: 10 }, (_, i) => hour(100 + 3800 * i)));
  const { verdicts, acting } = rehearse(small, ten, undefined, 'time');
  expect(verdicts.map((v) => v.outcome)).toEqual([
    'noticed',
    ...Array.from({ length: 9 }, () => 'missed'),
  ]);
  const off = acting.find((a) => !a.active)?.t ?? NaN;
  expect(off).toBeLessThan(3700);
  // As settled at each moment it knows nothing of that.
  const settled = rehearse(small, ten).verdicts.map((v) => v.outcome);
  expect(new Set(settled)).toEqual(new Set(['noticed']));
});

it('a pack that is large enough sounds all ten', () => {
  const ten = sceneOf(40_000, ...Array.from({ length: 10 }, (_, i) => hour(100 + 3800 * i)));
  const { verdicts } = rehearse(loop(3), ten, undefined, 'time');
  expect(new Set(verdicts.map((v) => v.outcome))).toEqual(new Set(['noticed']));
});

it('a battery that ages loses its share of the charge that is left', () => {
  const design = loaded(0.5);
  const ages = { kind: 'battery-ages', start: 100, params: {} };
  const [with_, without] = [sceneOf(2000, ages), sceneOf(2000)].map((s) => {
    const run = new CoSimulation(design, s);
    const logic = restingLogic(design);
    for (let t = 0; t <= 2000; t += 20) run.at(t, logic);
    run.at(2000, logic);
    return run.present().parts['G'].volts['#level'] ?? NaN;
  });
  // A tenth is left of what there was within 30 s from 100 s on; it is told every 20 s.
  const whole = left(0.5, 100, 2000);
  const aged = left(0.5, 100, 1870, 0.1 * left(0.5, 100, 130));
  expect(Math.abs(without - whole)).toBeLessThan(2e-3);
  expect(Math.abs(with_ - aged)).toBeLessThan(2e-3);
});
