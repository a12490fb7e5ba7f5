/** Coefficients of Lanczos' approximation with g = 7 (P. Godfrey, 2001). */
const first = 0.99999999999980993;
const lanczos = [
  676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** ln Γ(x) for x ≥ 1/2; relative error below 1e-13. */
function lnGamma(x: number): number {
  const base = x + 6.5;
  const sum = lanczos.reduce((s, c, i) => s + c / (x + i), first);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(base) - base + Math.log(sum);
}

/**
 * Regularised incomplete beta function I_x(a, b) by its continued fraction (DLMF 8.17.22, evaluated after
 * Lentz).
 */
function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0 || x >= 1) return x <= 0 ? 0 : 1;
  // The fraction converges fast on this side only; the other is its mirror image.
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(b, a, 1 - x);
  const tiny = 1e-300;
  let [c, d, fraction] = [1, 0, 1];
  for (let i = 0; i < 10_000; i++) {
    const m = Math.floor(i / 2);
    const term =
      i === 0
        ? 1
        : i % 2 === 0
          ? (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
          : (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (1 + term * d || tiny);
    c = 1 + term / c || tiny;
    fraction *= c * d;
    if (Math.abs(c * d - 1) < 1e-15) break;
  }
  const front = lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log1p(-x);
  return (Math.exp(front) / a) * (fraction - 1);
}

/** The argument in 0 … 1 at which a rising function reaches a value, by bisection. */
function inverse(rising: (p: number) => number, value: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (rising(middle) < value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** A share seen in tries, with the bounds within which the true one lies. */
export interface Share {
  events: number;
  tries: number;
  low: number;
  high: number;
}

/**
 * Exact two-sided bounds of a share (Clopper and Pearson, Biometrika 26, 1934): the true share lies within
 * them with at least the given confidence. No tries give 0 … 1.
 *
 * @throws RangeError unless 0 ≤ events ≤ tries, both whole, and 0 < confidence < 1
 * @returns shares, 0 … 1
 * @example exactBounds(0, 60).high // 0.0596
 */
export function exactBounds(events: number, tries: number, confidence = 0.95): Share {
  if (!Number.isInteger(events) || !Number.isInteger(tries) || events < 0 || events > tries)
    throw new RangeError(`${events} of ${tries} is no share: give whole numbers from 0 to all.`);
  if (!(confidence > 0 && confidence < 1))
    throw new RangeError(`A confidence of ${confidence} is not between 0 and 1.`);
  const side = (1 - confidence) / 2;
  const atLeast = (k: number) => (p: number) => incompleteBeta(k, tries - k + 1, p);
  return {
    events,
    tries,
    low: events === 0 ? 0 : inverse(atLeast(events), side),
    high: events === tries ? 1 : inverse(atLeast(events + 1), 1 - side),
  };
}

/**
 * Score bounds of a share (Wilson, J. Am. Stat. Assoc. 22, 1927): closed, and narrower than the exact ones, with
 * about the given confidence. For bands behind a curve; what is told in numbers are the exact ones.
 *
 * @param z 1.96 for 95 %
 * @returns shares, 0 … 1
 * @example scoreBounds(5, 10).low // 0.2366
 */
export function scoreBounds(events: number, tries: number, z = 1.959964): Share {
  if (tries === 0) return { events, tries, low: 0, high: 1 };
  const p = events / tries;
  const middle = (p + (z * z) / (2 * tries)) / (1 + (z * z) / tries);
  const half =
    (z * Math.sqrt((p * (1 - p)) / tries + (z * z) / (4 * tries * tries))) / (1 + (z * z) / tries);
  return { events, tries, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/**
 * By how much one share is above another, with bounds of about 95 %: each share's score bounds, squared and added
 * (R. G. Newcombe, Stat. Med. 17, 873–890, 1998, method 10).
 *
 * @example shareDifference({ events: 56, tries: 70 }, { events: 48, tries: 80 }).low // 0.0524
 */
export function shareDifference(
  one: Pick<Share, 'events' | 'tries'>,
  other: Pick<Share, 'events' | 'tries'>,
): { by: number; low: number; high: number } {
  if (one.tries === 0 || other.tries === 0) return { by: 0, low: -1, high: 1 };
  const [p, q] = [one.events / one.tries, other.events / other.tries];
  const [a, b] = [scoreBounds(one.events, one.tries), scoreBounds(other.events, other.tries)];
  return {
    by: p - q,
    low: p - q - Math.hypot(p - a.low, b.high - q),
    high: p - q + Math.hypot(a.high - p, q - b.low),
  };
}

/**
 * One-sided upper bound of a share: the true one is at most this with the given confidence.
 *
 * @example upperBound(0, 60) // 0.0487
 */
export function upperBound(events: number, tries: number, confidence = 0.95): number {
  if (tries === 0 || events >= tries) return 1;
  return inverse((p) => incompleteBeta(events + 1, tries - events, p), confidence);
}

/**
 * How many more readings, none of them an error, make the share of errors at most this, one-sided.
 *
 * @example moreReadings(0, 20, 0.05) // 39
 */
export function moreReadings(events: number, tries: number, share: number): number {
  if (upperBound(events, tries) <= share) return 0;
  let [low, high] = [tries, Math.max(64, 2 * tries)];
  while (upperBound(events, high) > share) [low, high] = [high, 2 * high];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (upperBound(events, middle) > share) low = middle;
    else high = middle;
  }
  return high - tries;
}

/**
 * Upper bound of a mean number of events of which so many were counted, one-sided (exact Poisson bound, Garwood,
 * Biometrika 28, 1936).
 *
 * @example upperCount(0) // 2.99573
 */
export function upperCount(events: number, confidence = 0.95): number {
  // From the largest term down: the first ones of many are too small to be told from 0.
  const atMost = (mean: number): number => {
    if (mean === 0) return 1;
    let term = Math.exp(events * Math.log(mean) - mean - lnGamma(events + 1));
    let sum = 0;
    for (let k = events; k >= 0 && term > 1e-18; term *= k-- / mean) sum += term;
    return sum;
  };
  let [low, high] = [events, 10 + 3 * events];
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (atMost(middle) > 1 - confidence) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * Readings without a single error after which the share of errors is at most this, one-sided:
 * 1 − (1 − confidence)^(1/n) ≤ share.
 *
 * @example readingsFor(0.05) // 59
 */
export const readingsFor = (share: number, confidence = 0.95): number =>
  Math.ceil(Math.log1p(-confidence) / Math.log1p(-share));
