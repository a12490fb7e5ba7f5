import type { Migration } from '../migrate.js';

/** Version 3 has groups of parts; there were none before. */
export const fromVersion2: Migration = (document) => ({ ...document, groups: [] });
