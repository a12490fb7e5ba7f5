import { shortCounts } from './axis';

it.each([
  [0, '0'],
  [1023, '1023'],
  [-9999, '-9999'],
  [60_000, '60k'],
  [250_000, '250k'],
  [1_500_000, '1.5M'],
  [4_200_000_000, '4.2G'],
])('counts of %d at an axis: %s', (value, words) => expect(shortCounts(value)).toBe(words));
