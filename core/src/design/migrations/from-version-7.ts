import type { Migration } from '../migrate.js';

/** In version 8 a happening can be aimed at a part, a value or a wire; those of before were aimed at nothing. */
export const fromVersion7: Migration = (document) => document;
