import type { Migration } from '../migrate.js';
import { emptyBrief } from '../brief.js';

/** In version 10 a design tells what is wanted of it; before, nothing was told. */
export const fromVersion9: Migration = (document) => ({ ...document, brief: emptyBrief });
