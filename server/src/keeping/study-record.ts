import type { StudyState } from '@yurei/core/exchange';
import { EntitySchema } from 'typeorm';
import { bytes } from './bytes.js';

/** Many nights that were rehearsed of a design as it was then. */
export interface StudyRecord {
  /** In the order in which studies were begun, whatever the clock said. */
  seq: number;
  id: string;
  design: string;
  madeAt: string;
  state: StudyState;
  /** The name of the scene. */
  scene: string;
  ask: string;
  done: number;
  wanted: number;
  trouble: string;
  /** The design document and the study, packed JSON. */
  document: Buffer;
  study: Buffer;
}

export const studyRecord = new EntitySchema<StudyRecord>({
  name: 'study',
  columns: {
    seq: { type: 'integer', primary: true, generated: 'increment' },
    id: { type: 'text', unique: true },
    design: { type: 'text', name: 'design_id' },
    madeAt: { type: 'text', name: 'made_at' },
    state: { type: 'text' },
    scene: { type: 'text' },
    ask: { type: 'text' },
    done: { type: 'integer' },
    wanted: { type: 'integer' },
    trouble: { type: 'text' },
    document: bytes,
    study: bytes,
  },
});

/** Some nights of a study, packed JSON: a list. They are added as they are rehearsed and never written again. */
export interface StudyTrialsRecord {
  study: string;
  portion: number;
  nights: Buffer;
}

export const studyTrialsRecord = new EntitySchema<StudyTrialsRecord>({
  name: 'study_nights',
  columns: {
    study: { type: 'text', primary: true, name: 'study_id' },
    portion: { type: 'integer', primary: true },
    nights: bytes,
  },
});
