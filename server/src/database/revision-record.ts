import { EntitySchema } from 'typeorm';

/** A design as it was saved once; never changed afterwards. */
export interface RevisionRecord {
  design: string;
  version: number;
  document: string;
  savedAt: string;
}

export const revisionRecord = new EntitySchema<RevisionRecord>({
  name: 'revision',
  columns: {
    design: { type: 'text', primary: true, name: 'design_id' },
    version: { type: 'integer', primary: true },
    document: { type: 'text' },
    savedAt: { type: 'text', name: 'saved_at' },
  },
});
