import { demo } from '../testing/demo.js';
import { brief, placed, sceneOf } from '../testing/small.js';
import { MomentInTime } from './moment-in-time.js';
import { rehearse } from './rehearse.js';
import { valueAt } from './traces.js';

it('the current into a capacitor while it charges: V / R · e^(−t / RC), also backwards in time', () => {
  const charging = placed(
    brief(
      'adapter G volts=10, toggle-switch S position=0 bounce=0 ohms=1e-3, resistor R ohms=100e3, capacitor C farads=20e-6 leak=1e8',
      'G.plus S.a, S.b R.a, R.b C.a, C.b G.minus',
    ),
  );
  const scene = sceneOf(20, {
    ...{ kind: 'knob-turned', start: 3, target: { part: 'S', param: 'position' } },
    params: { to: 1, moves: 0.002 },
  });
  const moments = new MomentInTime(charging, scene, rehearse(charging, scene, undefined, 'time'));
  for (const t of [4, 6, 5, 3.5]) {
    const amps = (10 / 100e3) * Math.exp(-(t - 3.001) / 2);
    const { parts } = moments.at(t).solution;
    expect(Math.abs((parts['R']?.amps['a'] ?? NaN) / amps - 1)).toBeLessThan(0.01);
  }
});

it.each([
  ['bilge-sump', 0],
  ['boarding-mat', 0],
  ['steps-lamp-at-dusk', 0],
  ['launch-key-board', 0],
])('%s: stands at each moment where its rehearsal took it down', (name, index) => {
  const design = demo(name);
  const scene = design.scenes[index];
  const run = rehearse(design, scene, undefined, 'time');
  const moments = new MomentInTime(design, scene, run);
  for (const share of [0.1, 0.35, 0.5, 0.77, 0.99]) {
    const t = share * scene.duration;
    const { solution, decided } = moments.at(t);
    for (const { id, volts } of solution.nets) {
      const taken = valueAt(run.nets[id] ?? { times: [], values: [] }, t);
      // Traces hold what was last looked at; what swings has gone on since then.
      if (taken === undefined || volts === undefined) continue;
      expect(Math.abs(volts - taken)).toBeLessThan(0.05 + 0.02 * Math.abs(taken));
    }
    for (const { id } of design.outputs)
      expect(decided.outputs[id]).toBeCloseTo(valueAt(run.outputs[id], t) ?? NaN, 1);
  }
});
