import { Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import { casesOf, type CaseNight, type Study } from '@yurei/core/nights';
import * as Comlink from 'comlink';
import type { Bench } from './bench-core';
import type { NightsRunner } from './nights-runner';

/** Nights that a worker takes at once. */
const atOnce = 2;
const mostWorkers = 8;

/** A worker for each core; each takes the next few nights when it is done. Cancelling ends the workers. */
@Injectable()
export class NightsInWorkers implements NightsRunner {
  private workers: Worker[] = [];
  private stop?: (reason: Error) => void;

  async run(design: Design, study: Study, onNights: (nights: CaseNight[]) => void): Promise<void> {
    this.cancel();
    const cases = casesOf(design, study).length;
    const cores = Math.min(mostWorkers, navigator.hardwareConcurrency || 2);
    const portions = Math.ceil(study.count / atOnce) * cases;
    this.workers = Array.from({ length: Math.min(cores, portions) }, startWorker);
    const cancelled = new Promise<never>((_, fail) => (this.stop = fail));
    let next = 0;
    const work = async (worker: Worker): Promise<void> => {
      const bench = Comlink.wrap<Bench>(worker);
      while (next < portions) {
        const portion = next++;
        const from = Math.floor(portion / cases) * atOnce;
        const length = Math.min(atOnce, study.count - from);
        const seeds = Array.from({ length }, (_, i) => study.first + from + i);
        onNights(await bench.nights(design, study, portion % cases, seeds));
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
