/** A stream of numbers that is the same for the same seed on any machine. */
export interface Random {
  /** Evenly spread over 0 ≤ x < 1. */
  uniform: () => number;
  /** Normally distributed with mean 0 and standard deviation 1. */
  normal: () => number;
}

/**
 * Counter-based generator with the 32-bit finaliser of MurmurHash3 (public domain), and Box and
 * Muller, "A note on the generation of random normal deviates", Ann. Math. Statist. 29 (1958).
 *
 * @param seed any integer
 */
export function seededRandom(seed: number): Random {
  let counter = seed | 0;
  const uniform = (): number => {
    counter = (counter + 0x9e3779b9) | 0;
    let h = counter;
    h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
    h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
    return ((h ^ (h >>> 16)) >>> 0) / 2 ** 32;
  };
  const normal = (): number =>
    Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}
