/** How often each relay of each part has pulled in. */
export type Operations = Record<string, Record<string, number>>;

/** Which relays of which part are pulled in. */
export type Pulled = ReadonlyMap<string, Readonly<Record<string, boolean>>>;

/** Counts how often relays pull in; as they are when first looked at does not count. */
export class RelayOperations {
  readonly counted: Operations = {};
  private was = new Map<string, Readonly<Record<string, boolean>>>();

  look(part: string, relays: Readonly<Record<string, boolean>>): void {
    const before = this.was.get(part);
    const counts = (this.counted[part] ??= {});
    for (const [name, pulled] of Object.entries(relays))
      counts[name] = (counts[name] ?? 0) + Number(before !== undefined && pulled && !before[name]);
    this.was.set(part, relays);
  }

  get pulled(): Pulled {
    return new Map(this.was);
  }

  /** What was counted once more without a look at it, and how they stand since. */
  add(more: Operations, pulled: Pulled): void {
    this.was = new Map(pulled);
    for (const [part, counts] of Object.entries(more)) {
      const counted = (this.counted[part] ??= {});
      for (const [name, n] of Object.entries(counts)) counted[name] = (counted[name] ?? 0) + n;
    }
  }
}
