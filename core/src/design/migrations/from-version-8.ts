import type { Migration } from '../migrate.js';

/** In version 9 a design tells which findings are no mistake in it; before, none was. */
export const fromVersion8: Migration = (document) => ({ ...document, accepted: [] });
