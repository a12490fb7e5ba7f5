/** A replay that goes on from where both runs are the same fires what one from the beginning fires. */
import { demo } from '../testing/demo.js';
import { CoSimulation } from './co-simulation.js';
import { Play } from './play.js';
import { Rig } from './rig.js';

it.each([
  ['galley-call', 0],
  ['hatch-knock-watch', 0],
  ['chart-room-touch', 0],
  ['launch-key-board', 0],
  ['boarding-mat', 0],
  ['mooring-boom', 0],
  ['varnish-bench-fire', 1],
  ['slipway-beam', 1],
  // It sleeps and never settles; the button of its reset is remembered.
  ['creek-gate-watch', 0],
])('%s', (name, index) => {
  const design = demo(name);
  const scene = design.scenes[index];
  const goesOn = jest.spyOn(CoSimulation.prototype, 'resumeAt');
  const whole = new Play(design, scene, 'time').run();
  for (const { id } of scene.happenings) {
    const happenings = scene.happenings.filter((h) => h.id !== id);
    const other = { ...scene, happenings };
    const anew = new Play(design, other, 'time', { lean: true }).run().firings();
    const replayed = whole.replay(other);
    expect(replayed.map((f) => f.sign)).toEqual(anew.map((f) => f.sign));
    replayed.forEach((f, i) => expect(Math.abs(f.t - anew[i].t)).toBeLessThan(0.05));
  }
  // All but what happens first begin later than at the beginning.
  expect(goesOn.mock.calls.length).toBeGreaterThanOrEqual(scene.happenings.length - 1);
  goesOn.mockRestore();
});

it.each([
  ['skylight-rain', 1],
  ['mooring-boom', 0],
  ['loft-stairs', 0],
])('settled, to the same moment: %s', (name, index) => {
  const design = demo(name);
  const scene = design.scenes[index];
  const goesOn = jest.spyOn(Rig.prototype, 'backTo');
  const whole = new Play(design, scene, 'fast', { lean: true }).run();
  for (const { id } of scene.happenings) {
    const other = { ...scene, happenings: scene.happenings.filter((h) => h.id !== id) };
    const anew = new Play(design, other, 'fast', { lean: true }).run().firings();
    expect(whole.replay(other)).toEqual(anew);
  }
  expect(goesOn.mock.calls.length).toBeGreaterThanOrEqual(scene.happenings.length - 1);
  goesOn.mockRestore();
});
