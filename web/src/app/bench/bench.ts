import { Injectable, type OnDestroy } from '@angular/core';
import * as Comlink from 'comlink';
import type { Bench } from './bench.worker';

/**
 * The computing core in web workers: one answers at once, the other plays rehearsals, so that a long
 * rehearsal never holds up a value that follows a drag.
 */
@Injectable({ providedIn: 'root' })
export class BenchService implements OnDestroy {
  private readonly workers = [startWorker(), startWorker()];
  readonly quick = Comlink.wrap<Bench>(this.workers[0]);
  readonly patient = Comlink.wrap<Bench>(this.workers[1]);

  ngOnDestroy(): void {
    this.workers.forEach((worker) => worker.terminate());
  }
}

const startWorker = (): Worker =>
  new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
