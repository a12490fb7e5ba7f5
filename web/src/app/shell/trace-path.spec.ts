import { tracePath } from './trace-path';

const lowestAndHighest = (path: string): [number, number] => {
  const ys = [...path.matchAll(/[ML][\d.]+ ([\d.]+)/g)].map((m) => Number(m[1]));
  return [Math.min(...ys), Math.max(...ys)];
};

it('keeps a dip of one reading in ten thousand', () => {
  const times = Array.from({ length: 10000 }, (_, i) => i / 100);
  const values = times.map((_, i) => (i === 6543 ? 0 : 800));
  expect(lowestAndHighest(tracePath({ times, values }, 100, 700, 34))).toEqual([2, 32]);
});

it('holds the last value where nothing changes', () => {
  const path = tracePath({ times: [0, 10], values: [0, 1] }, 100, 100, 34);
  expect(path.startsWith('M0 32.0')).toBe(true);
  expect(path.endsWith('L99 2.0')).toBe(true);
});

it('draws nothing for nothing', () => {
  expect(tracePath({ times: [], values: [] }, 10, 100, 34)).toBe('');
});
