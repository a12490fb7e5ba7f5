import { EntitySchema } from 'typeorm';

/** A design as it stands. */
export interface DesignRecord {
  id: string;
  title: string;
  /** Counts saves, from 1. */
  version: number;
  /** The design document as JSON. */
  document: string;
  createdAt: string;
  savedAt: string;
}

export const designRecord = new EntitySchema<DesignRecord>({
  name: 'design',
  columns: {
    id: { type: 'text', primary: true },
    title: { type: 'text' },
    version: { type: 'integer' },
    document: { type: 'text' },
    createdAt: { type: 'text', name: 'created_at' },
    savedAt: { type: 'text', name: 'saved_at' },
  },
});
