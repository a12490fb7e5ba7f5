import { randomUUID } from 'node:crypto';
import type { RemovedDesign } from '@yurei/core/exchange';
import { Not, type EntityManager } from 'typeorm';
import { asBytes, NotText, shownText } from '../keeping/bytes.js';
import type { Change, Database } from '../keeping/database.js';
import type { DesignFacts } from '../keeping/design-facts.js';
import { designRecord } from '../keeping/design-record.js';
import { unpack } from '../keeping/packing.js';
import { revisionRecord, type RevisionRecord } from '../keeping/revision-record.js';
import { studyRecord } from '../keeping/study-record.js';
import { listShelf } from './list-shelf.js';
import { surplus } from './thinning.js';

export interface Revision {
  version: number;
  savedAt: string;
}

/** A design as it is kept: its document is bytes that may or may not be a design. */
export interface KeptDesign extends Revision {
  id: string;
  document: Buffer;
}

/** A checked document on its way to the shelf. */
export interface CheckedDesign {
  /** JSON. */
  text: string;
  /** The same, packed for its revision. */
  packed: Uint8Array;
  facts: DesignFacts;
}

/** A save that was based on an older version than the stored one. */
export class StaleSave extends Error {
  override readonly name = 'StaleSave';
  constructor(readonly current: number) {
    super(`The design has been saved elsewhere since; its version is now ${current}.`);
  }
}

type Cell = ArrayBuffer;

/** After how many saves of a design it is looked whether old ones make room. */
const thinEvery = 50;

/** Keeps designs and their revisions. Documents are checked before they come here. */
export class DesignStore {
  /** Why a design cannot be read, by id; found out when it was last looked at. */
  private readonly unreadable = new Map<string, string>();

  /** @param changing is told when a maker makes or saves a design */
  constructor(
    private readonly database: Database,
    private readonly changing: () => void = () => undefined,
  ) {}

  /** The shelf as JSON, last changed first. */
  list(): Promise<Buffer> {
    return this.database.read((manager) => listShelf(manager, this.unreadable));
  }

  /** Every id, for looking all designs through. */
  async ids(): Promise<string[]> {
    const rows = await this.database.read((manager) =>
      manager.query<{ id: Cell }[]>(
        "SELECT CAST(id AS BLOB) AS id FROM design WHERE removed_at = '' ORDER BY touched",
      ),
    );
    return rows.map((row) => shownText(row.id));
  }

  async get(id: string): Promise<KeptDesign | undefined> {
    const [row] = await this.database.read((manager) =>
      manager.query<{ version: number; savedAt: Cell; document: Cell }[]>(
        `SELECT version, CAST(saved_at AS BLOB) AS savedAt, document FROM design WHERE id = ? AND removed_at = ''`,
        [id],
      ),
    );
    return (
      row && {
        id,
        version: row.version,
        savedAt: shownText(row.savedAt),
        document: Buffer.from(row.document),
      }
    );
  }

  /** Counts saves; undefined when there is no such design. */
  async versionOf(id: string): Promise<number | undefined> {
    const [row] = await this.database.read((manager) =>
      manager.query<{ version: number }[]>(
        "SELECT version FROM design WHERE id = ? AND removed_at = ''",
        [id],
      ),
    );
    return row?.version;
  }

  /** Remembers whether a design could be read when it was looked at; a reason says that it could not. */
  mark(id: string, reason: string | undefined): void {
    if (reason === undefined) this.unreadable.delete(id);
    else this.unreadable.set(id, reason);
  }

  /** Forgets what could not be read: the shelf is another one. */
  forget(): void {
    this.unreadable.clear();
  }

