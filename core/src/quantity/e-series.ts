/** Preferred number series of IEC 60063:2015, by the count of values in a decade. */
export type ESeries = 'E6' | 'E12' | 'E24' | 'E48' | 'E96';

const E24 = [
  1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6,
  6.2, 6.8, 7.5, 8.2, 9.1,
];

/** E48 and E96 follow 10^(i/n) rounded to three digits; E24 and below carry historical exceptions. */
const geometric = (n: number): number[] =>
  Array.from({ length: n }, (_, i) => Math.round(10 ** (i / n) * 100) / 100);

const decade: Record<ESeries, readonly number[]> = {
  E6: E24.filter((_, i) => i % 4 === 0),
  E12: E24.filter((_, i) => i % 2 === 0),
  E24,
  E48: geometric(48),
  E96: geometric(96),
};

/**
 * The values of one decade, from 1.0 up to but without 10.
 *
 * @example eSeries('E6') // [1, 1.5, 2.2, 3.3, 4.7, 6.8]
 */
export function eSeries(series: ESeries): readonly number[] {
  return decade[series];
}

/**
 * The preferred values at or around a wanted value.
 *
 * @param value positive, any decade
 * @returns the nearest by ratio, the largest at or below, the smallest at or above
 * @throws RangeError when the value is not positive and finite
 * @example preferredValues(4600, 'E12').nearest // 4700
 */
export function preferredValues(
  value: number,
  series: ESeries = 'E24',
): { nearest: number; below: number; above: number } {
  if (!(value > 0) || !Number.isFinite(value)) {
    throw new RangeError(`A preferred value needs a positive number, not ${value}.`);
  }
  const exponent = Math.floor(Math.log10(value));
  const candidates = [exponent - 1, exponent, exponent + 1].flatMap((e) =>
    decade[series].map((digits) => Number(`${digits}e${e}`)),
  );
  const slack = 1e-9 * value;
  const below = Math.max(...candidates.filter((c) => c <= value + slack));
  const above = Math.min(...candidates.filter((c) => c >= value - slack));
  const nearest = value / below <= above / value ? below : above;
  return { nearest, below, above };
}
