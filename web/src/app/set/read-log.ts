import { LogReader } from '@yurei/core/exchange';
import Papa from 'papaparse';
import type { LogTask, ReadLog } from './log-reading';

/** Characters or bytes that are read at once. */
const chunkSize = 1 << 20;

/**
 * Reads a log piece by piece.
 *
 * @throws LogError with the line that cannot be read
 */
export function readLog(task: LogTask, onProgress: (share: number) => void): Promise<ReadLog> {
  const { data, mapping, countsPer, every } = task;
  const reader = new LogReader(mapping, countsPer, every);
  const size = typeof data === 'string' ? data.length : data.size;
  return new Promise((done, fail) => {
    const take = ({ data: rows, meta }: Papa.ParseResult<string[]>, parser: Papa.Parser): void => {
      try {
        reader.take(rows);
        onProgress(meta.cursor / size);
      } catch (error) {
        // First the reason: ending the parser calls it complete.
        fail(error);
        parser.abort();
      }
    };
    const give = (): void => {
      try {
        const log = reader.done();
        done({
          times: Float64Array.from(log.times),
          counts: Float64Array.from(log.counts),
          every: log.every,
        });
      } catch (error) {
        fail(error);
      }
    };
    const options = { delimiter: mapping.delimiter, chunkSize, chunk: take, complete: give };
    if (typeof data === 'string') Papa.parse<string[]>(data, options);
    else Papa.parse<string[], File>(data, { ...options, error: fail });
  });
}