  /** @param example whether it comes with the program */
  async create({ text, packed, facts }: CheckedDesign, example = false): Promise<KeptDesign> {
    this.changing();
    const [now, id, document] = [this.now(), randomUUID(), Buffer.from(text)];
    await this.database.write(async (manager, { writes: touched, seconds }) => {
      const first = {
        id,
        version: 1,
        ...facts,
        answers: '',
        touched,
        document,
        createdAt: now,
        savedAt: now,
        openedAt: '',
        removedAt: '',
        example: Number(example),
      };
      await manager.insert(designRecord, first);
      await keepRevision(manager, {
        design: id,
        version: 1,
        savedAt: now,
        document: packed,
        ranFor: seconds,
      });
    });
    return { id, version: 1, savedAt: now, document };
  }

  /**
   * Saves a design over the version it was based on. The same save sent twice, because its answer was lost, is one save.
   *
   * @returns undefined when there is no such design
   * @throws StaleSave when `version` is not the stored one; nothing is then changed
   */
  async save(id: string, version: number, checked: CheckedDesign): Promise<Revision | undefined> {
    this.changing();
    const { text, packed, facts } = checked;
    const { title, purpose, site, parts, scenes, makeup } = facts;
    const [now, document, next] = [this.now(), Buffer.from(text), version + 1];
    const change: Change<Revision | undefined> = async (manager, { writes, seconds }) => {
      const [saved] = await manager.query<unknown[]>(
        `UPDATE design SET version = ?, title = ?, purpose = ?, site = ?, parts = ?, scenes = ?, makeup = ?, answers = '',
           example = 0, touched = ?, document = ?, saved_at = ?
         WHERE id = ? AND version = ? AND removed_at = '' RETURNING 1`,
        [next, title, purpose, site, parts, scenes, makeup, writes, document, now, id, version],
      );
      if (!saved) return standing(manager, id, next, document);
      const revision = { design: id, version: next, savedAt: now, ranFor: seconds };
      await keepRevision(manager, { ...revision, document: packed });
      return { version: next, savedAt: now };
    };
    const saved = await this.database.write(change);
    if (saved) this.mark(id, undefined);
    if (saved && saved.version % thinEvery === 0) void this.thin(id);
    return saved;
  }

  /**
   * Keeps what was answered of a save.
   *
   * @param answers JSON
   * @returns whether that save is still the last one; else nothing is kept
   */
  async answer(id: string, version: number, answers: string): Promise<boolean> {
    const { affected } = await this.database.write((manager) =>
      manager.update(designRecord, { id, version }, { answers }),
    );
    return (affected ?? 0) > 0;
  }

  /** Notes that a design was opened. */
  async opened(id: string): Promise<void> {
    const openedAt = this.now();
    await this.database.write((manager) => manager.update(designRecord, { id }, { openedAt }));
  }

  /** Puts a design in the bin: it is off the shelf, and can be had back. */
  async putInBin(id: string): Promise<boolean> {
    const removedAt = this.now();
    const { affected } = await this.database.write((manager) =>
      manager.update(designRecord, { id, removedAt: '' }, { removedAt }),
    );
    return (affected ?? 0) > 0;
  }

  /** Takes a design out of the bin again. */
  async putBack(id: string): Promise<boolean> {
    const { affected } = await this.database.write((manager, { writes: touched }) =>
      manager.update(designRecord, { id, removedAt: Not('') }, { removedAt: '', touched }),
    );
    return (affected ?? 0) > 0;
  }

  /** What is in the bin, last removed first. */
  async bin(): Promise<RemovedDesign[]> {
    const rows = await this.database.read((manager) =>
      manager.query<Record<'id' | 'title' | 'removedAt', Cell>[]>(
        `SELECT ${asBytes('id', 'title')}, CAST(removed_at AS BLOB) AS removedAt
         FROM design WHERE removed_at <> '' ORDER BY removed_at DESC`,
      ),
    );
    return rows.map(({ id, title, removedAt }) => ({
      id: shownText(id),
      title: shownText(title),
      removedAt: shownText(removedAt),
    }));
  }

