import { Injectable, type OnDestroy } from '@angular/core';
import { manner } from '@yurei/core/quantity';
import * as Comlink from 'comlink';
import type { BenchService, Placing, Proving, Timed, Trying } from './bench';
import type { Bench } from './bench-core';

/** The core in web workers. */
@Injectable()
export class BenchInWorkers implements BenchService, OnDestroy {
  private readonly workers = [startWorker(), startWorker(), startWorker()] as const;
  readonly quick = wrap(this.workers[0]);
  readonly patient = wrap(this.workers[1]);
  readonly moments = wrap(this.workers[2]);
  readonly timed = new EndedWorker();
  readonly trying = new EndedWorker();
  readonly proving = new EndedWorker();
  readonly placing = new EndedWorker();

  ngOnDestroy(): void {
    this.workers.forEach((worker) => worker.terminate());
    this.timed.end();
    this.trying.end();
    this.proving.end();
    this.placing.end();
  }
}

/**
 * A worker that is ended where what it does is wanted no more: it cannot be told. It is wrapped once: a wrapper that is
 * collected as garbage takes the worker's ear with it.
 */
class EndedWorker implements Timed, Trying, Proving, Placing {
  private started?: { worker: Worker; bench: Comlink.Remote<Bench> };
  private busy = false;

  readonly follow: Timed['follow'] = (...asked) => this.ask((bench) => bench.follow(...asked));
  readonly runDown: Timed['runDown'] = (...asked) => this.ask((bench) => bench.runDown(...asked));
  readonly diagnose: Trying['diagnose'] = (...asked) =>
    this.ask((bench) => bench.diagnose(...asked));
  readonly places: Placing['places'] = (...asked) => this.ask((bench) => bench.places(...asked));
  readonly foresee: Proving['foresee'] = (...asked) => this.ask((bench) => bench.foresee(...asked));
  readonly prove: Proving['prove'] = (...asked) => this.ask((bench) => bench.prove(...asked));

  private async ask<T>(what: (bench: Comlink.Remote<Bench>) => Promise<T>): Promise<T> {
    this.cancel();
    const started = (this.started ??= this.start());
    this.busy = true;
    try {
      return await what(started.bench);
    } finally {
      if (started === this.started) this.busy = false;
    }
  }

  private start(): { worker: Worker; bench: Comlink.Remote<Bench> } {
    const worker = startWorker();
    return { worker, bench: wrap(worker) };
  }

  cancel(): void {
    if (this.busy) this.end();
  }

  end(): void {
    this.started?.worker.terminate();
    this.started = undefined;
    this.busy = false;
  }
}

/** The core in a worker, which is told first how numbers are written here. */
export function wrap(worker: Worker): Comlink.Remote<Bench> {
  const bench = Comlink.wrap<Bench>(worker);
  void bench.writeIn(manner());
  return bench;
}

export const startWorker = (): Worker =>
  new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
