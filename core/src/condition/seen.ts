/** What conditions look at. */
export interface View {
  readonly channels: Readonly<Record<string, ChannelSeen | undefined>>;
  readonly modes: Readonly<Record<string, { mode: string } | undefined>>;
  readonly counters: Readonly<Record<string, number | undefined>>;
  readonly rules: Readonly<Record<string, { active: boolean } | undefined>>;
  /** When each sequence that plays began, s. */
  readonly playing: Readonly<Record<string, number | undefined>>;
  /** Time of day at 0 s, s after midnight. */
  readonly clock: number;
}

export interface ChannelSeen {
  tripped: boolean;
  /** The filtered reading, counts; undefined before the first. */
  value: number | undefined;
  /** When it was taken, s. */
  at: number;
}

/** What one part of a condition remembers from one look to the next; most remember nothing. */
export interface Memory {
  /** When it may change although nothing else does, s. */
  due?: number;
}

/** One look at a condition. */
export interface Seen<M extends Memory = Memory> {
  view: View;
  /** Whether each of its own parts holds. */
  parts: readonly boolean[];
  /** What the last look left behind; nothing at first. */
  memory: M;
  /** s. */
  t: number;
}

/** Whether a condition holds, and what it remembers. */
export interface Look<M extends Memory = Memory> {
  holds: boolean;
  memory: M;
}
