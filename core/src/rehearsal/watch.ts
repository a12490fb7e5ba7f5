import type { Scene } from '../design/index.js';
import { happeningSpan, Spans, type Span } from '../scene/index.js';

/** A channel that reads on an edge is watched this closely while something happens, s. */
const watchEvery = 1e-3;
/** A long happening is watched at this many moments at most. */
const mostWatched = 10_000;

/** When channels that read on an edge are watched. In between, levels change with the surroundings alone. */
export const watched = (scene: Scene): Spans<Span> =>
  new Spans(scene.happenings.map(happeningSpan));

/** The next moment of watching after `t`: the two ends of each span, and every millisecond in it. */
export const nextWatch = (spans: Spans<Span>, t: number): number =>
  Math.min(spans.nextStart(t), ...spans.at(t).map((span) => nextWithin(span, t)));

function nextWithin({ start, end }: Span, t: number): number {
  if (t >= end) return Infinity;
  const step = Math.max(watchEvery, (end - start) / mostWatched);
  // Late in a scene sums are rounded: the turn that is now is not the next one.
  const turn = Math.floor((t - start) / step + 1e-3) + 1;
  return Math.min(end, start + turn * step);
}
