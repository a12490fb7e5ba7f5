import { Injectable, type OnDestroy } from '@angular/core';
import * as Comlink from 'comlink';
import type { BenchService } from './bench';
import type { Bench } from './bench-core';

/** The core in two web workers. */
@Injectable()
export class BenchInWorkers implements BenchService, OnDestroy {
  private readonly workers = [startWorker(), startWorker()];
  readonly quick = Comlink.wrap<Bench>(this.workers[0]);
  readonly patient = Comlink.wrap<Bench>(this.workers[1]);

  ngOnDestroy(): void {
    this.workers.forEach((worker) => worker.terminate());
  }
}

const startWorker = (): Worker =>
  new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