  /** Removes for good what was put in the bin before a moment, ISO 8601 in UTC. */
  async emptyBin(before: string): Promise<number> {
    const due = (await this.bin()).filter((d) => d.removedAt < before);
    for (const { id } of due) await this.remove(id);
    return due.length;
  }

  /** Removes a design for good, with all that is kept of it. */
  async remove(id: string): Promise<boolean> {
    const there = await this.database.remove(async (manager) => {
      await manager.query(
        'DELETE FROM study_nights WHERE study_id IN (SELECT id FROM study WHERE design_id = ?)',
        [id],
      );
      await manager.delete(revisionRecord, { design: id });
      await manager.delete(studyRecord, { design: id });
      const { affected } = await manager.delete(designRecord, { id });
      return (affected ?? 0) > 0;
    });
    this.mark(id, undefined);
    return there;
  }

  async revisions(id: string): Promise<Revision[]> {
    const rows = await this.database.read((manager) =>
      manager.query<{ version: number; savedAt: Cell }[]>(
        `SELECT version, CAST(saved_at AS BLOB) AS savedAt FROM revision WHERE design_id = ? ORDER BY version DESC`,
        [id],
      ),
    );
    return rows.map(({ version, savedAt }) => ({ version, savedAt: shownText(savedAt) }));
  }

  /** @throws NotText when what was kept is not whole */
  async revision(id: string, version: number): Promise<KeptDesign | undefined> {
    const [row] = await this.database.read((manager) =>
      manager.query<{ savedAt: Cell; document: Cell }[]>(
        `SELECT CAST(saved_at AS BLOB) AS savedAt, document FROM revision WHERE design_id = ? AND version = ?
         AND EXISTS (SELECT 1 FROM design WHERE id = design_id AND removed_at = '')`,
        [id, version],
      ),
    );
    if (!row) return undefined;
    const document = await unpack(Buffer.from(row.document)).catch(() => {
      throw new NotText();
    });
    return { id, version, savedAt: shownText(row.savedAt), document };
  }

  /** Lets old saves make room; what fails is done after a later save. */
  private async thin(id: string): Promise<void> {
    const work: Change<void> = async (manager, { seconds }) => {
      const kept = await manager.query<{ version: number; ranFor: number }[]>(
        'SELECT version, ran_for AS ranFor FROM revision WHERE design_id = ? ORDER BY version DESC',
        [id],
      );
      const out = surplus(kept, seconds).map(Number);
      if (out.length > 0)
        await manager.query(
          `DELETE FROM revision WHERE design_id = ? AND version IN (${out.join(', ')})`,
          [id],
        );
    };
    await this.database.remove(work).catch(() => undefined);
  }

  private now(): string {
    return new Date().toISOString();
  }
}

/**
 * Why a save did not find the version it was based on.
 *
 * @returns the save, where this very one has been made already; undefined where there is no such design
 * @throws StaleSave
 */
async function standing(
  manager: EntityManager,
  id: string,
  version: number,
  document: Buffer,
): Promise<Revision | undefined> {
  const [now] = await manager.query<{ version: number; savedAt: Cell; same: number }[]>(
    `SELECT version, CAST(saved_at AS BLOB) AS savedAt, document = ? AS same FROM design
     WHERE id = ? AND removed_at = ''`,
    [document, id],
  );
  if (!now) return undefined;
  if (!now.same || now.version !== version) throw new StaleSave(now.version);
  return { version, savedAt: shownText(now.savedAt) };
}

const keepRevision = (
  manager: EntityManager,
  {
    design,
    version,
    savedAt,
    document,
    ranFor,
  }: Omit<RevisionRecord, 'document'> & { document: Uint8Array },
): Promise<unknown> =>
  manager.query(
    'INSERT INTO revision (design_id, version, saved_at, document, ran_for) VALUES (?, ?, ?, ?, ?)',
    [design, version, savedAt, document, ranFor],
  );
