import type { Migration } from '../migrate.js';

/** Version 4 has reading sets, and channels that filter, learn a baseline and stretch; there were none before. */
export const fromVersion3: Migration = (document) => ({ ...document, readings: [] });
