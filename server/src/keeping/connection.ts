import { DataSource } from 'typeorm';
import { designRecord } from './design-record.js';
import { revisionRecord } from './revision-record.js';
import { studyTrialsRecord, studyRecord } from './study-record.js';
import { migrations } from './migrations/index.js';
import { DriverByPath } from './raw-database.js';

/** What is used of the driver beside the mapper. */
export interface RawConnection {
  readonly inTransaction: boolean;
  exec: (sql: string) => void;
  pragma: (source: string) => Record<string, unknown>[];
  close: () => void;
}

/**
 * A connection of its own to the database. It waits for nobody: who is busy is told so, and whoever asked tries again
 * without holding up the rest of the program.
 *
 * @param making the file may have to be made; it can give room back then
 */
export async function connect(file: string, { making = false } = {}): Promise<DataSource> {
  const source = new DataSource({
    type: 'better-sqlite3',
    driver: DriverByPath,
    database: file,
    timeout: 0,
    entities: [designRecord, revisionRecord, studyRecord, studyTrialsRecord],
    migrations,
    logging: false,
    prepareDatabase: (raw: RawConnection) => {
      raw.pragma('busy_timeout = 0');
      if (making) raw.pragma('auto_vacuum = INCREMENTAL');
      raw.pragma('journal_mode = WAL');
      // Commits do not wait for the disk here; whoever acknowledges them does: LogOnDisk.
      raw.pragma('synchronous = NORMAL');
    },
  });
  return source.initialize();
}

/** The driver's connection, for what the mapper does not know of. */
export const rawOf = (source: DataSource): RawConnection =>
  (source.driver as unknown as { databaseConnection: RawConnection }).databaseConnection;
