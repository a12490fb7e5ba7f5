import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { longestLine } from '@yurei/core/bench';
import type { Logger } from 'pino';
import { WebSocketServer } from 'ws';
import type { Access } from '../access/access.js';
import type { KeptDesigns, ReadableDesign } from '../checking/kept-designs.js';
import type { DesignStore } from '../designs/design-store.js';
import { demand, shapes } from '../http/edge.js';
import { ProblemError } from '../http/problem.js';
import { BoardClient } from './board-client.js';
import { Boards } from './boards.js';

const address = /^\/api\/designs\/([^/?]{1,64})\/bench(?:\?.*)?$/;
/** More boards at once than this are no bench. */
const mostBoards = 20;
/** How often it is looked whether designs were saved anew, ms. */
const look = 1000;

const reasons: Readonly<Record<number, string>> = {
  400: 'Bad Request',
  401: 'Unauthorized',
  403: 'Forbidden',
  404: 'Not Found',
  421: 'Misdirected Request',
  422: 'Unprocessable Content',
  503: 'Service Unavailable',
};

export interface BenchParts {
  store: DesignStore;
  kept: KeptDesigns;
  access: Access;
  /** The built file of the thread in which boards run. */
  worker: string;
  log: Logger;
}

/** The stand-in board of a design, over a WebSocket: each message is one line of docs/bench-protocol.md. */
export function serveBench(server: Server, parts: BenchParts): { close: () => Promise<void> } {
  const { kept, access, log } = parts;
  const sockets = new WebSocketServer({ noServer: true, maxPayload: longestLine });
  const boards = new Boards(parts.worker, log);
  let opening = 0;
  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    // Before anything else: whoever asks may go away at any moment.
    socket.on('error', () => socket.destroy());
    const refuse = (status: number): void => {
      socket.end(
        `HTTP/1.1 ${status} ${reasons[status]}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`,
      );
    };
    const open = async (): Promise<void> => {
      const id = demand(shapes.id, address.exec(request.url ?? '')?.[1], 'The design id');
      const design = await kept.get(id);
      if (!design) return refuse(404);
      if (socket.destroyed) return;
      sockets.handleUpgrade(request, socket, head, (ws) =>
        runBoard(new Session(parts, boards, design), ws),
      );
    };
    const status = access.refuses(request);
    if (status !== undefined) refuse(status);
    else if (!address.test(request.url ?? '')) refuse(404);
    else if (boards.count + opening >= mostBoards) refuse(503);
    else {
      opening += 1;
      open()
        .catch((error: unknown) => refuse(error instanceof ProblemError ? error.status : 503))
        .finally(() => (opening -= 1));
    }
  });
  return {
    close: async () => {
      sockets.clients.forEach((ws) => ws.terminate());
      await boards.close();
    },
  };
}

function runBoard(session: Session, ws: ConstructorParameters<typeof BoardClient>[0]): void {
  const client = new BoardClient(
    ws,
    (line) => session.hear(line),
    () => session.close(),
  );
  session.begin(client);
}

/** A board with its client: built anew when the design it stands in for is saved. */
class Session {
  private board = 0;
  private version: number;
  private following?: NodeJS.Timeout;
  private readonly id: string;

  constructor(
    private readonly parts: BenchParts,
    private readonly boards: Boards,
    private readonly design: ReadableDesign,
  ) {
    this.id = design.id;
    this.version = design.version;
  }

  begin(client: BoardClient): void {
    this.board = this.boards.add(this.design.text, {
      lines: (lines) => client.say(lines),
      gone: (reason) => client.end(1011, reason),
    });
    this.following = setInterval(() => void this.follow(client), look);
  }

  hear(line: string): void {
    this.boards.hear(this.board, line);
  }

  close(): void {
    clearInterval(this.following);
    this.boards.remove(this.board);
  }

  private async follow(client: BoardClient): Promise<void> {
    try {
      const version = await this.parts.store.versionOf(this.id);
      if (version === undefined) return client.end(1001, 'The design is no longer on the shelf.');
      if (version === this.version) return;
      this.version = version;
      const design = await this.parts.kept.get(this.id);
      if (design) this.boards.rebuild(this.board, design.text);
    } catch {
      // It stays as it is built until the design can be read again.
    }
  }
}
