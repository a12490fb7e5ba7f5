import { open, type FileHandle } from 'node:fs/promises';

/**
 * Waits until the log of a database is on the disk. SQLite writes each commit into it and leaves the waiting to us:
 * beside the main thread, and one wait for all commits that came meanwhile. Each is a transaction of its own all the same.
 */
export class LogOnDisk {
  private handle?: Promise<FileHandle>;
  private running?: Promise<void>;
  private next?: Promise<void>;

  constructor(private readonly file: string) {}

  /**
   * @returns once everything that was written before the call is on the disk
   * @throws Error of the file system: what was written since the last time may be lost with the power
   */
  sync(): Promise<void> {
    if (!this.running) return this.begin();
    // The one under way may have begun too early for what was written just now.
    this.next ??= this.running.catch(() => undefined).then(() => this.begin());
    return this.next;
  }

  async close(): Promise<void> {
    const handle = await this.handle?.catch(() => undefined);
    this.handle = undefined;
    await handle?.close();
  }

  private begin(): Promise<void> {
    this.next = undefined;
    const run = this.wait().finally(() => {
      if (this.running === run) this.running = undefined;
    });
    return (this.running = run);
  }

  private async wait(): Promise<void> {
    this.handle ??= open(this.file, 'r');
    try {
      await (await this.handle).datasync();
    } catch (error) {
      await this.close();
      throw error;
    }
  }
}
