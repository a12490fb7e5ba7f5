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
  const [index, whole] = split(size);
  const next = parts[index + 1];
  if (!next) return `${sign(seconds)}${Math.round(size)}\u00a0s`;
  const rest = Math.round((size - whole * parts[index][1]) / next[1]);
  // 59.6 min of an hour are a whole hour more.
  if (rest * next[1] >= parts[index][1])
    return formatDuration(Math.sign(seconds) * (whole + 1) * parts[index][1]);
  const said = [[whole, parts[index][0]] as const, [rest, next[0]] as const]
    .filter(([count]) => count > 0)
    .map(([count, unit]) => `${count}\u00a0${unit}`);
  return `${sign(seconds)}${said.join(' ')}`;
}

const sign = (value: number): string => (value < 0 ? '−' : '');

/** The largest part that is there, and how many of it. */
function split(size: number): [index: number, whole: number] {
  const index = Math.max(
    0,
    parts.findIndex(([, length]) => size >= length),
  );
  return [index, Math.floor(size / parts[index][1])];
}

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
    const match = part.exec(rest);
    const length = match ? spellings[match[2].toLowerCase()] : undefined;
    if (!match || length === undefined || length >= least) return undefined;
    // An "m" by itself may be metres or milliseconds elsewhere: here only after hours.
    if (match[2].toLowerCase() === 'm' && least === Infinity) return undefined;
    sum += Number(match[1]) * length;
    least = length;
    rest = rest.slice(match[0].length);
  }
  return least === Infinity ? undefined : sum;
}
