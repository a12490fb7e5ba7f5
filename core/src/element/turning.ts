import type { System } from '../equations/index.js';

/**
 * Follows Newton's guesses for something that saturates on both sides of zero: a guess that swings over
 * to the other side is first held close to zero, where the curve bends, instead of swinging for ever.
 *
 * @param bend where the curve has bent, in the unit of the guess
 * @returns the point to linearise at; marks the system as limited when it is not the guess
 */
export function turning(system: System): (guess: number, bend: number) => number {
  let at = 0;
  return (guess, bend) => {
    const turns = guess * at < 0 && Math.abs(guess) > bend;
    if (turns) system.limited = true;
    at = turns ? (Math.sign(guess) * bend) / 2 : guess;
    return at;
  };
}
