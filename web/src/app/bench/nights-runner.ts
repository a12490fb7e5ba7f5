import type { Design } from '@yurei/core/design';
import type { CaseNight, Study } from '@yurei/core/nights';

/** Rehearses many nights away from the interface's thread. */
export abstract class NightsRunner {
  /**
   * @param onNights told of nights as they are done, in no order
   * @throws Error when it is cancelled
   */
  abstract run(
    design: Design,
    study: Study,
    onNights: (nights: CaseNight[]) => void,
  ): Promise<void>;
  /** Ends what is under way, at once. */
  abstract cancel(): void;
}
