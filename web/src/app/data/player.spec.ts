import { openBench, show } from '../../testing/workbench-bed';
import { ProbeStrip } from '../shell/probe-strip';

type Bench = Awaited<ReturnType<typeof openBench>>;
let bench: Bench;
let frames: FrameRequestCallback[];
let clock = 0;

/** Lets this many seconds pass and draws one frame. */
function pass(seconds: number): void {
  clock += seconds * 1000;
  const due = frames;
  frames = [];
  due.forEach((frame) => frame(clock));
}

beforeEach(async () => {
  frames = [];
  clock = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => clock);
  bench = await openBench();
  const strip = await show(ProbeStrip);
  await strip.until(() => bench.view.rehearsal() !== undefined);
  jest.spyOn(window, 'requestAnimationFrame').mockImplementation((f) => frames.push(f));
  jest.spyOn(window, 'cancelAnimationFrame').mockImplementation(() => (frames = []));
});
afterEach(() => jest.restoreAllMocks());

it('runs at the pace of life, and stops at the end', () => {
  bench.player.toggle();
  pass(1.5);
  expect(bench.view.time()).toBeCloseTo(1.5);
  pass(3);
  expect(bench.view.time()).toBeCloseTo(4.5);
  pass(1000);
  expect(bench.view.time()).toBe(bench.view.scene()?.duration);
  expect(bench.player.playing()).toBe(false);
});

it('goes on from where it was paused, and begins anew from the end', () => {
  bench.view.moveTo(10);
  bench.player.toggle();
  pass(2);
  bench.player.toggle();
  pass(5);
  expect(bench.view.time()).toBeCloseTo(12);
  bench.view.moveTo(1e9);
  bench.player.toggle();
  pass(1);
  expect(bench.view.time()).toBeCloseTo(1);
});

it('goes back to rest', () => {
  bench.player.toggle();
  pass(2);
  bench.player.rest();
  expect([bench.view.time(), bench.player.playing()]).toEqual([undefined, false]);
});

it('stays within the scene when stepped', () => {
  bench.player.step(-1);
  expect(bench.view.time()).toBe(0);
  bench.player.step(1);
  expect(bench.view.time()).toBeCloseTo(0.1);
});
