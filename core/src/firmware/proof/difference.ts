import type { Stand } from './course.js';

/** A pin gives the nearest of its 255 steps. */
const half = 0.5 + 1e-6;

/** Where two first stand otherwise, as a sentence; undefined where they never do. */
export function firstDifference(
  rehearsed: readonly Stand[],
  written: readonly Stand[],
): string | undefined {
  let now = 0;
  for (const { at, says, pins } of rehearsed) {
    for (let next = written[now + 1]; next && next.at <= at; next = written[now + 1]) now += 1;
    const other: Stand | undefined = written[now];
    const same =
      other?.says === says &&
      other.pins.length === pins.length &&
      pins.every((p, i) => Math.abs(p - (other.pins[i] ?? NaN)) <= half);
    const told = (stand: Stand | undefined): string => `${stand?.says} ${stand?.pins.join(',')}`;
    if (!same) return `at ${at} ms rehearsed ${says} ${pins.join(',')}, the program ${told(other)}`;
  }
  return undefined;
}

/** A line of how everything stands, as programs in their stand-ins tell it: moment, answers and so on, then pins. */
export function standOf(line: string): Stand {
  const space = line.indexOf(' ');
  const last = line.lastIndexOf('|');
  const pins = line.slice(last + 1);
  return {
    at: Number(line.slice(0, space)),
    says: line.slice(space + 1, last),
    pins: pins === '' ? [] : pins.split(',').map(Number),
  };
}
