import type { Trace } from '@yurei/core/rehearsal';

/** The stretch of time that is drawn, s. */
export interface Window {
  from: number;
  to: number;
}

/** The box it is drawn into, in user units, and what values its lower and upper edge stand for; the trace's own where left out. */
export interface TraceBox {
  width: number;
  height: number;
  range?: readonly [low: number, high: number];
}

const drawn = new WeakMap<Trace, { key: string; path: string }>();

/** The stepped path of a trace, worked out once a trace, stretch and size. */
export function tracePath(trace: Trace, window: Window, box: TraceBox): string {
  const key = [window.from, window.to, box.width, box.height, box.range].join(' ');
  const known = drawn.get(trace);
  if (known?.key === key) return known.path;
  const path = steppedPath(trace, window, box);
  drawn.set(trace, { key, path });
  return path;
}

/** The lowest and the highest value of a trace; both 0 where it has none. */
export function rangeOf({ values }: Trace): [low: number, high: number] {
  if (values.length === 0) return [0, 0];
  return [values.reduce((a, b) => Math.min(a, b)), values.reduce((a, b) => Math.max(a, b))];
}

/** Where a value stands in a box, from its upper edge. */
export function heightOf(value: number, { height, range = [0, 1] }: TraceBox): number {
  const [low, high] = range;
  return height - 2 - ((value - low) / (high - low || 1)) * (height - 4);
}

/**
 * A stepped SVG path of a trace. Where many values fall on one column of pixels, the lowest and the
 * highest of them are drawn, so that no short event is lost.
 */
function steppedPath(trace: Trace, { from, to }: Window, box: TraceBox): string {
  const { times, values } = trace;
  if (times.length === 0 || !(to > from)) return '';
  const scaled = { ...box, range: box.range ?? rangeOf(trace) };
  const y = (v: number): string => heightOf(v, scaled).toFixed(1);
  const columns = Math.ceil(box.width);
  let path = '';
  let i = times.findLastIndex((t) => t <= from) + 1;
  let last = values[Math.max(0, i - 1)] ?? 0;
  for (let column = 0; column < columns; column++) {
    const until = from + ((column + 1) / columns) * (to - from);
    let least = Infinity;
    let most = -Infinity;
    for (; (times[i] ?? Infinity) <= until; i++) {
      last = values[i] ?? last;
      least = Math.min(least, last);
      most = Math.max(most, last);
    }
    if (most === -Infinity) least = most = last;
    path += `${column === 0 ? 'M' : 'L'}${column} ${y(least)}`;
    if (most > least) path += `L${column} ${y(most)}`;
    path += `L${column} ${y(last)}`;
  }
  return path;
}

/** A path that goes straight from each value to the next. */
export function straightPath(trace: Trace, { from, to }: Window, box: TraceBox): string {
  const scaled = { ...box, range: box.range ?? rangeOf(trace) };
  const x = (t: number): string => (((t - from) / (to - from)) * box.width).toFixed(1);
  return trace.times
    .map(
      (t, i) =>
        `${i === 0 ? 'M' : 'L'}${x(t)} ${heightOf(trace.values[i] ?? 0, scaled).toFixed(1)}`,
    )
    .join('');
}
