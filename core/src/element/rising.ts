import type { System } from '../equations/index.js';

/** How far above where a square law begins a guess may go at once, V. */
const atOnce = 5;

/**
 * Follows Newton's guesses for a current that grows with the square of a voltage: a guess that rises far is first held at twice as
 * much as it was, or at some volts, instead of being halved from far away guess by guess. As Nagel, "SPICE2: a computer program to
 * simulate semiconductor circuits", ERL-M520, UC Berkeley (1975), holds the voltages of field-effect transistors.
 *
 * @param begins where the square law begins, V
 * @returns the point to linearise at, V; marks the system as limited when it is not the guess
 */
export function rising(system: System): (guess: number, begins: number) => number {
  let at = 0;
  return (guess, begins) => {
    const most = begins + 2 * Math.max(0, at - begins) + atOnce;
    if (guess > most) system.limited = true;
    at = Math.min(guess, most);
    return at;
  };
}
