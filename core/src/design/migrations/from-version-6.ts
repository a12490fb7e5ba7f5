import type { Migration } from '../migrate.js';

/** In version 7 a scene can begin as power comes on; those of before began settled, as where nothing is said. */
export const fromVersion6: Migration = (document) => document;
