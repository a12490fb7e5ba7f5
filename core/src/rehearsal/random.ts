/** A stream of numbers that is the same for the same seed on any machine. */
export interface Random {
  /** Evenly spread over 0 ≤ x < 1. */
  uniform: () => number;
  /** Normally distributed with mean 0 and standard deviation 1. */
  normal: () => number;
}

/** Steps of the counter: 2^32 divided by the golden ratio, odd. */
const golden = 0x9e3779b9;

/** The 32-bit finaliser of MurmurHash3 (public domain): every bit of the result depends on every one given. */
function mix(value: number): number {
  let h = value;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/**
 * Normal from two that are evenly spread: Box and Muller, "A note on the generation of random normal deviates",
 * Ann. Math. Statist. 29 (1958).
 */
const normalOf = (a: number, b: number): number =>
  Math.sqrt(-2 * Math.log(1 - a)) * Math.cos(2 * Math.PI * b);

/**
 * Counter-based generator.
 *
 * @param seed any integer
 */
export function seededRandom(seed: number): Random {
  let counter = seed | 0;
  const uniform = (): number => mix((counter = (counter + golden) | 0)) / 2 ** 32;
  return { uniform, normal: () => normalOf(uniform(), uniform()) };
}

/**
 * Normal deviates by their number: the n-th of a stream is the same whichever were asked for before.
 *
 * @param stream tells streams of one seed apart
 */
export function noiseOf(seed: number, stream: number): (n: number) => number {
  const start = mix((seed + Math.imul(stream + 1, 0x27d4eb2f)) | 0);
  const at = (n: number): number => mix((start + Math.imul(n + 1, golden)) | 0) / 2 ** 32;
  return (n) => normalOf(at(2 * n), at(2 * n + 1));
}
