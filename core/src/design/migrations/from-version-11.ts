import type { Migration } from '../migrate.js';

/** In version 12 a design may hold code of the maker's own for the program of its controller; before, it held none. */
export const fromVersion11: Migration = (document) => ({ ...document });
