import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Logger } from 'pino';
import { Piscina } from 'piscina';
import { ProblemError } from '../http/problem.js';
import { Copies, dateOf } from '../keeping/copies.js';
import type { Database } from '../keeping/database.js';
import { asTrouble, StoreTrouble } from '../keeping/trouble.js';
import type { Manifest } from './archive-shape.js';
import type { DesignToTakeIn } from './read-archive.js';
import { checkBackup, putBack } from './restore.js';
import { takeIn } from './take-in.js';
import type { UpkeepTask } from './upkeep-worker.js';

/** How often it is looked whether a copy of the day is there, ms. */
const hour = 3_600_000;

/** Folders for what is on its way in or out. */
const passing = 'passing-';

/** What came of taking in an archive. */
export interface TakenIn {
  designs: number;
  /** Designs that were on the shelf already, just so. */
  there: number;
}

/** What the rest of the server does around another shelf taking the place of this one. */
export interface Replacing {
  before: () => Promise<void>;
  after: () => Promise<void>;
}

/** Copies, archives and putting back, beside a running server: the heavy part in a thread. */
export class Upkeep {
  private readonly pool: Piscina<UpkeepTask, unknown>;
  private readonly copies: Copies;
  private readonly timer: NodeJS.Timeout;

  constructor(
    private readonly database: Database,
    worker: string,
    private readonly replacing: Replacing,
    private readonly log: Logger,
  ) {
    this.pool = new Piscina({ filename: worker, minThreads: 0, maxThreads: 1, idleTimeout: 1000 });
    this.copies = new Copies(this.folder);
    // What a server that was killed had in passing.
    for (const name of readdirSync(this.folder))
      if (name.startsWith(passing))
        rmSync(join(this.folder, name), { recursive: true, force: true });
    this.timer = setInterval(() => void this.daily(), hour);
    this.timer.unref();
  }

  /** Makes the copy of the day, where there is none; a server without room says so in its log. */
  async daily(): Promise<void> {
    const today = dateOf(new Date());
    try {
      if (this.copies.has(today)) return;
      await this.ask({
        do: 'copy',
        from: this.database.file,
        to: this.copies.next('daily', today),
      });
      this.copies.thin('daily');
    } catch (error) {
      this.log.error({ err: error }, 'the copy of the day could not be made');
    }
  }

  /** Makes a file of all there is, hands it over, and removes it. */
  async give(what: 'copy' | 'archive', use: (file: string) => Promise<void>): Promise<void> {
    await this.inFolder(async (folder) => {
      const to = join(folder, what === 'copy' ? 'yurei.sqlite' : 'yurei.zip');
      const from = this.database.file;
      await this.ask(what === 'copy' ? { do: 'copy', from, to } : { do: 'archive', from, to });
      await use(to);
    });
  }

  /** Takes in the archive that is received into a file. */
  async takeIn(receive: (file: string) => Promise<void>): Promise<TakenIn> {
    return this.inFolder(async (folder) => {
      const file = join(folder, 'yurei.zip');
      await receive(file);
      const { designs } = (await this.ask({ do: 'manifest', file })) as Manifest;
      let fresh = 0;
      for (const about of designs)
        if (
          await takeIn(
            this.database,
            (await this.ask({ do: 'design', file, about })) as DesignToTakeIn,
          )
        )
          fresh += 1;
      return { designs: fresh, there: designs.length - fresh };
    });
  }

  /** Puts the backup that is received into a file in the place of everything. */
  async putBack(receive: (file: string) => Promise<void>): Promise<void> {
    await this.inFolder(async (folder) => {
      const file = join(folder, 'yurei.sqlite');
      await receive(file);
      checkBackup(file);
      await this.replacing.before();
      await this.database.alone(() => this.database.replace(() => putBack(this.folder, file)));
      await this.replacing.after();
    });
  }

  async close(): Promise<void> {
    clearInterval(this.timer);
    await this.pool.destroy();
  }

  private get folder(): string {
    return dirname(this.database.file);
  }

  private async ask(task: UpkeepTask): Promise<unknown> {
    const result = await this.pool.run(task).catch((error: unknown) => {
      throw (error as { code?: string }).code === 'ENOSPC'
        ? new StoreTrouble('full', error)
        : asTrouble(error);
    });
    const refused = (result as { refused?: string } | undefined)?.refused;
    if (refused !== undefined) throw new ProblemError(422, 'The archive cannot be used', refused);
    return result;
  }

  private async inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
    const folder = mkdtempSync(join(this.folder, passing));
    try {
      return await work(folder);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }
}
