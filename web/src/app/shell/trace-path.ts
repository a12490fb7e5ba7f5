import type { Trace } from '@yurei/core/rehearsal';

const drawn = new WeakMap<Trace, { size: string; path: string }>();

/** The stepped path of a trace, worked out once a trace and size. */
export function tracePath(trace: Trace, duration: number, width: number, height: number): string {
  const size = `${duration} ${width} ${height}`;
  const known = drawn.get(trace);
  if (known?.size === size) return known.path;
  const path = steppedPath(trace, duration, width, height);
  drawn.set(trace, { size, path });
  return path;
}

/**
 * A stepped SVG path of a trace. Where many values fall on one column of pixels, the lowest and the
 * highest of them are drawn, so that no short event is lost.
 *
 * @param width, height of the box in user units
 */
function steppedPath(trace: Trace, duration: number, width: number, height: number): string {
  const { times, values } = trace;
  if (times.length === 0 || !(duration > 0)) return '';
  const low = values.reduce((a, b) => Math.min(a, b));
  const high = values.reduce((a, b) => Math.max(a, b));
  const span = high - low || 1;
  const y = (v: number): string => (height - 2 - ((v - low) / span) * (height - 4)).toFixed(1);
  const columns = Math.ceil(width);
  let path = '';
  let last = values[0];
  let i = 0;
  for (let column = 0; column < columns; column++) {
    const until = ((column + 1) / columns) * duration;
    let least = Infinity;
    let most = -Infinity;
    while (i < times.length && times[i] <= until) {
      least = Math.min(least, values[i]);
      most = Math.max(most, values[i]);
      last = values[i];
      i += 1;
    }
    if (most === -Infinity) least = most = last;
    path += `${column === 0 ? 'M' : 'L'}${column} ${y(least)}`;
    if (most > least) path += `L${column} ${y(most)}`;
    path += `L${column} ${y(last)}`;
  }
  return path;
}
