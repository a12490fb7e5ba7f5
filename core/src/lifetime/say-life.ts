import { day } from './pace.js';

export const year = 365.25 * day;

/** A lifetime as people say it, in whole numbers: "12 years", "43 days". What does not last a day is not told closer: days are averaged. */
export function sayLife(seconds: number): string {
  if (seconds === Infinity) return 'for good';
  if (seconds >= 2 * year) return `${Math.round(seconds / year)} years`;
  if (seconds >= 2 * day) return `${Math.round(seconds / day)} days`;
  return seconds >= day ? 'a day' : 'less than a day';
}
