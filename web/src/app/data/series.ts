/** Most readings kept of one column: four hours at 25 a second. The older half goes first. */
const most = 360_000;

/** Readings of one column in the order in which they came. */
export class Series {
  private times = new Float64Array(1024);
  private counts = new Float64Array(1024);
  length = 0;

  push(t: number, counts: number): void {
    if (this.length === most) this.forget(most / 2);
    if (this.length === this.times.length) this.grow();
    this.times[this.length] = t;
    this.counts[this.length] = counts;
    this.length += 1;
  }

  clear(): void {
    this.length = 0;
  }

  get lastTime(): number | undefined {
    return this.length > 0 ? this.times[this.length - 1] : undefined;
  }

  get last(): number | undefined {
    return this.length > 0 ? this.counts[this.length - 1] : undefined;
  }

  /**
   * The stretch between two times in at most `columns` pieces, each by its lowest and its highest reading in
   * their order: no peak is lost however long it is.
   */
  extremes(from: number, to: number, columns: number): { x: number; y: number }[] {
    const [first, end] = [this.indexAt(from), this.indexAt(to)];
    return extremes(this.times, this.counts, first, end, columns);
  }

  /** The first place at or after a time. */
  private indexAt(t: number): number {
    let [low, high] = [0, this.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.times[middle] < t) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private grow(): void {
    const room = (list: Float64Array<ArrayBuffer>): Float64Array<ArrayBuffer> => {
      const larger = new Float64Array(2 * list.length);
      larger.set(list);
      return larger;
    };
    this.times = room(this.times);
    this.counts = room(this.counts);
  }

  private forget(n: number): void {
    this.times.copyWithin(0, n, this.length);
    this.counts.copyWithin(0, n, this.length);
    this.length -= n;
  }
}

/** The lowest and the highest of each of so many pieces, in their order; everything where it is little. */
export function extremes(
  times: ArrayLike<number>,
  values: ArrayLike<number>,
  first: number,
  end: number,
  columns: number,
): { x: number; y: number }[] {
  const n = end - first;
  const points: { x: number; y: number }[] = [];
  if (n <= 2 * columns) {
    for (let i = first; i < end; i++) points.push({ x: times[i], y: values[i] });
    return points;
  }
  // Pieces begin at whole multiples of their length, so that they stay the same as readings are added.
  const piece = Math.ceil(n / columns);
  for (let begin = first - (first % piece); begin < end; begin += piece) {
    let [low, high] = [Math.max(begin, first), Math.max(begin, first)];
    for (let i = low; i < Math.min(end, begin + piece); i++) {
      if (values[i] < values[low]) low = i;
      if (values[i] > values[high]) high = i;
    }
    const [one, two] = low <= high ? [low, high] : [high, low];
    points.push({ x: times[one], y: values[one] });
    if (two !== one) points.push({ x: times[two], y: values[two] });
  }
  return points;
}
