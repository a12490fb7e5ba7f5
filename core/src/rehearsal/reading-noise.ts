/** Farther than this from its mean no deviate that is drawn lies: √(2·ln 2³²), of 32-bit numbers. */
export const mostNoise = 6.67;

/** How the noise of what sensors feel moves one reading. */
export interface ReadingNoise {
  /** Standard deviation, counts: the noise of each sensor through the slope of the circuit. */
  sigma: number;
  /**
   * Where there is a step instead of a slope, a comparator on the way: from how many standard deviations of what is felt on
   * it switches (below 0: that far down), and what is then read.
   */
  step?: { at: number; to: number };
}

export const quiet: ReadingNoise = { sigma: 0 };

/**
 * A reading as it is taken: the converter's noise and the sensors', rounded, within the converter's range. What a comparator
 * makes of noise is one or the other of its levels, never something in between.
 *
 * @param counts without noise
 * @param own standard deviation of the converter, counts
 * @param z a standard normal deviate
 */
export function taken(
  counts: number,
  { sigma, step }: ReadingNoise,
  own: number,
  z: number,
  full: number,
): number {
  const switched = step !== undefined && (step.at > 0 ? z >= step.at : z <= step.at);
  const noisy = (switched ? step.to : counts) + deviation(own, sigma) * z;
  return Math.min(full, Math.max(0, Math.round(noisy)));
}

/** Of two that are independent; a square root is exact on every machine. */
const deviation = (a: number, b: number): number => Math.sqrt(a * a + b * b);

/** The most that noise can take a reading away, counts. */
export const reach = (counts: number, { sigma, step }: ReadingNoise, own: number): number =>
  mostNoise * deviation(own, sigma) + 1 + (step ? Math.abs(step.to - counts) : 0);

/**
 * Where something that is `false` at 0 turns `true` on the way to `end`, by halving the way.
 *
 * @param there whether it has turned; true at `end`
 * @returns the end of the stretch, a millionth of the way long, in which it turns, on the side where it has
 */
export function turningPoint(end: number, there: (at: number) => boolean): number {
  let [before, after] = [0, end];
  for (let i = 0; i < 20; i++) {
    const middle = (before + after) / 2;
    if (there(middle)) after = middle;
    else before = middle;
  }
  return after;
}
