import { Injectable, type OnDestroy } from '@angular/core';
import type { Remote } from 'comlink';
import type { BenchService, Placing, Timed, Trying } from './bench';
import type { Bench } from './bench-core';
import { judgingInWorkers } from './judging-in-workers';
import { startWorker, wrap } from './worker';

/** The core in web workers. */
@Injectable()
export class BenchInWorkers implements BenchService, OnDestroy {
  private readonly workers = [startWorker(), startWorker(), startWorker()] as const;
  readonly quick = wrap(this.workers[0]);
  readonly patient = wrap(this.workers[1]);
  readonly moments = wrap(this.workers[2]);
  readonly timed = new EndedWorker();
  readonly trying = new EndedWorker();
  readonly judging = judgingInWorkers;
  readonly placing = new EndedWorker();

  ngOnDestroy(): void {
    this.workers.forEach((worker) => worker.terminate());
    this.timed.end();
    this.trying.end();
    this.placing.end();
  }
}

/**
 * A worker that is ended where what it does is wanted no more: it cannot be told. It is wrapped once: a wrapper that is
 * collected as garbage takes the worker's ear with it.
 */
class EndedWorker implements Timed, Trying, Placing {
  private started?: { worker: Worker; bench: Remote<Bench> };
  private busy = false;

  readonly follow: Timed['follow'] = (...asked) => this.ask((bench) => bench.follow(...asked));
  readonly runDown: Timed['runDown'] = (...asked) => this.ask((bench) => bench.runDown(...asked));
  readonly diagnose: Trying['diagnose'] = (...asked) =>
    this.ask((bench) => bench.diagnose(...asked));
  readonly countOnTwo: Trying['countOnTwo'] = () => this.ask((bench) => bench.countOnTwo());
  readonly places: Placing['places'] = (...asked) => this.ask((bench) => bench.places(...asked));

  private async ask<T>(what: (bench: Remote<Bench>) => Promise<T>): Promise<T> {
    this.cancel();
    const started = (this.started ??= this.start());
    this.busy = true;
    try {
      return await what(started.bench);
    } finally {
      if (started === this.started) this.busy = false;
    }
  }

  private start(): { worker: Worker; bench: Remote<Bench> } {
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
