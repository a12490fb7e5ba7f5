/** A film under a lasting load reads more by a share a decade of time: c·lg(1 + t/1 s), loads superposed (closed form). */
import type { SolvedPart } from '../catalog/index.js';
import { restingLogic } from '../logic/index.js';
import { brief, placed, sceneOf } from '../testing/small.js';
import { CoSimulation } from './co-simulation.js';

type Load = readonly [start: number, stays: number];

/** The film follows within milliseconds. */
const settles = 0.05;

const nothing: SolvedPart = { volts: {}, amps: {}, watts: 0 };

/** Someone of 20 kg steps on within so long, s. */
const rise = 0.05;

/** Conductance of a film at some moments, S. */
function conductances(creep: number, loads: readonly Load[], moments: readonly number[]): number[] {
  const design = placed(
    brief(
      `adapter G volts=5, force-film B creep=${creep}, resistor R ohms=10e3`,
      'G.plus B.a, B.b R.a, R.b G.minus',
    ),
  );
  const steps = loads.map(([start, stays]) => ({
    ...{ kind: 'footstep', start, params: { mass: 20, rise, stays } },
  }));
  const run = new CoSimulation(design, sceneOf(1e5, ...steps), () => undefined);
  const logic = restingLogic(design);
  return moments.map((t) => {
    while (run.go(t + settles, logic) < t + settles);
    const [{ volts, amps } = nothing] = [run.solvedNow('B')];
    const across = (volts['a'] ?? NaN) - (volts['b'] ?? NaN);
    return (amps['a'] ?? NaN) / across;
  });
}

/** By how much more it reads than one that does not creep. */
const crept = (loads: readonly Load[], moments: readonly number[]): number[] => {
  const [with5, without] = [0.05, 0].map((creep) => conductances(creep, loads, moments));
  return with5.map((siemens, i) => siemens / (without[i] ?? NaN) - 1);
};

/** 5 % a decade after so long, s. */
const after = (t: number): number => 0.05 * Math.log10(1 + t);

/** It is told in steps of two thousandths. */
const near = (shares: readonly number[], expected: readonly number[]): void =>
  shares.forEach((share, i) => expect(Math.abs(share - (expected[i] ?? NaN))).toBeLessThan(2.1e-3));

it('reads as much more in each decade of a lasting load', () => {
  near(crept([[10, 2000]], [19, 109, 1009]), [after(9), after(99), after(999)]);
});

it('has not forgotten a load when the next one comes', () => {
  const loads: Load[] = [
    [10, 100],
    [160, 300],
  ];
  near(crept(loads, [200, 400]), [
    after(190) - after(90) + after(40),
    after(390) - after(290) + after(240),
  ]);
});

it('has forgotten a step long after it', () => {
  const loads: Load[] = [
    [10, 2],
    [5000, 100],
  ];
  near(crept(loads, [5009]), [after(9)]);
});

it('of a film that does not creep nothing changes', () => {
  const [early = NaN, late] = conductances(0, [[10, 2000]], [19, 1009]);
  expect(late).toBeCloseTo(early, 9);
});
