import { createHash } from 'node:crypto';
import { NotText } from '../keeping/bytes.js';
import type { DesignStore, KeptDesign, Revision } from '../designs/design-store.js';
import { ProblemError } from '../http/problem.js';
import type { Gate } from './gate.js';

/** A design that can be read: its document as JSON of the current version. */
export interface ReadableDesign extends Revision {
  id: string;
  text: string;
}

/** How long the shelf waits for that, ms. */
const waitLimit = 1500;

/** Reads designs as they are kept, brought up to date, and notes on the shelf those that cannot be read. */
export class KeptDesigns {
  /** What was found sound, by id: a document is looked at again only when its bytes have changed. */
  private readonly sound = new Map<string, string>();
  private looking: Promise<void> = Promise.resolve();

  constructor(
    private readonly store: DesignStore,
    private readonly gate: Gate,
  ) {}

  /** What was just checked and saved need not be looked at again. */
  trust(id: string, document: Uint8Array | string): void {
    this.sound.set(id, markOf(document));
  }

  /** @throws ProblemError 422 when the design cannot be read */
  async get(id: string): Promise<ReadableDesign | undefined> {
    const kept = await this.store.get(id);
    if (!kept) return undefined;
    const { version, savedAt, document } = kept;
    const mark = markOf(document);
    if (this.sound.get(id) === mark) return { id, version, savedAt, text: document.toString() };
    const text = await this.read(kept, true);
    // Where it was brought up to date, what is kept is not what was read.
    if (document.equals(Buffer.from(text))) this.sound.set(id, mark);
    return { id, version, savedAt, text };
  }

  /** @throws ProblemError 422 when that revision cannot be read */
  async revision(id: string, version: number): Promise<ReadableDesign | undefined> {
    const kept = await this.store.revision(id, version).catch((error: unknown) => {
      throw error instanceof NotText ? unreadable(error.message) : error;
    });
    return kept && { id, version, savedAt: kept.savedAt, text: await this.read(kept, false) };
  }

  /** Looks all designs through, so that the shelf tells which cannot be read. */
  lookThrough(going: () => boolean): Promise<void> {
    return (this.looking = this.lookAtAll(going));
  }

  /** Waits until all designs were looked through after the start, but no longer than someone who waits for the shelf. */
  async lookedThrough(): Promise<void> {
    await Promise.race([
      this.looking.catch(() => undefined),
      new Promise((go) => setTimeout(go, waitLimit).unref()),
    ]);
  }

  private async lookAtAll(going: () => boolean): Promise<void> {
    for (const id of await this.store.ids()) {
      if (!going()) return;
      await this.get(id).catch((error: unknown) => {
        if (!(error instanceof ProblemError)) throw error;
      });
      await new Promise((go) => setImmediate(go));
    }
  }

  private async read(kept: KeptDesign, noted: boolean): Promise<string> {
    try {
      const { text } = await this.gate.pass('kept', kept.document);
      if (noted) this.store.mark(kept.id, undefined);
      return text;
    } catch (error) {
      if (!(error instanceof ProblemError) || error.status >= 500) throw error;
      if (noted) this.store.mark(kept.id, error.detail);
      throw unreadable(error.detail);
    }
  }
}

const markOf = (document: Uint8Array | string): string =>
  createHash('sha1').update(document).digest('base64');

const unreadable = (reason: string): ProblemError =>
  new ProblemError(
    422,
    'The design cannot be read',
    `${reason.replace(/\.?$/, '.')} It is kept as it is: export it, or go back to an earlier save.`,
    { unreadable: true },
  );
