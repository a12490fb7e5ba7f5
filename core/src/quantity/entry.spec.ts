import { entry } from './entry.js';

it('is the number of that name', () => {
  expect(entry({ a: 0, b: 2 }, 'a')).toBe(0);
});

it('is refused where there is none, by name', () => {
  expect(() => entry({ a: 1 }, 'b')).toThrow(new RangeError('There is no number named "b".'));
});
