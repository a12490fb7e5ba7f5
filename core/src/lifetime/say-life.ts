import { formatDuration } from '../quantity/index.js';
import { day } from './pace.js';

const year = 365.25 * day;

/** A lifetime as people say it, in whole numbers: "12 years", "43 days", "5 h 20 min". */
export function sayLife(seconds: number): string {
  if (seconds === Infinity) return 'for good';
  if (seconds >= 2 * year) return `${Math.round(seconds / year)} years`;
  if (seconds >= 10 * day) return `${Math.round(seconds / day)} days`;
  return formatDuration(Math.round(seconds));
}
