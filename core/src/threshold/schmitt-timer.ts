import { preferredValues, type ESeries } from '../quantity/index.js';

/** A light-dependent or other resistive sensor with a resistor, read by a 555-type timer with pins 2 and 6 joined. */
export interface TimerSchmitt {
  /** The resistor that goes with the sensor, Ω. */
  ohms: number;
  /** Sensor resistance at which the input passes two thirds of the supply, and one third, Ω. */
  atTwoThirds: number;
  atOneThird: number;
}

/**
 * The resistor that puts a timer's band of a third of the supply around two sensor resistances. The two
 * resistances at which it changes are always as 4 to 1 (published data sheet: ⅓ and ⅔ of the supply).
 *
 * @param on, off the resistances at which it should change; only their geometric mean can be had
 * @param sensor on which side of the divider it sits
 * @example timerSchmitt(2e3, 8e3, 'top').ohms // 3900
 */
export function timerSchmitt(
  on: number,
  off: number,
  sensor: 'top' | 'bottom',
  series: ESeries = 'E12',
): TimerSchmitt {
  if (!(on > 0 && off > 0)) throw new RangeError('Sensor resistances must be above 0 Ω.');
  const ohms = preferredValues(Math.sqrt(on * off), series).nearest;
  const [half, twice] = [ohms / 2, ohms * 2];
  return sensor === 'top'
    ? { ohms, atTwoThirds: half, atOneThird: twice }
    : { ohms, atTwoThirds: twice, atOneThird: half };
}
