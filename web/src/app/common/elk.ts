import { Injectable } from '@angular/core';
import ELK, { type ElkNode } from 'elkjs/lib/elk-api.js';

/** Lays out boxes and lines with ELK, in one worker for everything that is drawn. */
@Injectable({ providedIn: 'root' })
export class Elk {
  private elk?: InstanceType<typeof ELK>;

  /** Starts the worker, which takes a moment by itself. */
  start(): void {
    this.elk ??= new ELK({ workerFactory: () => new Worker('elk/elk-worker.min.js') });
  }

  layOut(root: ElkNode): Promise<ElkNode> {
    this.start();
    return (this.elk as InstanceType<typeof ELK>).layout(root);
  }
}
