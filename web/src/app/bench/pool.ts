import type { Remote } from 'comlink';
import { Observable } from 'rxjs';
import type { Bench } from './bench-core';
import { startWorker, wrap } from './bench-in-workers';

const mostWorkers = 8;

/**
 * Does many pieces of work, a worker for each core; each takes the next piece when it is done.
 *
 * @param pieces how many there are
 * @param ask one of them of a worker
 * @returns what comes of each as it is done, in no order; whoever stops listening ends the work at once
 */
export function inPool<T>(
  pieces: number,
  ask: (bench: Remote<Bench>, piece: number) => Promise<T>,
): Observable<T> {
  const cores = Math.min(mostWorkers, navigator.hardwareConcurrency || 2);
  return new Observable((observer) => {
    const workers = Array.from({ length: Math.min(cores, pieces) }, startWorker);
    let next = 0;
    const work = async (worker: Worker): Promise<void> => {
      const bench = wrap(worker);
      while (next < pieces) observer.next(await ask(bench, next++));
    };
    Promise.all(workers.map(work)).then(
      () => observer.complete(),
      (error: unknown) => observer.error(error),
    );
    return () => workers.forEach((worker) => worker.terminate());
  });
}
