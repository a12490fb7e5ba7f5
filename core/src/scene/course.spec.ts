import { during, decay, swell, trapezoid, trapezoidSum } from './course.js';
import { between } from './between.js';

describe('courses', () => {
  it.each([
    [-0.1, 0],
    [0.5, 0.5],
    [1, 1],
    [2.9, 1],
    [4, 0.5],
    [5.1, 0],
  ])('a trapezoid of 1, 2 and 2 s at %d s stands at %d', (t, value) => {
    expect(trapezoid(t, 1, 2, 2)).toBeCloseTo(value, 12);
  });
  it.each([
    [-1, 0],
    [0.5, 0.125],
    [1, 0.5],
    [2, 1.5],
    [3, 2.5],
    [3.5, 2.875],
    [9, 3],
  ])('under one of 1, 2 and 1 s there is until %d s the sum %d', (t, sum) => {
    expect(trapezoidSum(t, 1, 2, 1)).toBeCloseTo(sum, 12);
  });
  it('a bell is highest in the middle and even about it', () => {
    expect(swell(2, 4)).toBe(1);
    expect(swell(1, 4)).toBeCloseTo(swell(3, 4), 12);
    expect(swell(-1, 4) + swell(5, 4)).toBe(0);
  });
  it('what dies away ends after seven time constants', () => {
    expect(decay(0, 2)).toBe(1);
    expect(decay(13.9, 2)).toBeGreaterThan(0);
    expect(decay(14.1, 2)).toBe(0);
    expect([during(-1e-9, 1), during(0, 1), during(1, 1), during(1.01, 1)]).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
  it('straight lines between points, level beyond them', () => {
    const at = (t: number): number => between([0, 1, 1, 3], [0, 2, 5, 5], t);
    expect([-1, 0.5, 1, 2, 9].map(at)).toEqual([0, 1, 5, 5, 5]);
  });
});
