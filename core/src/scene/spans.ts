/** A stretch of time, s. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

/** Stretches of time in the order in which they begin; however many there are, a moment is found by halving. */
export class Spans<S extends Span> {
  readonly sorted: readonly S[];
  /** The latest end of a stretch and of all before it. */
  private readonly latest: Float64Array;

  constructor(spans: readonly S[]) {
    this.sorted = [...spans].sort((a, b) => a.start - b.start);
    this.latest = new Float64Array(spans.length);
    this.sorted.forEach(({ end }, i) => {
      this.latest[i] = Math.max(end, i > 0 ? this.latest[i - 1] : -Infinity);
    });
  }

  /** Those that have begun by `t` and have not ended before it, in the order in which they began. */
  at(t: number): S[] {
    const found: S[] = [];
    for (let i = this.begun(t) - 1; i >= 0 && this.latest[i] >= t; i--)
      if (this.sorted[i].end >= t) found.push(this.sorted[i]);
    return found.reverse();
  }

  /** Whether there are any such. */
  isAny(t: number): boolean {
    const begun = this.begun(t);
    return begun > 0 && this.latest[begun - 1] >= t;
  }

  /** When the next begins after `t`; Infinity after the last. */
  nextStart(t: number): number {
    const begun = this.begun(t);
    return begun < this.sorted.length ? this.sorted[begun].start : Infinity;
  }

  /** How many have begun by `t`. */
  private begun(t: number): number {
    let [low, high] = [0, this.sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.sorted[middle].start <= t) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
