import { manner } from '@yurei/core/quantity';
import type { Remote } from 'comlink';
import { Observable } from 'rxjs';
import type { Bench } from './bench-core';
import { startWorker, wrap } from './worker';

const mostWorkers = 8;
const cores = (): number => Math.min(mostWorkers, navigator.hardwareConcurrency || 2);

/** Half of the cores: the others have the trials and the picture to do. */
export const halfOfAll = (): number => Math.max(1, Math.floor(cores() / 2));

/** A worker tells of what it does about this often, ms: more often, the telling would take longer than the work. */
const often = 150;
/** A worker without work is kept for so long, ms: it has its program read and made fast already. */
const keptFor = 20_000;

/** A worker with its core, wrapped once. */
interface Hand {
  worker: Worker;
  bench: Remote<Bench>;
}
const idle: Hand[] = [];

function hire(): Hand {
  const known = idle.pop();
  if (known) {
    void known.bench.writeIn(manner());
    return known;
  }
  const worker = startWorker();
  return { worker, bench: wrap(worker) };
}

function release(hand: Hand): void {
  idle.push(hand);
  setTimeout(() => {
    const at = idle.indexOf(hand);
    if (at < 0) return;
    idle.splice(at, 1);
    hand.worker.terminate();
  }, keptFor);
}

/**
 * Does many pieces of work, a worker for each core; each takes the next ones when it is done.
 *
 * @param pieces how many there are
 * @param ask some of them of a worker, by their numbers
 * @param options so many may be asked for together, where they are done quickly; and workers, where not all cores are wanted
 * @returns what comes of each asking as it is done, in no order; whoever stops listening ends the work at once
 */
export function inPool<T>(
  pieces: number,
  ask: (bench: Remote<Bench>, pieces: readonly number[]) => Promise<T>,
  { atOnce = 1, hands: most = cores() }: { atOnce?: number; hands?: number } = {},
): Observable<T> {
  return new Observable((observer) => {
    const hands = Array.from({ length: Math.min(most, pieces) }, hire);
    const atWork = new Set(hands);
    let next = 0;
    let ended = false;
    const work = async (hand: Hand): Promise<void> => {
      let many = 1;
      while (next < pieces && !ended) {
        // What is left is shared out evenly.
        const length = Math.min(many, Math.ceil((pieces - next) / hands.length));
        const own = Array.from({ length }, (_, i) => next + i);
        next += length;
        const began = performance.now();
        observer.next(await ask(hand.bench, own));
        const each = (performance.now() - began) / length;
        many = Math.max(1, Math.min(atOnce, 2 * many, Math.round(often / each)));
      }
      // It may have been ended as its last answer came in.
      if (atWork.delete(hand)) release(hand);
    };
    Promise.all(hands.map(work)).then(
      () => observer.complete(),
      (error: unknown) => observer.error(error),
    );
    return () => {
      ended = true;
      for (const { worker } of atWork) worker.terminate();
      atWork.clear();
    };
  });
}

/** Does something with each of a list, in any order; see `inPool`. */
export const eachInPool = <Item, T>(
  items: readonly Item[],
  ask: (bench: Remote<Bench>, item: Item, place: number) => Promise<T>,
  hands = cores(),
): Observable<T> =>
  inPool(items.length, (bench, [place = 0]) => ask(bench, items[place] as Item, place), { hands });
