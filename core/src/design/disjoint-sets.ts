/** Names joined pair by pair into sets (union–find, with path halving: Tarjan and van Leeuwen 1984). */
export class DisjointSets {
  private readonly up = new Map<string, string>();

  /** The name that stands for the set of a name. */
  root(name: string): string {
    let at = name;
    for (let next = this.up.get(at); next !== undefined; next = this.up.get(at)) {
      const beyond = this.up.get(next);
      if (beyond !== undefined) this.up.set(at, beyond);
      at = next;
    }
    return at;
  }

  /** Joins the sets of two names; what stood for the second then stands for both. False when they were one already. */
  join(a: string, b: string): boolean {
    const [ra, rb] = [this.root(a), this.root(b)];
    if (ra !== rb) this.up.set(ra, rb);
    return ra !== rb;
  }
}
