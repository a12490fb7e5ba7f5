import type { StudyState } from '@yurei/core/exchange';
import { EntitySchema } from 'typeorm';

/** Many nights that were rehearsed of a design as it was then. */
export interface StudyRecord {
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
  /** The design document as JSON, the study as JSON, and its nights as JSON. */
  document: string;
  study: string;
  nights: string;
}

export const studyRecord = new EntitySchema<StudyRecord>({
  name: 'study',
  columns: {
    id: { type: 'text', primary: true },
    design: { type: 'text', name: 'design_id' },
    madeAt: { type: 'text', name: 'made_at' },
    state: { type: 'text' },
    scene: { type: 'text' },
    ask: { type: 'text' },
    done: { type: 'integer' },
    wanted: { type: 'integer' },
    trouble: { type: 'text' },
    document: { type: 'text' },
    study: { type: 'text' },
    nights: { type: 'text' },
  },
});
