import { Injectable } from '@angular/core';
import * as Comlink from 'comlink';
import type { LogReading, LogTask, ReadLog } from './log-reading';

type Read = (task: LogTask, onProgress: (share: number) => void) => Promise<ReadLog>;

/** Reads a log in a worker of its own, which cancelling ends. */
@Injectable()
export class LogReadingInWorker implements LogReading {
  private worker?: Worker;
  private stop?: (reason: Error) => void;

  async read(task: LogTask, onProgress: (share: number) => void): Promise<ReadLog> {
    this.cancel();
    const worker = new Worker(new URL('./log.worker', import.meta.url), { type: 'module' });
    this.worker = worker;
    const read = Comlink.wrap<Read>(worker);
    try {
      return await new Promise<ReadLog>((done, fail) => {
        this.stop = fail;
        read(task, Comlink.proxy(onProgress)).then(done, fail);
      });
    } finally {
      worker.terminate();
    }
  }

  cancel(): void {
    this.worker?.terminate();
    this.stop?.(new Error('Cancelled.'));
    this.worker = this.stop = undefined;
  }
}
