/** How a part bears being switched on and off over and over, where it does not follow the share of the time at any frequency. */
export interface Chopped {
  /** It follows the share of the time within these, Hz; left out where it does at none. */
  from?: number;
  to?: number;
  /** A steady voltage is nothing to it either. */
  always?: boolean;
  /** What it does otherwise, and what helps. */
  otherwise: string;
  cure: string;
}

/** What a contact is: an armature takes milliseconds (common practice). */
export const movedByContact: Chopped = {
  otherwise: 'its contact cannot follow: it holds, lets go or chatters, and wears out',
  cure: 'Switch it, or dim its load by a logic-level MOSFET in its place.',
};

/** What has an oscillator, a chip or an interrupter of its own, that begins anew with every pulse (common practice). */
export const beginsAnew: Chopped = {
  otherwise: 'its own circuit begins anew with every pulse',
  cure: 'Switch it: on, off or in a pattern.',
};

/** Whether a part follows the share of the time at so many Hz. */
export const followsAt = ({ from = Infinity, to = Infinity }: Chopped, hertz: number): boolean =>
  hertz >= from && hertz <= to;
