import * as Comlink from 'comlink';
import type { LogTask } from './log-reading';
import { readLog } from './read-log';

Comlink.expose(async (task: LogTask, onProgress: (share: number) => void) => {
  const log = await readLog(task, onProgress);
  return Comlink.transfer(log, [log.times.buffer, log.counts.buffer]);
});
