/** Largest first, s. */
const parts = [
  ['d', 86_400],
  ['h', 3600],
  ['min', 60],
  ['s', 1],
] as const;

/**
 * A time as people say it, in its two largest parts: 5400 s → "1 h 30 min". For times of two minutes and more.
 *
 * @param seconds s
 */
export function formatDuration(seconds: number): string {
  const size = Math.abs(seconds);
  const index = parts.findIndex(([, length]) => size >= length);
  const [largest, next] = parts.slice(index);
  if (!largest || !next) return `${sign(seconds)}${Math.round(size)}\u00a0s`;
  const [unit, length] = largest;
  const whole = Math.floor(size / length);
  const rest = Math.round((size - whole * length) / next[1]);
  // 59.6 min of an hour are a whole hour more.
  if (rest * next[1] >= length) return formatDuration(Math.sign(seconds) * (whole + 1) * length);
  const said = (
    [
      [whole, unit],
      [rest, next[0]],
    ] as const
  )
    .filter(([count]) => count > 0)
    .map(([count, of]) => `${count}\u00a0${of}`);
  return `${sign(seconds)}${said.join(' ')}`;
}

const sign = (value: number): string => (value < 0 ? '−' : '');

/**
 * A time to the second in all its parts, none lost: 5430 s → "1 h 30 min 30 s". What is read back is the same time.
 *
 * @param seconds a whole number of s, not negative
 */
export function formatExactDuration(seconds: number): string {
  let rest = seconds;
  const said: string[] = [];
  for (const [unit, length] of parts) {
    const count = Math.floor(rest / length);
    if (count > 0) said.push(`${count}\u00a0${unit}`);
    rest -= count * length;
  }
  return said.join(' ') || '0\u00a0s';
}

const spellings: Readonly<Record<string, number>> = {
  ...Object.fromEntries(parts),
  day: 86_400,
  days: 86_400,
  hour: 3600,
  hours: 3600,
  m: 60,
  minute: 60,
  minutes: 60,
};
const part = /^(\d+(?:\.\d+)?)\s*([a-z]+)\s*/i;

/**
 * Reads "1 h 30 min", "2h", "90 min", "1 d 12 h".
 *
 * @returns s; undefined where the text is none of that, or gives a part twice or out of order
 */
export function parseDuration(text: string): number | undefined {
  let rest = text.trim();
  let sum = 0;
  let least = Infinity;
  while (rest) {
    const [said, count, word = ''] = part.exec(rest) ?? [];
    const length = spellings[word.toLowerCase()];
    if (said === undefined || length === undefined || length >= least) return undefined;
    // An "m" by itself may be metres or milliseconds elsewhere: here only after hours.
    if (word.toLowerCase() === 'm' && least === Infinity) return undefined;
    sum += Number(count) * length;
    least = length;
    rest = rest.slice(said.length);
  }
  return least === Infinity ? undefined : sum;
}
