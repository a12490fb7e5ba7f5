/** The cheapest way from any start to a goal (Dijkstra, Numerische Mathematik 1, 1959); undefined where there is none. */
export function dijkstra<E extends { to: number }>(
  size: number,
  starts: readonly number[],
  goal: number,
  from: (at: number) => readonly E[],
  cost: (step: E) => number,
): number[] | undefined {
  const costs = new Float64Array(size).fill(Infinity);
  const before = new Int32Array(size).fill(-1);
  const heap = new Heap();
  for (const start of starts) {
    costs[start] = 0;
    heap.push(start, 0);
  }
  for (let next = heap.pop(); next; next = heap.pop()) {
    const { item: at, key } = next;
    if (at === goal) break;
    if (key > (costs[at] ?? Infinity)) continue;
    for (const step of from(at)) {
      const through = key + cost(step);
      if (through >= (costs[step.to] ?? Infinity)) continue;
      costs[step.to] = through;
      before[step.to] = at;
      heap.push(step.to, through);
    }
  }
  if (costs[goal] === Infinity) return undefined;
  const way: number[] = [];
  for (let at = goal; at >= 0; at = before[at] ?? -1) way.unshift(at);
  return way;
}

/** A binary heap: the smallest key comes out first. */
class Heap {
  private readonly nodes: { item: number; key: number }[] = [];

  push(item: number, key: number): void {
    const { nodes } = this;
    let i = nodes.length;
    nodes.push({ item, key });
    while (i > 0) {
      const up = (i - 1) >> 1;
      if ((nodes[up]?.key ?? -Infinity) <= key) break;
      this.swap(i, up);
      i = up;
    }
  }

  pop(): { item: number; key: number } | undefined {
    const { nodes } = this;
    const [top] = nodes;
    const last = nodes.pop();
    if (!top || !last || nodes.length === 0) return top;
    nodes[0] = last;
    let i = 0;
    for (;;) {
      const [left, right] = [2 * i + 1, 2 * i + 2];
      let least = i;
      if (this.key(left) < this.key(least)) least = left;
      if (this.key(right) < this.key(least)) least = right;
      if (least === i) return top;
      this.swap(i, least);
      i = least;
    }
  }

  private key(i: number): number {
    return this.nodes[i]?.key ?? Infinity;
  }

  private swap(i: number, j: number): void {
    const [a, b] = [this.nodes[i], this.nodes[j]];
    if (!a || !b) return;
    this.nodes[i] = b;
    this.nodes[j] = a;
  }
}
