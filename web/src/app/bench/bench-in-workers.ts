import { Injectable, type OnDestroy } from '@angular/core';
import * as Comlink from 'comlink';
import type { BenchService, Timed } from './bench';
import type { Bench } from './bench-core';

/** The core in web workers. */
@Injectable()
export class BenchInWorkers implements BenchService, OnDestroy {
  private readonly workers = [startWorker(), startWorker(), startWorker()];
  readonly quick = Comlink.wrap<Bench>(this.workers[0]);
  readonly patient = Comlink.wrap<Bench>(this.workers[1]);
  readonly moments = Comlink.wrap<Bench>(this.workers[2]);
  readonly timed = new TimedInWorker();

  ngOnDestroy(): void {
    this.workers.forEach((worker) => worker.terminate());
    this.timed.end();
  }
}

/** A worker that is ended where what it does is wanted no more: it cannot be told. */
class TimedInWorker implements Timed {
  private worker?: Worker;
  private busy = false;

  async follow(...asked: Parameters<Bench['follow']>): Promise<ReturnType<Bench['follow']>> {
    this.cancel();
    const worker = (this.worker ??= startWorker());
    this.busy = true;
    try {
      return await Comlink.wrap<Bench>(worker).follow(...asked);
    } finally {
      if (worker === this.worker) this.busy = false;
    }
  }

  cancel(): void {
    if (this.busy) this.end();
  }

  end(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.busy = false;
  }
}

const startWorker = (): Worker =>
  new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
