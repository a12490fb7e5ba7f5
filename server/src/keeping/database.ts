import { performance } from 'node:perf_hooks';
import type { DataSource, EntityManager } from 'typeorm';
import { connect, rawOf } from './connection.js';
import { LogOnDisk } from './log-on-disk.js';
import { asTrouble, StoreTrouble } from './trouble.js';
import { firstRow } from './first-row.js';

/** How long a write waits for another program to finish its own, ms, and how often it looks. */
const waitLimit = 2000;
const pause = 15;
/** How long room is given back to the disk after something was removed, ms; what is left is given back the next time. */
const shrinking = 30;
/** Writes that may wait in line. */
const longestLine = 1000;

/** What the database counts: changes made to it, and seconds that servers have run on it. No clock that is set moves it. */
export interface Tick {
  writes: number;
  seconds: number;
}

/** Part of a change: `now` is the count of this very change. */
export type Change<T> = (manager: EntityManager, now: Tick) => Promise<T>;

/**
 * The database with one writer. Changes are made one after the other, each in a transaction of its own on a connection
 * that nothing else uses; reading has a connection of its own and waits for nobody. A change is acknowledged only after
 * its commit has returned, it is on the disk, and the reading connection sees it.
 */
export class Database {
  private last: Promise<unknown> = Promise.resolve();
  private waiting = 0;
  private clock = performance.now();
  /** Connections that met a fault: what they remember of the file may be wrong. */
  private readonly doubtful = new WeakSet<DataSource>();
  private readonly log: LogOnDisk;
  /** While another file is put in the place of this one; reading waits for that. */
  private replacing?: Promise<void>;
  /** Something was committed of which it is not known whether it is on the disk. */
  private unsure = false;

  private constructor(
    readonly file: string,
    private writer: DataSource,
    private reader: DataSource,
  ) {
    this.log = new LogOnDisk(`${file}-wal`);
  }

  static async open(file: string): Promise<Database> {
    const writer = await connect(file);
    return new Database(file, writer, await connect(file));
  }

