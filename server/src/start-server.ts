import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { Access } from './access/access.js';
import { allowedHosts, inHeader, isLoopback } from './access/hosts.js';
import { hasPasscode, readPasscode } from './access/passcode.js';
import { serveBench } from './bench/serve-bench.js';
import { Gate } from './checking/gate.js';
import { KeptDesigns } from './checking/kept-designs.js';
import { StartError, type Config } from './config.js';
import { keepBin } from './designs/bin-keeper.js';
import { DesignStore } from './designs/design-store.js';
import { makeApp } from './http/app.js';
import type { Database } from './keeping/database.js';
import { FolderLock, inUse } from './keeping/folder-lock.js';
import { ensureFolder, openDatabase } from './keeping/open-database.js';
import { StudyDesk } from './studies/study-desk.js';
import { StudyStore } from './studies/study-store.js';
import { Upkeep } from './upkeep/upkeep.js';

export interface RunningServer {
  address: string;
  /** The database was made at this start. */
  fresh: boolean;
  /** Finishes running requests, then closes the database. */
  stop: () => Promise<void>;
}

/** A connection that waits is kept longer than any client keeps one, so that none is used as it is being closed, ms. */
const keepAlive = 620_000;
const mostConnections = 2000;

/**
 * Listens, takes the data folder, and opens the database, in this order: where any of it is not to be had, nothing has
 * been changed.
 *
 * @throws StartError in one line
 */
export async function startServer(config: Config, log: Logger): Promise<RunningServer> {
  const passes = passcodeFor(config);
  let answer: RequestListener = notYet;
  const server = createServer((req, res) => answer(req, res));
  server.keepAliveTimeout = keepAlive;
  server.maxConnections = mostConnections;
  await listen(server, config);
  const { port } = server.address() as AddressInfo;
  const address = `http://${inHeader(config.host)}:${port}/`;
  const undo: Undo[] = [];
  try {
    await ensureFolder(config.data);
    const lock = FolderLock.take(config.data);
    undo.push(() => lock.release());
    const { database, fresh } = await openDatabase(config.data);
    undo.push(() => database.close());
    lock.sign(address);
    const access = new Access(allowedHosts(config.host, config.names), passes);
    const serving = await serve(server, database, access, config, log, fresh);
    answer = serving.app;
    undo.push(serving.close, () => drain(server), serving.quieten);
    return { address, fresh, stop: () => back(undo) };
  } catch (error) {
    await back([...undo, () => drain(server)]);
    throw error;
  }
}

type Undo = () => unknown;

/** Undoes what was done, the last thing first. */
async function back(undo: readonly Undo[]): Promise<void> {
  for (const step of [...undo].reverse()) await step();
}

/** Takes no more requests and finishes those under way. */
async function drain(server: Server): Promise<void> {
  const closed = new Promise((done) => server.close(done));
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), 3000).unref();
  await closed;
}

interface Serving {
  app: RequestListener;
  /** Ends what goes on by itself. */
  quieten: () => Promise<void>;
  close: () => Promise<void>;
}

async function serve(
  server: Server,
  database: Database,
  access: Access,
  { built, web }: Config,
  log: Logger,
  fresh: boolean,
): Promise<Serving> {
  const gate = new Gate(join(built, 'checking/gate-worker.js'));
  const studies = new StudyStore(database);
  await studies.stopRunning();
  const desk = new StudyDesk(studies, join(built, 'studies/study-worker.js'), log);
  const store = new DesignStore(database, () => desk.giveWay());
  const kept = new KeptDesigns(store, gate);
  const closeBin = keepBin(store, log);
  const worker = join(built, 'bench/bench-worker.js');
  const bench = serveBench(server, { store, kept, access, worker, log });
  let closing = false;
  const lookThrough = (): Promise<void> =>
    kept
      .lookThrough(() => !closing)
      .catch((error: unknown) => {
        if (!closing) log.error({ err: error }, 'designs could not be looked through');
      });
  // Nothing that is under way belongs to another shelf.
  const replacing = {
    before: () => desk.cancelAll(),
    after: async () => {
      await desk.cancelAll();
      await studies.stopRunning();
      store.forget();
      void lookThrough();
    },
  };
  const upkeep = new Upkeep(database, join(built, 'upkeep/upkeep-worker.js'), replacing, log);
  const looking = lookThrough();
  // A shelf that was made just now is not worth a copy yet.
  const copying = fresh ? undefined : upkeep.daily();
  return {
    app: makeApp({ gate, store, kept, desk, upkeep, access, web, log }),
    quieten: async () => {
      closing = true;
      await Promise.all([bench.close(), desk.close(), closeBin(), looking, copying]);
    },
    close: async () => {
      await Promise.all([upkeep.close(), gate.close()]);
    },
  };
}

/** Beyond this machine nobody gets in without a passcode. */
function passcodeFor({ host, data }: Config): ((passcode: string) => Promise<boolean>) | undefined {
  if (isLoopback(host)) return undefined;
  if (!hasPasscode(data))
    throw new StartError(
      `HOST ${host} opens the server to the network, and no passcode is set. Set one with "npx yurei passcode", then start again; or leave HOST out.`,
    );
  return readPasscode(data);
}

/** Between listening and standing: nothing is known yet. */
const notYet: RequestListener = (_req, res) => {
  res.writeHead(503, { 'Content-Type': 'application/problem+json', 'Retry-After': '1' });
  res.end(
    JSON.stringify({
      type: 'about:blank',
      status: 503,
      title: 'The server is starting',
      detail: 'It looks at its database. Try again in a moment.',
    }),
  );
};

function listen(server: Server, { host, port, data }: Config): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      // The usual slip: the same server started twice.
      if (error.code === 'EADDRINUSE' && FolderLock.isTaken(data)) return reject(inUse(data));
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
