import { EntitySchema } from 'typeorm';
import { bytes } from './bytes.js';

/** A design as it stands. What the shelf shows has columns of its own, so that it is listed without reading designs. */
export interface DesignRecord {
  id: string;
  title: string;
  purpose: string;
  site: string;
  parts: number;
  scenes: number;
  /** The five answers as JSON; empty where they were not computed. */
  answers: string;
  /** Counts saves, from 1. */
  version: number;
  /** Which change to the database was its last: the order on the shelf. */
  touched: number;
  /** The design document, JSON in UTF-8. */
  document: Buffer;
  createdAt: string;
  savedAt: string;
}

export const designRecord = new EntitySchema<DesignRecord>({
  name: 'design',
  columns: {
    id: { type: 'text', primary: true },
    title: { type: 'text' },
    purpose: { type: 'text' },
    site: { type: 'text' },
    parts: { type: 'integer' },
    scenes: { type: 'integer' },
    answers: { type: 'text' },
    version: { type: 'integer' },
    touched: { type: 'integer' },
    document: bytes,
    createdAt: { type: 'text', name: 'created_at' },
    savedAt: { type: 'text', name: 'saved_at' },
  },
});
