import { daysInBin } from '@yurei/core/exchange';
import type { Logger } from 'pino';
import type { DesignStore } from './design-store.js';

const day = 86_400_000;

/** The moment before which what lies in the bin is due, ISO 8601 in UTC. */
export const dueBefore = (now: Date): string =>
  new Date(now.getTime() - daysInBin * day).toISOString();

/**
 * Empties the bin of what has lain in it for its days: now, and once a day.
 *
 * @returns a function that ends it, and waits for what is under way
 */
export function keepBin(store: Pick<DesignStore, 'emptyBin'>, log: Logger): () => Promise<void> {
  let under: Promise<void> = Promise.resolve();
  const empty = (): void => {
    under = store
      .emptyBin(dueBefore(new Date()))
      .then((removed) => {
        if (removed > 0) log.info({ removed }, 'removed from the bin after its days');
      })
      // What fails is due the next day as well.
      .catch((error: unknown) => log.error({ err: error }, 'the bin could not be emptied'));
  };
  empty();
  const timer = setInterval(empty, day).unref();
  return async () => {
    clearInterval(timer);
    await under;
  };
}
