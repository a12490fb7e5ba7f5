import type { Design } from '@yurei/core/design';
import type { Night, Variation } from '@yurei/core/nights';

/** Nights that are to be rehearsed: of one scene, with seeds from `first` on. */
export interface NightsTask {
  design: Design;
  scene: string;
  vary: Variation;
  first: number;
  count: number;
}

/** Rehearses many nights away from the interface's thread. */
export abstract class NightsRunner {
  /**
   * @param onNights told of nights as they are done, in no order
   * @throws Error when it is cancelled
   */
  abstract run(task: NightsTask, onNights: (nights: Night[]) => void): Promise<void>;
  /** Ends what is under way, at once. */
  abstract cancel(): void;
}
