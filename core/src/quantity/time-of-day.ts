/**
 * "22:30" for seconds after midnight.
 *
 * @example sayTime(3660) // '01:01'
 */
export const sayTime = (s: number): string => {
  const two = (n: number): string => String(Math.floor(n)).padStart(2, '0');
  return `${two(s / 3600)}:${two((s / 60) % 60)}`;
};
