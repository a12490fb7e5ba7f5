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
  /** What it is made of, as JSON; empty where that cannot be told. */
  makeup: string;
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
  /** When it was last opened; empty where it never was. */
  openedAt: string;
  /** When it was put in the bin; empty while it is on the shelf. */
  removedAt: string;
  /** 1 for what came with the program and was not changed since, else 0. */
  example: number;
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
    makeup: { type: 'text' },
    answers: { type: 'text' },
    version: { type: 'integer' },
    touched: { type: 'integer' },
    document: bytes,
    createdAt: { type: 'text', name: 'created_at' },
    savedAt: { type: 'text', name: 'saved_at' },
    openedAt: { type: 'text', name: 'opened_at' },
    removedAt: { type: 'text', name: 'removed_at' },
    example: { type: 'integer' },
  },
});