  /**
   * Reads, without waiting for changes under way.
   *
   * @throws StoreTrouble
   */
  async read<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    await this.replacing;
    let { reader } = this;
    try {
      reader = this.reader = await this.sound(reader);
      return await work(reader.manager);
    } catch (error) {
      const trouble = asTrouble(error);
      if (trouble instanceof StoreTrouble) this.doubtful.add(reader);
      throw trouble;
    }
  }

  /**
   * Changes something, wholly or not at all.
   *
   * @param work must not begin transactions of its own; what it throws undoes it
   * @throws StoreTrouble when it could not be kept
   */
  async write<T>(work: Change<T>): Promise<T> {
    const { result, now } = await this.alone(() => this.change(work));
    await this.onDisk();
    if ((await this.read(writesOf)) < now.writes) throw new StoreTrouble('failing');
    return result;
  }

  /** The same where something is removed: the file then gets smaller. */
  async remove<T>(work: Change<T>): Promise<T> {
    const result = await this.write(work);
    await this.alone(async () => this.shrink());
    return result;
  }

  /**
   * Does something while nothing is being written: work on the file itself.
   *
   * @throws StoreTrouble when too much waits already
   */
  async alone<T>(work: () => Promise<T>): Promise<T> {
    if (this.waiting >= longestLine) throw new StoreTrouble('busy');
    this.waiting += 1;
    const turn = this.last.then(work).finally(() => (this.waiting -= 1));
    this.last = turn.catch(() => undefined);
    return turn;
  }

  /** Puts another file in the place of this one; to be called while nothing is being written. */
  async replace(put: () => void): Promise<void> {
    const work = async (): Promise<void> => {
      await this.closeBoth();
      try {
        put();
      } finally {
        this.writer = await connect(this.file);
        this.reader = await connect(this.file);
      }
    };
    const done = work();
    this.replacing = done.catch(() => undefined).finally(() => (this.replacing = undefined));
    await done;
  }

  /** Waits for what is being written, empties the log into the file, and closes. */
  async close(): Promise<void> {
    await this.alone(() => this.closeBoth());
  }

  private shrink(): void {
    const raw = rawOf(this.writer);
    const until = performance.now() + shrinking;
    try {
      while (raw.pragma('freelist_count')[0]?.['freelist_count'] && performance.now() < until)
        raw.exec('PRAGMA incremental_vacuum(100)');
    } catch {
      // The file stays larger than need be; nothing is lost.
    }
  }

  private async closeBoth(): Promise<void> {
    await this.log.close();
    await this.reader.destroy();
    emptyLog(this.writer);
    await this.writer.destroy();
  }

  private async change<T>(work: Change<T>): Promise<{ result: T; now: Tick }> {
    if (this.unsure) this.makeSure();
    await this.begin();
    let now: Tick;
    let result: T;
    try {
      now = await this.tick(this.writer.manager);
      result = await work(this.writer.manager, now);
      rawOf(this.writer).exec('COMMIT');
      if (rawOf(this.writer).inTransaction) throw new StoreTrouble('failing');
    } catch (error) {
      const trouble = asTrouble(error);
      await this.backToRest(trouble instanceof StoreTrouble);
      throw trouble;
    }
    return { result, now };
  }

  /** Waits until what was committed is on the disk. */
  private async onDisk(): Promise<void> {
    try {
      await this.log.sync();
    } catch (error) {
      this.unsure = true;
      const full = (error as NodeJS.ErrnoException).code === 'ENOSPC';
      throw new StoreTrouble(full ? 'full' : 'failing', error);
    }
  }

  /**
   * After the disk failed to take the log, commits in it may be lost with the power, and with them any that follow: all
   * of it goes into the file itself, and onto the disk, before anything else is committed.
   */
  private makeSure(): void {
    try {
      const [row] = rawOf(this.writer).pragma('wal_checkpoint(TRUNCATE)');
      if (row?.['busy'] !== 0) throw new StoreTrouble('busy');
      this.unsure = false;
    } catch (error) {
      this.doubtful.add(this.writer);
      throw asTrouble(error);
    }
  }

  /** Takes the right to write. Whoever has it is given some time to finish. */
  private async begin(): Promise<void> {
    const until = performance.now() + waitLimit;
    for (;;) {
      try {
        this.writer = await this.sound(this.writer);
        return rawOf(this.writer).exec('BEGIN IMMEDIATE');
      } catch (error) {
        const trouble = asTrouble(error);
        const busy = trouble instanceof StoreTrouble && trouble.kind === 'busy';
        if (!busy || performance.now() > until) throw trouble;
      }
      await new Promise((go) => setTimeout(go, pause));
    }
  }

  /**
   * No transaction is open afterwards: asked of the connection itself, not remembered. Where it cannot be told, or the
   * connection may not know what is on the disk, the next change is made on a new one.
   *
   * @param doubt a fault was met
   */
  private async backToRest(doubt: boolean): Promise<void> {
    const raw = rawOf(this.writer);
    try {
      if (raw.inTransaction) raw.exec('ROLLBACK');
    } catch {
      // Its state decides, not what it said.
    }
    if (doubt || raw.inTransaction) this.doubtful.add(this.writer);
  }

  /** A connection that has met no fault: a new one in the place of one that has. */
  private async sound(connection: DataSource): Promise<DataSource> {
    if (!this.doubtful.has(connection)) return connection;
    const fresh = await connect(this.file);
    await connection.destroy().catch(() => undefined);
    return fresh;
  }

  /** Counts the change, and the time since the last one. */
  private async tick(manager: EntityManager): Promise<Tick> {
    const now = performance.now();
    const ran = Math.max(0, now - this.clock) / 1000;
    this.clock = now;
    const sql =
      'UPDATE keeper SET writes = writes + 1, seconds = seconds + ? RETURNING writes, seconds';
    return firstRow(await manager.query<Tick[]>(sql, [ran]));
  }
}

async function writesOf(manager: EntityManager): Promise<number> {
  return firstRow(await manager.query<{ writes: number }[]>('SELECT writes FROM keeper')).writes;
}

/** Puts what stands in the log into the file, which then holds everything. */
export function emptyLog(source: DataSource): void {
  try {
    rawOf(source).pragma('wal_checkpoint(TRUNCATE)');
  } catch {
    // Another program reads: the log stays, and nothing is lost.
  }
}
