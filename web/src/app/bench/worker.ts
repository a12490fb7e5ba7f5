import { manner } from '@yurei/core/quantity';
import * as Comlink from 'comlink';
import type { Bench } from './bench-core';

/** The core in a worker, which is told first how numbers are written here. */
export function wrap(worker: Worker): Comlink.Remote<Bench> {
  const bench = Comlink.wrap<Bench>(worker);
  void bench.writeIn(manner());
  return bench;
}

export const startWorker = (): Worker =>
  new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
