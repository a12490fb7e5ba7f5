import { EntitySchema } from 'typeorm';
import { bytes } from './bytes.js';

/** A design as it was saved once; never changed afterwards. */
export interface RevisionRecord {
  design: string;
  version: number;
  /** The design document, packed. */
  document: Buffer;
  savedAt: string;
  /** How long servers had run on this database when it was saved, s; less than 0 for saves before that was counted. */
  ranFor: number;
}

export const revisionRecord = new EntitySchema<RevisionRecord>({
  name: 'revision',
  columns: {
    design: { type: 'text', primary: true, name: 'design_id' },
    version: { type: 'integer', primary: true },
    document: bytes,
    savedAt: { type: 'text', name: 'saved_at' },
    ranFor: { type: 'real', name: 'ran_for' },
  },
});
