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
    const place = (t: number): number => firstFrom(this.times, t, this.length);
    return extremes(this.times, this.counts, place(from), place(to), columns);
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

/** The first place of times, one after the other, at or after one; as many as there are where none is. */
export function firstFrom(times: ArrayLike<number>, t: number, length = times.length): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? Infinity) < t) low = middle + 1;
    else high = middle;
  }
  return low;
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
  const point = (i: number) => ({ x: times[i] ?? 0, y: values[i] ?? 0 });
  if (n <= 2 * columns) return Array.from({ length: Math.max(0, n) }, (_, i) => point(first + i));
  const points: { x: number; y: number }[] = [];
  // Pieces begin at whole multiples of their length, so that they stay the same as readings are added.
  const piece = Math.ceil(n / columns);
  for (let begin = first - (first % piece); begin < end; begin += piece) {
    let [low, high] = [Math.max(begin, first), Math.max(begin, first)];
    let [least, most] = [Infinity, -Infinity];
    for (let i = low; i < Math.min(end, begin + piece); i++) {
      const value = values[i] ?? 0;
      if (value < least) [low, least] = [i, value];
      if (value > most) [high, most] = [i, value];
    }
    points.push(point(Math.min(low, high)));
    if (low !== high) points.push(point(Math.max(low, high)));
  }
  return points;
}
