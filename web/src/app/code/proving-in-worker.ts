import { DOCUMENT, inject, Injectable } from '@angular/core';
import * as Comlink from 'comlink';
import { Observable } from 'rxjs';
import type { Proven, Proving } from './proving';
import type { Asked, Prover } from './python.worker';

/** Has programs proven in a worker of their own, which is ended when nobody listens any more. */
@Injectable()
export class ProvingInWorker implements Proving {
  private readonly base = inject(DOCUMENT).baseURI;

  prove(asked: Omit<Asked, 'from'>): Observable<Proven> {
    return new Observable((observer) => {
      const worker = new Worker(new URL('./python.worker', import.meta.url), { type: 'module' });
      const prover = Comlink.wrap<Prover>(worker);
      const passed = Comlink.proxy((passes: number, of: number) => observer.next({ passes, of }));
      prover.prove({ ...asked, from: new URL('micropython/', this.base).href }, passed).then(
        (proof) => {
          observer.next(proof);
          observer.complete();
        },
        (error: unknown) => observer.error(error),
      );
      return () => worker.terminate();
    });
  }
}
