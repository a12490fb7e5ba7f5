import { rangeOf, straightPath, tracePath } from './trace-path';

const lowestAndHighest = (path: string): [number, number] => {
  const ys = [...path.matchAll(/[ML][\d.]+ ([\d.]+)/g)].map((m) => Number(m[1]));
  return [Math.min(...ys), Math.max(...ys)];
};

it('keeps a dip of one reading in ten thousand', () => {
  const times = Array.from({ length: 10000 }, (_, i) => i / 100);
  const values = times.map((_, i) => (i === 6543 ? 0 : 800));
  expect(
    lowestAndHighest(
      tracePath({ times, values }, { from: 0, to: 100 }, { width: 700, height: 34 }),
    ),
  ).toEqual([2, 32]);
});

it('holds the last value where nothing changes', () => {
  const path = tracePath(
    { times: [0, 10], values: [0, 1] },
    { from: 0, to: 100 },
    { width: 100, height: 34 },
  );
  expect(path.startsWith('M0 32.0')).toBe(true);
  expect(path.endsWith('L99 2.0')).toBe(true);
});

it('draws nothing for nothing', () => {
  expect(
    tracePath({ times: [], values: [] }, { from: 0, to: 10 }, { width: 100, height: 34 }),
  ).toBe('');
});

it('draws a stretch of it, from the value that held when it begins', () => {
  const trace = { times: [0, 10, 20], values: [0, 1, 0] };
  const path = tracePath(trace, { from: 12, to: 30 }, { width: 18, height: 34 });
  expect(path.startsWith('M0 2.0')).toBe(true);
  expect(path.endsWith('L17 32.0')).toBe(true);
});

it('draws to a scale that reaches beyond its values, and straight where that is asked for', () => {
  const trace = { times: [0, 50, 100], values: [0, 80, 380] };
  expect(rangeOf(trace)).toEqual([0, 380]);
  const box = { width: 100, height: 104, range: [0, 1000] as const };
  expect(straightPath(trace, { from: 0, to: 100 }, box)).toBe('M0.0 102.0L50.0 94.0L100.0 64.0');
});
