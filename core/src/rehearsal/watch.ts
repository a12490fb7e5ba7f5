import type { Scene } from '../design/index.js';
import { happeningSpan, Spans, type Span } from '../scene/index.js';

/** A channel that reads on an edge is watched this closely while something happens, s. */
const watchEvery = 1e-3;
/** A long happening is watched at this many moments at most. */
const mostWatched = 10_000;

/** When things happen in a scene. In between, levels change with the surroundings alone. */
export const watched = (scene: Scene): Spans<Span> =>
  new Spans(scene.happenings.map(happeningSpan));

/** When channels that read on an edge are watched, in a circuit that does not tell by itself. */
export class Watch {
  private readonly spans: Spans<Span>;
  private stillUntil = -Infinity;

  /** @param scene undefined where nothing has to be watched */
  constructor(scene: Scene | undefined) {
    this.spans = scene ? watched(scene) : new Spans([]);
  }

  /** Whether there is anything to watch at all. */
  get isOn(): boolean {
    return this.spans.sorted.length > 0;
  }

  /** Nothing that is felt changes until then, s. */
  rest(until: number): void {
    this.stillUntil = until;
  }

  /** The next moment of watching after `t`. */
  next(t: number): number {
    const next = nextWatch(this.spans, t);
    return next === Infinity ? next : Math.max(next, this.stillUntil);
  }
}

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
