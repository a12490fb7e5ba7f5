import { performance } from 'node:perf_hooks';
import { StandInBoard } from '@yurei/core/bench';
import type { Design } from '@yurei/core/design';
import { readHappening, type StoredDesign } from '@yurei/core/exchange';
import type { Logger } from 'pino';
import type { RawData, WebSocket } from 'ws';
import type { DesignStore } from '../designs/design-store.js';

/** How often the board looks for readings that are due, ms. */
const turn = 20;
/** How often it looks whether the design was saved anew, ms. */
const look = 1000;

/** Usual surroundings, where a design has no scene. */
const nowhere = { ambient: {}, seed: 1 };

/** One connection: a stand-in board in real time, rebuilt when the design it stands in for changes. */
export class BenchSession {
  private readonly began = performance.now();
  private readonly board: StandInBoard;
  private readonly timers: NodeJS.Timeout[];
  private version: number;
  private circuit: string;

  constructor(
    private readonly socket: WebSocket,
    private readonly store: DesignStore,
    { id, design, version }: StoredDesign,
    private readonly log: Logger,
  ) {
    this.version = version;
    this.circuit = circuitOf(design);
    this.board = new StandInBoard(design, design.scenes[0] ?? nowhere, readHappening);
    socket.on('message', (data) => this.say(() => this.board.hear(textOf(data), this.now)));
    socket.on('error', (error) => log.warn({ err: error }, 'bench connection'));
    this.timers = [
      setInterval(() => this.say(() => this.board.goOn(this.now)), turn),
      setInterval(() => void this.follow(id), look),
    ];
    socket.on('close', () => this.timers.forEach(clearInterval));
  }

  private get now(): number {
    return (performance.now() - this.began) / 1000;
  }

  private say(lines: () => string[]): void {
    try {
      for (const line of lines()) this.socket.send(line);
    } catch (error) {
      this.log.error({ err: error }, 'stand-in board');
      this.socket.close(1011, 'The stand-in board failed; see the log of the server.');
    }
  }

  private async follow(id: string): Promise<void> {
    const stored = await this.store.get(id).catch(() => undefined);
    if (!stored) return this.socket.close(1001, 'The design is no longer on the shelf.');
    if (stored.version === this.version) return;
    this.version = stored.version;
    const circuit = circuitOf(stored.design);
    if (circuit === this.circuit) return;
    this.circuit = circuit;
    this.say(() => this.board.rebuild(stored.design));
  }
}

/** What the board is built from: thresholds and readings do not matter to it. */
const circuitOf = ({
  parts,
  wires,
  controller,
  channels,
  outputs,
  plan,
  recordings,
}: Design): string =>
  JSON.stringify([parts, wires, controller, channels.map((c) => c.pin), outputs, plan, recordings]);

const textOf = (data: RawData): string =>
  Array.isArray(data) ? Buffer.concat(data).toString() : Buffer.from(data as Buffer).toString();
