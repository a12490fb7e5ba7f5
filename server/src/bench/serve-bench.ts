import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { longestLine } from '@yurei/core/bench';
import type { Logger } from 'pino';
import { WebSocketServer } from 'ws';
import type { DesignStore } from '../designs/design-store.js';
import { demand, shapes } from '../http/edge.js';
import { BenchSession } from './bench-session.js';

const address = /^\/api\/designs\/([^/]+)\/bench(?:\?.*)?$/;
/** More boards at once than this are no bench. */
const mostBoards = 20;

/**
 * The stand-in board of a design, over a WebSocket: each message is one line of docs/bench-protocol.md. Pages of
 * other origins are refused, as a browser lets them connect.
 */
export function serveBench(server: Server, store: DesignStore, log: Logger): { close: () => void } {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: longestLine });
  const sessions = new Set<BenchSession>();
  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    const refuse = (status: string): void => {
      socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`);
    };
    const open = async (): Promise<void> => {
      const id = demand(shapes.id, address.exec(request.url ?? '')?.[1], 'The design id');
      const design = await store.get(id);
      if (!design) return refuse('404 Not Found');
      sockets.handleUpgrade(request, socket, head, (ws) => {
        const session = new BenchSession(ws, store, design, log);
        sessions.add(session);
        ws.on('close', () => sessions.delete(session));
      });
    };
    if (!address.test(request.url ?? '')) refuse('404 Not Found');
    else if (!sameOrigin(request)) refuse('403 Forbidden');
    else if (sessions.size >= mostBoards) refuse('503 Service Unavailable');
    else open().catch(() => refuse('400 Bad Request'));
  });
  return { close: () => sockets.clients.forEach((ws) => ws.terminate()) };
}

/** Programs outside a browser send no origin; they may connect. */
function sameOrigin({ headers }: IncomingMessage): boolean {
  if (headers.origin === undefined) return true;
  return URL.canParse(headers.origin) && new URL(headers.origin).host === headers.host;
}
