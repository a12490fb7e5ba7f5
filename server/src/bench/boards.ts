import { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import type { FromBoards, ToBoards } from './bench-worker.js';

/** How often the thread is asked whether it is there, and for how long it may be silent, ms. */
const askEvery = 2000;
const longestSilence = 20_000;
/** What all boards together may use, MB. */
const memory = 768;

/** What a board says, and that it is gone. */
export interface BoardEvents {
  lines: (lines: string[]) => void;
  gone: (reason: string) => void;
}

/** The thread in which all stand-in boards run. It is begun with the first board, and ended when it does not answer. */
export class Boards {
  private worker?: Worker;
  private readonly open = new Map<number, BoardEvents>();
  private next = 1;
  private heard = 0;
  private asking?: NodeJS.Timeout;

  constructor(
    private readonly file: string,
    private readonly log: Logger,
  ) {}

  get count(): number {
    return this.open.size;
  }

  /** @returns the number of the new board */
  add(design: string, events: BoardEvents): number {
    const board = this.next++;
    this.open.set(board, events);
    this.tell({ do: 'open', board, design });
    return board;
  }

  rebuild(board: number, design: string): void {
    this.tell({ do: 'rebuild', board, design });
  }

  hear(board: number, line: string): void {
    this.tell({ do: 'line', board, line });
  }

  remove(board: number): void {
    if (this.open.delete(board)) this.tell({ do: 'close', board });
  }

  async close(): Promise<void> {
    clearInterval(this.asking);
    const { worker } = this;
    this.worker = undefined;
    await worker?.terminate();
  }

  private tell(message: ToBoards): void {
    this.worker ??= this.begin();
    this.worker.postMessage(message);
  }

  private begin(): Worker {
    const worker = new Worker(this.file, { resourceLimits: { maxOldGenerationSizeMb: memory } });
    worker.on('message', (message: FromBoards) => this.listen(message));
    worker.on('error', (error) => this.lose(worker, error));
    worker.unref();
    this.heard = performance.now();
    clearInterval(this.asking);
    this.asking = setInterval(() => {
      if (performance.now() - this.heard > longestSilence)
        this.lose(worker, new Error('The boards did not answer: too much to compute.'));
      else worker.postMessage({ do: 'ping' } satisfies ToBoards);
    }, askEvery);
    this.asking.unref();
    return worker;
  }

  private listen(message: FromBoards): void {
    this.heard = performance.now();
    if (message.say === 'lines') this.open.get(message.board)?.lines(message.lines);
    if (message.say !== 'failed') return;
    this.log.error({ reason: message.reason }, 'stand-in board');
    this.open.get(message.board)?.gone('The stand-in board failed; see the log of the server.');
    this.open.delete(message.board);
  }

  private lose(worker: Worker, error: Error): void {
    if (worker !== this.worker) return;
    this.log.error({ err: error }, 'stand-in boards');
    clearInterval(this.asking);
    this.worker = undefined;
    void worker.terminate();
    const all = [...this.open.values()];
    this.open.clear();
    for (const { gone } of all) gone('The stand-in boards had too much to compute; open it again.');
  }
}
