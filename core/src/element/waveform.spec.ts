import type { Waveform } from './waveform.js';
import { waveAt, waveCorner } from './waveform.js';

const pulse: Waveform = {
  shape: 'pulse',
  low: 1,
  high: 5,
  delay: 2,
  rise: 1,
  width: 3,
  fall: 2,
  period: 10,
};
const single: Waveform = { ...pulse, period: 0, rise: 0, fall: 0 };
const points: Waveform = { shape: 'points', times: [1, 2, 4], values: [0, 10, -10] };
const sine: Waveform = { shape: 'sine', mean: 1, amplitude: 2, hertz: 50 };

it.each<[string, Waveform, [t: number, value: number][]]>([
  [
    'a pulse that repeats',
    pulse,
    [
      [0, 1],
      [2, 1],
      [2.5, 3],
      [3, 5],
      [6, 5],
      [7, 3],
      [8, 1],
      [11.9, 1],
      [13, 5],
      [23, 5],
    ],
  ],
  [
    'a pulse without slopes',
    single,
    [
      [1.999, 1],
      [2, 5],
      [4.999, 5],
      [5, 1],
      [50, 1],
    ],
  ],
  [
    'points',
    points,
    [
      [0, 0],
      [1, 0],
      [1.5, 5],
      [2, 10],
      [3, 0],
      [4, -10],
      [9, -10],
    ],
  ],
  [
    'a sine',
    sine,
    [
      [0, 1],
      [0.005, 3],
      [0.01, 1],
      [0.015, -1],
    ],
  ],
])('%s has its values', (_, wave, values) => {
  for (const [t, value] of values) expect(waveAt(wave, t)).toBeCloseTo(value, 9);
});

it.each<[string, Waveform, [t: number, next: number][]]>([
  [
    'a pulse that repeats',
    pulse,
    [
      [0, 2],
      [2, 3],
      [3, 6],
      [6, 8],
      [8, 12],
      [12, 13],
      [18, 22],
    ],
  ],
  [
    'a single pulse',
    single,
    [
      [0, 2],
      [2, 5],
      [5, Infinity],
    ],
  ],
  [
    'points',
    points,
    [
      [0, 1],
      [1, 2],
      [2, 4],
      [4, Infinity],
    ],
  ],
])('%s has its corners, one after another', (_, wave, corners) => {
  for (const [t, next] of corners) expect(waveCorner(wave, t)).toBeCloseTo(next, 9);
});

it('a sine is looked at twenty times a turn', () => {
  expect(waveCorner(sine, 0.3)).toBeCloseTo(0.301, 9);
});
