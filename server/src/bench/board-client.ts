import { performance } from 'node:perf_hooks';
import type { RawData, WebSocket } from 'ws';

/** Lines a second that one client may say, and how many at once. */
const linesEach = 50;
const burst = 100;
/** What may wait for a client that does not read, bytes: then readings are left out. */
const mostWaiting = 256_000;
/** A client that reads nothing for so long is let go, ms; so often it is looked, ms. */
const longestDeaf = 20_000;
const lookEvery = 5000;

/** One client of a board: says no more than it reads, and hears no more than a maker types. */
export class BoardClient {
  private tokens = burst;
  private filled = performance.now();
  private lastRead = performance.now();
  private answered = true;
  private readonly looking: NodeJS.Timeout;

  constructor(
    private readonly socket: WebSocket,
    hear: (line: string) => void,
    closed: () => void,
  ) {
    socket.on('error', () => socket.terminate());
    socket.on('pong', () => (this.answered = true));
    socket.on('message', (data) => {
      if (this.mayHear()) hear(textOf(data));
      else socket.close(1008, 'Too many lines at once.');
    });
    this.looking = setInterval(() => this.look(), lookEvery);
    this.looking.unref();
    socket.once('close', () => {
      clearInterval(this.looking);
      closed();
    });
  }

  say(lines: readonly string[]): void {
    const { socket } = this;
    if (socket.readyState !== socket.OPEN) return;
    if (socket.bufferedAmount === 0) this.lastRead = performance.now();
    if (socket.bufferedAmount > mostWaiting) return;
    for (const line of lines) socket.send(line);
  }

  end(code: number, reason: string): void {
    this.socket.close(code, reason);
  }

  private look(): void {
    const deaf = this.socket.bufferedAmount > 0 && performance.now() - this.lastRead > longestDeaf;
    if (deaf || !this.answered) return this.socket.terminate();
    if (this.socket.bufferedAmount === 0) this.lastRead = performance.now();
    // Behind what waits, an answer would come too late to tell anything.
    if (this.socket.bufferedAmount > 0) return;
    this.answered = false;
    this.socket.ping();
  }

  private mayHear(): boolean {
    const now = performance.now();
    this.tokens = Math.min(burst, this.tokens + ((now - this.filled) / 1000) * linesEach);
    this.filled = now;
    this.tokens -= 1;
    return this.tokens >= 0;
  }
}

const textOf = (data: RawData): string =>
  Array.isArray(data) ? Buffer.concat(data).toString() : Buffer.from(data as Buffer).toString();
