import { randomUUID } from 'node:crypto';
import type { StudyState, StudySummary } from '@yurei/core/exchange';
import type { EntityManager } from 'typeorm';
import { asBytes, shownText } from '../keeping/bytes.js';
import type { Database } from '../keeping/database.js';
import { pack, unpack } from '../keeping/packing.js';
import { studyTrialsRecord, studyRecord, type StudyRecord } from '../keeping/study-record.js';

/** Studies kept for one design; the oldest make room. */
const mostKept = 50;

/** A checked study on its way to the desk. */
export interface CheckedStudy {
  /** The design and the study as JSON. */
  document: string;
  study: string;
  /** The name of the scene. */
  scene: string;
  ask: StudySummary['ask'];
  /** Seed of the first trial, trials of each case, and how many cases there are. */
  first: number;
  count: number;
  cases: number;
}

/** A study as it is kept: its design and itself as JSON, its trials as lists in JSON. */
export interface WholeStudy {
  summary: StudySummary;
  document: Buffer;
  study: string;
  nights: string[];
}

/** Studies of many trials with what came of them. */
export class StudyStore {
  constructor(private readonly database: Database) {}

  /** @returns undefined when there is no such design any more */
  async create(design: string, checked: CheckedStudy): Promise<StudySummary | undefined> {
    const { scene, ask, cases, count } = checked;
    const [document, study] = [await pack(checked.document), await pack(checked.study)];
    const record: Omit<StudyRecord, 'seq'> = {
      id: randomUUID(),
      design,
      madeAt: new Date().toISOString(),
      state: 'running',
      scene,
      ask,
      done: 0,
      wanted: cases * count,
      trouble: '',
      document,
      study,
    };
    const there = await this.database.write(async (manager) => {
      const rows = await manager.query<unknown[]>(
        "SELECT 1 FROM design WHERE id = ? AND removed_at = ''",
        [design],
      );
      if (rows.length === 0) return false;
      await manager.insert(studyRecord, record);
      await makeRoom(manager, design);
      return true;
    });
    return there ? summary(record) : undefined;
  }

  /** Keeps what was rehearsed since the last time. */
  async keep(
    id: string,
    { portion, nights: trials }: { portion: number; nights: readonly string[] },
    done: number,
    state: StudyState,
    trouble = '',
  ): Promise<void> {
    const packed = trials.length > 0 ? await pack(`[${trials.join()}]`) : undefined;
    await this.database.write(async (manager) => {
      const { affected } = await manager.update(studyRecord, { id }, { done, state, trouble });
      if (affected && packed)
        await manager.insert(studyTrialsRecord, { study: id, portion, nights: packed });
    });
  }

  /** Newest first, by the order in which they were begun. */
  async list(design: string): Promise<StudySummary[]> {
    const rows = await this.database.read((manager) =>
      manager.query<Row[]>(`SELECT ${shown} FROM study WHERE design_id = ? ORDER BY seq DESC`, [
        design,
      ]),
    );
    return rows.map(summaryOf);
  }

  async get(id: string): Promise<StudySummary | undefined> {
    const [row] = await this.database.read((manager) =>
      manager.query<Row[]>(`SELECT ${shown} FROM study WHERE id = ?`, [id]),
    );
    return row && summaryOf(row);
  }

  /** The study with its design, as JSON, and its trials. */
  async whole(id: string): Promise<WholeStudy | undefined> {
    const [row] = await this.database.read((manager) =>
      manager.query<Row[]>(`SELECT ${shown}, document, study FROM study WHERE id = ?`, [id]),
    );
    if (!row) return undefined;
    return {
      summary: summaryOf(row),
      document: await unpack(Buffer.from(row['document'] as ArrayBuffer)),
      study: (await unpack(Buffer.from(row['study'] as ArrayBuffer))).toString(),
      nights: await this.nights(id, 0),
    };
  }

  /** The trials that are kept, from a portion on: each text is a list as JSON. */
  async nights(id: string, from: number): Promise<string[]> {
    const rows = await this.database.read((manager) =>
      manager.query<{ nights: ArrayBuffer }[]>(
        'SELECT nights FROM study_nights WHERE study_id = ? AND portion >= ? ORDER BY portion',
        [id, from],
      ),
    );
    return Promise.all(
      rows.map(async ({ nights: trials }) => (await unpack(Buffer.from(trials))).toString()),
    );
  }

  async remove(id: string): Promise<boolean> {
    return this.database.remove((manager) => removeStudy(manager, id));
  }

  /** What was under way when the server ended is not any more. */
  async stopRunning(): Promise<void> {
    await this.database.write((manager) =>
      manager.update(studyRecord, { state: 'running' }, { state: 'stopped' }),
    );
  }
}

async function removeStudy(manager: EntityManager, id: string): Promise<boolean> {
  await manager.delete(studyTrialsRecord, { study: id });
  const { affected } = await manager.delete(studyRecord, { id });
  return (affected ?? 0) > 0;
}

async function makeRoom(manager: EntityManager, design: string): Promise<void> {
  const old = await manager.query<{ id: string }[]>(
    `SELECT id FROM study WHERE design_id = ? AND state <> 'running' ORDER BY seq DESC LIMIT -1 OFFSET ?`,
    [design, mostKept],
  );
  for (const { id } of old) await removeStudy(manager, id);
}

const texts = ['id', 'made_at', 'state', 'scene', 'ask', 'trouble', 'design_id'];
const shown = `${asBytes(...texts)}, done, wanted`;

type Row = Record<string, ArrayBuffer | number>;

function summaryOf(row: Row): StudySummary {
  const text = (column: string): string => shownText(row[column] as ArrayBuffer);
  return summary({
    id: text('id'),
    design: text('design_id'),
    madeAt: text('made_at'),
    state: text('state') as StudyState,
    scene: text('scene'),
    ask: text('ask'),
    done: row['done'] as number,
    wanted: row['wanted'] as number,
    trouble: text('trouble'),
  });
}

const summary = (record: Omit<StudyRecord, 'seq' | 'document' | 'study'>): StudySummary => {
  const { id, design, madeAt, state, scene, done, wanted, trouble } = record;
  const ask = record.ask as StudySummary['ask'];
  return { id, design, madeAt, state, scene, ask, done, wanted, ...(trouble ? { trouble } : {}) };
};
