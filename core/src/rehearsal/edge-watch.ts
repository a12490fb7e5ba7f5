import type { Channel } from '../design/index.js';
import { readsAt } from '../logic/index.js';

/** Levels by channel, counts. */
type Levels = ReadonlyMap<string, number>;

/** Watches the pins of channels that read on an edge. */
export class EdgeWatch {
  readonly channels: readonly Channel[];
  /** Levels as they were a moment ago. */
  private readonly levels = new Map<string, number>();
  /** Levels at edges since the last reading, of channels that remember them. */
  private readonly remembered = new Map<string, number>();

  constructor(channels: readonly Channel[]) {
    this.channels = channels.filter((c) => c.edge);
  }

  /** Whether nothing that was seen waits to be read. */
  get isRead(): boolean {
    return this.remembered.size === 0;
  }

  /**
   * Channels whose level has just changed in a way at which they read at once; of those that remember it is kept.
   *
   * @param exact what channels read without noise
   */
  turned(exact: Levels): Set<string> {
    const found = new Set<string>();
    for (const { id, edge, remembers } of this.channels) {
      const value = exact.get(id);
      if (!edge || value === undefined) continue;
      const now = Math.round(value);
      const reads = readsAt(edge, this.levels.get(id) ?? now, now);
      this.levels.set(id, now);
      if (reads && remembers) this.remembered.set(id, now);
      else if (reads) found.add(id);
    }
    return found;
  }

  /** The level that a channel has kept since its last reading, if any: it keeps it no longer. */
  take(channel: string): number | undefined {
    const level = this.remembered.get(channel);
    this.remembered.delete(channel);
    return level;
  }

  /** What was kept is lost. */
  forget(): void {
    this.remembered.clear();
  }

  get mark(): { levels: Levels; remembered: Levels } {
    return { levels: new Map(this.levels), remembered: new Map(this.remembered) };
  }

  resume({ levels, remembered }: { levels: Levels; remembered: Levels }): void {
    for (const [id, level] of levels) this.levels.set(id, level);
    for (const [id, level] of remembered) this.remembered.set(id, level);
  }
}
