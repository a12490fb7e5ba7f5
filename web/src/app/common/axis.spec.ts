import { shortCounts } from './axis';

it.each([
  [0, '0'],
  [1023, '1023'],
  [-99_999, '-99999'],
  [100_000, '100 k'],
  [250_000, '250 k'],
  [1_500_000, '1.5 M'],
  [4_200_000_000, '4.2 G'],
])('counts of %d at an axis: %s', (value, words) => expect(shortCounts(value)).toBe(words));
