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
    let latest = -Infinity;
    this.latest = Float64Array.from(this.sorted, ({ end }) => (latest = Math.max(end, latest)));
  }

  /** Those that have begun by `t` and have not ended before it, in the order in which they began. */
  at(t: number): S[] {
    const found: S[] = [];
    for (let i = this.begun(t) - 1; this.endOf(i) >= t; i--) {
      const span = this.sorted[i];
      if (span && span.end >= t) found.push(span);
    }
    return found.reverse();
  }

  /** Whether there are any such. */
  isAny(t: number): boolean {
    return this.endOf(this.begun(t) - 1) >= t;
  }

  /** When the next begins after `t`; Infinity after the last. */
  nextStart(t: number): number {
    return this.sorted[this.begun(t)]?.start ?? Infinity;
  }

  /** The latest end of one and of all before it; before the first there is none. */
  private endOf(index: number): number {
    return this.latest[index] ?? -Infinity;
  }

  /** How many have begun by `t`. */
  private begun(t: number): number {
    let [low, high] = [0, this.sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.sorted[middle]?.start ?? Infinity) <= t) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
