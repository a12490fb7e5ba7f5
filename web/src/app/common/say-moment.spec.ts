import { sayMoment } from './say-moment';

it.each([
  [0, '0.000 s'],
  [16.61, '16.610 s'],
  [999.9994, '999.999 s'],
  [1000, '0:16:40.000'],
  [4100.0082, '1:08:20.008'],
  [3599.9999, '1:00:00.000'],
  [90_061.5, '25:01:01.500'],
])('%d s into a scene is told as %s', (t, said) => {
  expect(sayMoment(t).replace(/\u00a0/g, ' ')).toBe(said);
});
