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
