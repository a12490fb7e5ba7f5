/** A replay that goes on from where both runs are the same fires what one from the beginning fires. */
import { demo } from '../testing/demo.js';
import type { Firing } from './firings.js';
import { CoSimulation } from './co-simulation.js';
import { Play, type Path } from './play.js';
import { Rig } from './rig.js';

/** What fires without each of the happenings of a scene, from the beginning and gone on with, and how often it was gone on. */
function withoutEach(name: string, index: number, path: Path) {
  const design = demo(name);
  const scene = design.scenes[index];
  const goesOn =
    path === 'time'
      ? jest.spyOn(CoSimulation.prototype, 'resumeAt')
      : jest.spyOn(Rig.prototype, 'backTo');
  const whole = new Play(design, scene, path).run();
  const runs = scene.happenings.map(({ id }): { anew: Firing[]; replayed: Firing[] } => {
    const other = { ...scene, happenings: scene.happenings.filter((h) => h.id !== id) };
    const anew = new Play(design, other, path, { lean: true }).run().firings();
    return { anew, replayed: whole.replay(other) };
  });
  const often = goesOn.mock.calls.length;
  goesOn.mockRestore();
  // All but what happens first begin later than at the beginning.
  expect(often).toBeGreaterThanOrEqual(scene.happenings.length - 1);
  return runs;
}

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
])('in time: %s', (name, index) => {
  for (const { anew, replayed } of withoutEach(name, index, 'time')) {
    expect(replayed.map((f) => f.sign)).toEqual(anew.map((f) => f.sign));
    replayed.forEach((f, i) => expect(Math.abs(f.t - anew[i].t)).toBeLessThan(0.05));
  }
});

it.each([
  ['skylight-rain', 1],
  ['mooring-boom', 0],
  ['loft-stairs', 0],
])('settled, to the same moment: %s', (name, index) => {
  for (const { anew, replayed } of withoutEach(name, index, 'fast')) expect(replayed).toEqual(anew);
});
