import type { CountsPer, LogMapping } from '@yurei/core/exchange';

/** A log as it was read, its numbers in one piece each. */
export interface ReadLog {
  /** s from the first. */
  times: Float64Array;
  counts: Float64Array;
  /** Middle one of the times between readings, s. */
  every: number;
}

/** How a log is to be read. */
export interface LogTask {
  data: File | string;
  mapping: LogMapping;
  countsPer: CountsPer;
  /** Seconds between readings of a log without times. */
  every: number;
}

/** Reads long logs away from the interface's thread. */
export abstract class LogReading {
  /**
   * @param onProgress told the share read, 0 … 1
   * @throws Error with the line that cannot be read, or when it is cancelled
   */
  abstract read(task: LogTask, onProgress: (share: number) => void): Promise<ReadLog>;
  /** Ends a reading that is under way. */
  abstract cancel(): void;
}
