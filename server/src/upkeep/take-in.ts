import { randomUUID } from 'node:crypto';
import { Not, type EntityManager } from 'typeorm';
import type { Database } from '../keeping/database.js';
import { designRecord } from '../keeping/design-record.js';
import { revisionRecord } from '../keeping/revision-record.js';
import { studyTrialsRecord, studyRecord } from '../keeping/study-record.js';
import type { DesignToTakeIn } from './read-archive.js';

/**
 * Puts a design of an archive on the shelf, with its revisions and studies. Nothing that is there is overwritten: the
 * very same design is left, another state of it becomes a design of its own.
 *
 * @returns whether it was new
 */
export function takeIn(database: Database, design: DesignToTakeIn): Promise<boolean> {
  return database.write(async (manager, now) => {
    const { about, document, facts } = design;
    const rows = await manager.query<{ same: number }[]>(
      'SELECT document = ? AS same FROM design WHERE id = ?',
      [document, about.id],
    );
    if (rows[0]?.same) return backOnShelf(manager, about.id, now.writes);
    const id = rows.length > 0 ? randomUUID() : about.id;
    const { version, answers, createdAt, savedAt } = about;
    const touched = now.writes;
    await manager.insert(designRecord, {
      id,
      ...facts,
      version,
      answers,
      touched,
      document,
      createdAt,
      savedAt,
      openedAt: '',
      removedAt: '',
      example: 0,
    });
    for (const { age, ...revision } of design.revisions)
      await manager.insert(revisionRecord, { ...revision, design: id, ranFor: now.seconds - age });
    for (const study of design.studies) await takeInStudy(manager, id, study);
    return true;
  });
}

/** The very same design may lie in the bin: then it is had back. */
async function backOnShelf(manager: EntityManager, id: string, touched: number): Promise<boolean> {
  const { affected } = await manager.update(
    designRecord,
    { id, removedAt: Not('') },
    { removedAt: '', touched },
  );
  return (affected ?? 0) > 0;
}

async function takeInStudy(
  manager: EntityManager,
  design: string,
  { nights: trials, id: old, ...study }: DesignToTakeIn['studies'][number],
): Promise<void> {
  const known = await manager.query<unknown[]>('SELECT 1 FROM study WHERE id = ?', [old]);
  const id = known.length > 0 ? randomUUID() : old;
  await manager.insert(studyRecord, { ...study, id, design });
  await manager.insert(studyTrialsRecord, { study: id, portion: 0, nights: trials });
}
