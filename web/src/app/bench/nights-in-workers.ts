import { Injectable } from '@angular/core';
import type { Night } from '@yurei/core/nights';
import * as Comlink from 'comlink';
import type { Bench } from './bench-core';
import type { NightsRunner, NightsTask } from './nights-runner';

/** Nights that a worker takes at once. */
const atOnce = 2;
const mostWorkers = 8;

/** A worker for each core; each takes the next few nights when it is done. Cancelling ends the workers. */
@Injectable()
export class NightsInWorkers implements NightsRunner {
  private workers: Worker[] = [];
  private stop?: (reason: Error) => void;

  async run(task: NightsTask, onNights: (nights: Night[]) => void): Promise<void> {
    this.cancel();
    const { first, count } = task;
    const cores = Math.min(mostWorkers, navigator.hardwareConcurrency || 2);
    this.workers = Array.from({ length: Math.min(cores, Math.ceil(count / atOnce)) }, startWorker);
    const cancelled = new Promise<never>((_, fail) => (this.stop = fail));
    let next = first;
    const work = async (worker: Worker): Promise<void> => {
      const bench = Comlink.wrap<Bench>(worker);
      while (next < first + count) {
        const seeds = Array.from(
          { length: Math.min(atOnce, first + count - next) },
          (_, i) => next + i,
        );
        next += seeds.length;
        onNights(await bench.nights(task.design, task.scene, task.vary, seeds));
      }
    };
    try {
      await Promise.race([cancelled, Promise.all(this.workers.map(work))]);
    } finally {
      this.end();
    }
  }

  cancel(): void {
    this.stop?.(new Error('Cancelled.'));
    this.end();
  }

  private end(): void {
    this.workers.forEach((worker) => worker.terminate());
    this.workers = [];
    this.stop = undefined;
  }
}

const startWorker = (): Worker =>
  new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
