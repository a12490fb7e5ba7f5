import { randomUUID } from 'node:crypto';
import { migrate, type Design } from '@yurei/core/design';
import type { DesignSummary, StoredDesign } from '@yurei/core/exchange';
import type { DataSource, EntityManager } from 'typeorm';
import { designRecord, type DesignRecord } from '../database/design-record.js';
import { revisionRecord } from '../database/revision-record.js';
import { studyRecord } from '../database/study-record.js';

export interface Revision {
  version: number;
  savedAt: string;
}

/** A save that was based on an older version than the stored one. */
export class StaleSave extends Error {
  override readonly name = 'StaleSave';
  constructor(readonly current: number) {
    super(`The design has been saved elsewhere since; its version is now ${current}.`);
  }
}

/** Keeps designs and every revision of them. Documents are checked before they come here. */
export class DesignStore {
  constructor(private readonly source: DataSource) {}

  async list(): Promise<DesignSummary[]> {
    const records = await this.designs().find({ order: { savedAt: 'DESC' } });
    return records.map(summary);
  }

  async get(id: string): Promise<StoredDesign | undefined> {
    const record = await this.designs().findOneBy({ id });
    return record ? stored(record) : undefined;
  }

  async create(design: Design): Promise<StoredDesign> {
    const now = new Date().toISOString();
    const record: DesignRecord = {
      id: randomUUID(),
      title: design.title,
      version: 1,
      document: JSON.stringify(design),
      createdAt: now,
      savedAt: now,
    };
    await this.source.transaction(async (manager) => {
      await manager.insert(designRecord, record);
      await keepRevision(manager, record);
    });
    return stored(record);
  }

  /**
   * Saves a design over the version it was based on.
   *
   * @returns undefined when there is no such design
   * @throws StaleSave when `version` is not the stored one; nothing is then changed
   */
  async save(id: string, version: number, design: Design): Promise<StoredDesign | undefined> {
    return this.source.transaction(async (manager) => {
      const old = await manager.findOneBy(designRecord, { id });
      if (!old) return undefined;
      if (old.version !== version) throw new StaleSave(old.version);
      const record: DesignRecord = {
        ...old,
        title: design.title,
        version: version + 1,
        document: JSON.stringify(design),
        savedAt: new Date().toISOString(),
      };
      await manager.save(designRecord, record);
      await keepRevision(manager, record);
      return stored(record);
    });
  }

  async remove(id: string): Promise<boolean> {
    return this.source.transaction(async (manager) => {
      await manager.delete(revisionRecord, { design: id });
      await manager.delete(studyRecord, { design: id });
      const { affected } = await manager.delete(designRecord, { id });
      return (affected ?? 0) > 0;
    });
  }

  async revisions(id: string): Promise<Revision[]> {
    const records = await this.source.getRepository(revisionRecord).find({
      where: { design: id },
      order: { version: 'DESC' },
      select: { version: true, savedAt: true, design: true },
    });
    return records.map(({ version, savedAt }) => ({ version, savedAt }));
  }

  async revision(id: string, version: number): Promise<StoredDesign | undefined> {
    const record = await this.source
      .getRepository(revisionRecord)
      .findOneBy({ design: id, version });
    if (!record) return undefined;
    return { id, version, savedAt: record.savedAt, design: parsed(record.document) };
  }

  private designs() {
    return this.source.getRepository(designRecord);
  }
}

function keepRevision(manager: EntityManager, record: DesignRecord): Promise<unknown> {
  const { id, version, document, savedAt } = record;
  return manager.insert(revisionRecord, { design: id, version, document, savedAt });
}

/** A kept document, brought up to date where an older version of the program wrote it. */
const parsed = (document: string): Design =>
  migrate(JSON.parse(document) as Record<string, unknown>) as unknown as Design;

const stored = ({ id, version, savedAt, document }: DesignRecord): StoredDesign => ({
  id,
  version,
  savedAt,
  design: parsed(document),
});

function summary(record: DesignRecord): DesignSummary {
  const { id, version, savedAt, design } = stored(record);
  const { title, purpose, site, parts, scenes } = design;
  return { id, title, purpose, site, parts: parts.length, scenes: scenes.length, version, savedAt };
}
