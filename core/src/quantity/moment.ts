/** Sums of times differ in their last digits: so near to a moment it is reached, s. */
const slack = 1e-9;

/**
 * Whether a moment has come: to within a nanosecond, as moments are sums of times.
 *
 * @param t s
 * @param moment s
 * @example reached(0.3, 0.1 + 0.2) // true
 */
export const reached = (t: number, moment: number): boolean => t >= moment - slack;
