import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Logger } from 'pino';
import { StartError, type Config } from './config.js';
import { openDatabase } from './database/open-database.js';
import { DesignStore } from './designs/design-store.js';
import { makeApp } from './http/app.js';
import { StudyDesk } from './studies/study-desk.js';
import { StudyStore } from './studies/study-store.js';
import { serveBench } from './bench/serve-bench.js';

export interface RunningServer {
  address: string;
  /** The database was made at this start. */
  fresh: boolean;
  /** Finishes running requests, then closes the database. */
  stop: () => Promise<void>;
}

/**
 * Opens the database and listens.
 *
 * @throws StartError in one line when the port is taken or the data cannot be used
 */
export async function startServer(config: Config, log: Logger): Promise<RunningServer> {
  const { source, fresh } = await openDatabase(config.data);
  const store = new DesignStore(source);
  const studies = new StudyStore(source);
  await studies.stopRunning();
  const desk = new StudyDesk(studies, config.studyWorker, log);
  const server = createServer(makeApp(store, desk, config.web, log));
  const bench = serveBench(server, store, log);
  try {
    await listen(server, config);
  } catch (error) {
    await desk.close();
    await source.destroy();
    throw error;
  }
  const { port } = server.address() as AddressInfo;
  const host = config.host.includes(':') ? `[${config.host}]` : config.host;
  return {
    address: `http://${host}:${port}/`,
    fresh,
    stop: async () => {
      const closed = new Promise<void>((resolve) => server.close(() => resolve()));
      bench.close();
      server.closeIdleConnections();
      setTimeout(() => server.closeAllConnections(), 3000).unref();
      await desk.close();
      await closed;
      await source.destroy();
    },
  };
}

function listen(server: Server, { host, port }: Config): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const reasons: Record<string, string> = {
        EADDRINUSE: `Port ${port} on ${host} is in use. Stop the other program, or set PORT to another number.`,
        EACCES: `Port ${port} may not be used by this user. Set PORT to a number above 1023.`,
        EADDRNOTAVAIL: `This machine has no address ${host}. Set HOST to 127.0.0.1.`,
      };
      reject(
        new StartError(
          reasons[error.code ?? ''] ?? `Cannot listen on ${host}:${port}: ${error.message}.`,
        ),
      );
    });
    server.listen(port, host, resolve);
  });
}
