import { Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import { casesOf, type CaseTrial, type Study } from '@yurei/core/trials';
import { Observable } from 'rxjs';
import { startWorker, wrap } from './bench-in-workers';
import type { TrialsRunner } from './trials-runner';

/** Nights that a worker takes at once. */
const atOnce = 2;
const mostWorkers = 8;

/** A worker for each core; each takes the next few nights when it is done. */
@Injectable()
export class TrialsInWorkers implements TrialsRunner {
  run(design: Design, study: Study): Observable<CaseTrial[]> {
    const cases = casesOf(design, study).length;
    const cores = Math.min(mostWorkers, navigator.hardwareConcurrency || 2);
    const portions = Math.ceil(study.count / atOnce) * cases;
    return new Observable((observer) => {
      const workers = Array.from({ length: Math.min(cores, portions) }, startWorker);
      let next = 0;
      const work = async (worker: Worker): Promise<void> => {
        const bench = wrap(worker);
        while (next < portions) {
          const portion = next++;
          const from = Math.floor(portion / cases) * atOnce;
          const length = Math.min(atOnce, study.count - from);
          const seeds = Array.from({ length }, (_, i) => study.first + from + i);
          observer.next(await bench.nights(design, study, portion % cases, seeds));
        }
      };
      Promise.all(workers.map(work)).then(
        () => observer.complete(),
        (error: unknown) => observer.error(error),
      );
      return () => workers.forEach((worker) => worker.terminate());
    });
  }
}
