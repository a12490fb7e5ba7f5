/** Counts how often relays pull in; as they are when first looked at does not count. */
export class RelayOperations {
  readonly counted: Record<string, Record<string, number>> = {};
  private readonly was = new Map<string, Readonly<Record<string, boolean>>>();

  look(part: string, relays: Readonly<Record<string, boolean>>): void {
    const before = this.was.get(part);
    const counts = (this.counted[part] ??= {});
    for (const [name, pulled] of Object.entries(relays))
      counts[name] = (counts[name] ?? 0) + Number(before !== undefined && pulled && !before[name]);
    this.was.set(part, relays);
  }
}
