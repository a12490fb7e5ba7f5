/** What goes wrong electrically in the course of a scene: small circuits whose end is known by hand. */
import { check, fiveQuestions, gatherEvidence } from '../check/index.js';
import type { Design, Scene } from '../design/index.js';
import { brief, placed, sceneOf } from '../testing/small.js';
import { restingLogic } from '../logic/index.js';
import { CoSimulation } from './co-simulation.js';
import { rehearse, tellTrouble, type Rehearsal } from './index.js';

const inTime = (design: Design, of: Scene): Rehearsal =>
  rehearse(placed(design), of, undefined, 'time');

const pressed = (lasts: number): Scene => sceneOf(20, { start: 2, params: { lasts } });

/** A resistor of so many watts on 12 V for as long as a button is pressed. */
const heated = (ohms: number, watts: number): Design =>
  brief(
    `adapter G maxAmps=10 ohms=0.01, push-button S bounce=0 ohms=0.01 maxAmps=10, resistor R ohms=${ohms} watts=${watts}`,
    'G.plus S.a, S.b R.a, R.b G.minus',
  );

it.each([
  // 144 V²/100 Ω = 1.44 W.
  ['a resistor beyond its watts', heated(100, 0.25), 1.44 / 0.25],
  ['one within them', heated(100, 3), undefined],
])('%s', (_, design, share) => {
  const { troubles, stresses } = inTime(design, pressed(5));
  const stress = stresses.find((s) => s.part === 'R');
  expect(troubles.map((t) => [t.part, t.what])).toEqual(
    share ? [['R', 'was beyond its rating']] : [],
  );
  if (share) expect(stress?.share).toBeCloseTo(share, 1);
  if (share) expect(troubles[0].t).toBeGreaterThan(2);
});

it('a heat of milliseconds is borne: its mean over 10 ms counts', () => {
  // 1 J for each volt squared on 100 µF: RC = 1 ms, 0.5·C·V² = 7.2 mJ through 10 Ω, 14.4 W at first.
  const gulp = brief(
    'adapter G maxAmps=10 ohms=0.01, push-button S bounce=0 ohms=0.01 maxAmps=10, resistor R ohms=10 watts=1, capacitor C farads=100e-6 volts=50, resistor B ohms=100e3 watts=1',
    'G.plus S.a, S.b R.a, R.b C.a, C.b G.minus, R.b B.a, B.b G.minus',
  );
  const { troubles, stresses } = inTime(gulp, pressed(5));
  expect(troubles).toEqual([]);
  // The mean of P·e^(−2t/RC) through e^(−t/τ), τ = 10 ms: its peak is P·(RC/2τ)·(…) < P·RC/2τ = 0.72 W.
  const [mean] = stresses.filter((s) => s.part === 'R');
  expect(mean.share).toBeGreaterThan(0.5);
  expect(mean.share).toBeLessThan(0.72);
});

it.each([
  // 12.7 V behind a third of an ohm in all, into 30 mF: 37 A at first, of which 0.88 are left as the root mean square over
  // half a millisecond; through contacts for 10 A, or for 20 A.
  [10, ['K']],
  [20, []],
])(
  'contacts for %d A that close on an empty capacitor weld beyond three times that',
  (maxAmps, welded) => {
    const gulp = brief(
      `lead-battery G ohms=0.01, push-button S bounce=0, relay-12v K bounce=0 maxAmps=${maxAmps}, rectifier-diode D, resistor R ohms=0.2 watts=100, capacitor C farads=30e-3 volts=50`,
      'G.plus S.a, S.b K.plus, K.minus G.minus, D.k K.plus, D.a K.minus, G.plus K.com, K.no R.a, R.b C.a, C.b G.minus',
    );
    const { troubles } = inTime(gulp, pressed(5));
    const may = troubles.filter((t) => t.what === 'may have welded');
    expect(may.map((t) => t.part)).toEqual(welded);
    if (may.length > 0)
      expect(may[0].because).toMatch(/^3[23]\.\d.A flowed through a contact for 10\.0.A/);
  },
);

it('what gulps as power comes on is borne: nothing flowed before', () => {
  // 4.5 V behind 0.45 Ω and 5 Ω: 0.8 A for half a millisecond through a fuse that carries 0.5 A for good.
  const gulp = brief(
    'alkaline-pack G, fuse F amps=0.5 melting=5, resistor R ohms=5 watts=1, capacitor C farads=100e-6 leak=1e12',
    'G.plus F.a, F.b R.a, R.b C.a, C.b G.minus',
  );
  const { troubles, stresses } = inTime(gulp, { ...sceneOf(5), starts: 'power-on' });
  expect(troubles).toEqual([]);
  // Its square over 10 s: 0.8² · RC/2 = 0.17 mA²s, a ten-thousandth of 0.5² · 10 s.
  expect(stresses.filter((s) => s.part === 'F')).toEqual([]);
});

it('a fuse melts at its I²t, stays so, and what it feeds is missed', () => {
  const fused = brief(
    'adapter G maxAmps=20 ohms=0.001, fuse F amps=1 melting=0.5, push-button S bounce=0 ohms=0.01 maxAmps=10, resistor R ohms=2 watts=100, resistor L ohms=470, led H',
    'G.plus F.a, F.b S.a, S.b R.a, R.b G.minus, F.b L.a, L.b H.a, H.k G.minus',
  );
  const run = inTime(fused, pressed(5));
  const [melted] = run.troubles.filter((t) => t.what === 'melted');
  // 12 V over 2.11 Ω and the LED's bit beside: θ' = (I² − Ic²·θ)/M reaches 1 after −M/Ic²·ln(1 − Ic²/I²), Ic = 1.35 A.
  expect(melted.part).toBe('F');
  let closed = Infinity;
  const again = new CoSimulation(placed(fused), pressed(5), (t, solved) => {
    if ((solved('R').amps['a'] ?? 0) > 1) closed = Math.min(closed, t);
  });
  again.go(3, restingLogic(fused));
  const amps = 12 / 2.11;
  const after = (-0.5 / 1.35 ** 2) * Math.log(1 - (1.35 / amps) ** 2);
  expect(Math.abs((melted.t - closed) / after - 1)).toBeLessThan(0.02);
  expect(run.acting.filter((a) => a.part === 'H').map((a) => a.active)).toEqual([true, false]);
  expect(tellTrouble(fused, melted)).toMatch(/^F melted at 2.\d+.s: more flowed through it/);
});

it('a resistor that gets too hot in the scene is told under "Survives"', () => {
  const design = placed(heated(100, 0.25));
  const scene = pressed(5);
  const evidence = gatherEvidence(design, scene);
  const run = rehearse(design, scene, undefined, 'time');
  const [, , survives] = fiveQuestions(evidence, [], run);
  expect(survives).toMatchObject({ state: 'error', value: '1 in the scene' });
  expect(survives.detail).toBe('R was beyond its rating');
  // At rest, with the button open, nothing is pressed.
  const [, , atRest] = fiveQuestions(evidence, check(evidence), undefined);
  expect(atRest.state).not.toBe('error');
});
