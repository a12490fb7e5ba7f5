import { day } from './pace.js';
import { year } from './say-life.js';

/** What is used up sooner than this does not last, s: a battery is charged again, what wears is made anew (common practice). */
const least = { battery: day, contacts: year, electrodes: year };

/** Whether something is used up so soon that it has to be said. */
export const isBrief = (what: keyof typeof least, lasts: number): boolean => lasts < least[what];
