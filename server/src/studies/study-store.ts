import { randomUUID } from 'node:crypto';
import { migrate, type Design } from '@yurei/core/design';
import type { StoredStudy, StudyState, StudySummary } from '@yurei/core/exchange';
import { casesOf, type Study } from '@yurei/core/nights';
import type { DataSource } from 'typeorm';
import { studyRecord, type StudyRecord } from '../database/study-record.js';

/** Studies kept for one design; the oldest make room. */
const mostKept = 50;

/** Studies of many nights with what came of them. */
export class StudyStore {
  constructor(private readonly source: DataSource) {}

  async create(design: string, document: Design, study: Study): Promise<StoredStudy> {
    const record: StudyRecord = {
      id: randomUUID(),
      design,
      madeAt: new Date().toISOString(),
      state: 'running',
      scene: document.scenes.find((s) => s.id === study.scene)?.name ?? '',
      ask: study.ask.for,
      done: 0,
      wanted: casesOf(document, study).length * study.count,
      trouble: '',
      document: JSON.stringify({ ...document, readings: [] }),
      study: JSON.stringify(study),
      nights: '[]',
    };
    await this.studies().insert(record);
    await this.makeRoom(design);
    return stored(record);
  }

  /** Keeps what was rehearsed until now. */
  async keep(
    id: string,
    nights: StoredStudy['nights'],
    state: StudyState,
    trouble = '',
  ): Promise<void> {
    const change = { nights: JSON.stringify(nights), done: nights.length, state, trouble };
    await this.studies().update({ id }, change);
  }

  async list(design: string): Promise<StudySummary[]> {
    const records = await this.studies().find({
      where: { design },
      order: { madeAt: 'DESC' },
      select: {
        id: true,
        design: true,
        madeAt: true,
        state: true,
        scene: true,
        ask: true,
        done: true,
        wanted: true,
        trouble: true,
      },
    });
    return records.map(summary);
  }

  async get(id: string): Promise<StoredStudy | undefined> {
    const record = await this.studies().findOneBy({ id });
    return record ? stored(record) : undefined;
  }

  async remove(id: string): Promise<boolean> {
    return ((await this.studies().delete({ id })).affected ?? 0) > 0;
  }

  /** What was under way when the server ended is not any more. */
  async stopRunning(): Promise<void> {
    await this.studies().update({ state: 'running' }, { state: 'stopped' });
  }

  private async makeRoom(design: string): Promise<void> {
    const old = (await this.list(design)).slice(mostKept).filter((s) => s.state !== 'running');
    for (const { id } of old) await this.remove(id);
  }

  private studies() {
    return this.source.getRepository(studyRecord);
  }
}

const summary = (record: StudyRecord): StudySummary => {
  const { id, design, madeAt, state, scene, done, wanted, trouble } = record;
  const ask = record.ask as StudySummary['ask'];
  return { id, design, madeAt, state, scene, ask, done, wanted, ...(trouble ? { trouble } : {}) };
};

function stored(record: StudyRecord): StoredStudy {
  const study = JSON.parse(record.study) as Study;
  if (study.ask.for === 'beside') study.ask.other = current(study.ask.other);
  return {
    ...summary(record),
    document: current(JSON.parse(record.document) as Design),
    study,
    nights: JSON.parse(record.nights) as StoredStudy['nights'],
  };
}

/** A kept document, brought up to date where an older version of the program wrote it. */
const current = (document: Design): Design =>
  migrate(document as unknown as Record<string, unknown>) as unknown as Design;
