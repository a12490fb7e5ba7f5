import { RunningWave } from './running-wave.js';
import { waveAt, waveCorner, type Waveform } from './waveform.js';

/** High in the second half of each period. */
const pulses = (hertz: number): Waveform => ({
  ...{ shape: 'pulse', low: 0, high: hertz > 0 ? 1 : 0, rise: 0, fall: 0 },
  ...(hertz > 0
    ? { delay: 0.5 / hertz, width: 0.5 / hertz, period: 1 / hertz }
    : { delay: 0, width: 0, period: 0 }),
});

it('runs as its waveform does while that stays, however often it is set', () => {
  const wave = new RunningWave(pulses(50));
  for (let t = 0; t < 3; t += 0.0037) {
    wave.set(pulses(50), t);
    expect(wave.at(t)).toBe(waveAt(pulses(50), t));
    expect(wave.cornerAfter(t)).toBe(waveCorner(pulses(50), t));
  }
});

it.each([0, 800])('counts as many turns as its frequency comes to, from %d s on', (start) => {
  // From 0 to 20 Hz within 4 s: the integral is 2.5 t².
  const wave = new RunningWave(pulses(0));
  for (let i = 1; i <= 4000; i++) {
    const t = i / 1000;
    wave.set(pulses(5 * t), start + t);
    const turns = 2.5 * t ** 2;
    const clear = Math.abs(turns * 2 - Math.round(turns * 2)) > 1e-6;
    if (clear) expect(wave.at(start + t)).toBe(turns % 1 < 0.5 ? 0 : 1);
  }
});

it('stands where it stood when a step is tried again', () => {
  const [once, again] = [new RunningWave(pulses(3)), new RunningWave(pulses(3))];
  const at = (wave: RunningWave, t: number): number | undefined => {
    wave.set(pulses(3 + 2 * t), t);
    return wave.at(t);
  };
  for (let i = 1; i < 200; i++) {
    const t = i * 0.017;
    for (const tried of [t + 0.2, t + 0.05, t]) at(again, tried);
    expect(again.at(t)).toBe(at(once, t));
    expect(again.cornerAfter(t)).toBeCloseTo(once.cornerAfter(t), 9);
  }
});

it('goes on where it stood after a stop', () => {
  const wave = new RunningWave(pulses(1));
  expect(wave.at(10.25)).toBe(0);
  wave.set(pulses(0), 10.25);
  expect(wave.at(700)).toBe(0);
  wave.set(pulses(0), 700);
  wave.set(pulses(1), 700);
  expect([700.2, 700.3].map((t) => wave.at(t))).toEqual([0, 1]);
});

it('never tells a corner that lies here', () => {
  const wave = new RunningWave(pulses(0));
  wave.set(pulses(7.5), 800);
  let t = 800;
  for (let i = 0; i < 100; i++) {
    const next = wave.cornerAfter(t);
    expect(next).toBeGreaterThan(t + 1e-3);
    t = next;
  }
});
