import type { Migration } from '../migrate.js';

/** In version 11 a plan may tell of heights, rooms, doors and windows, trees and its compass; before, nothing was told of them. */
export const fromVersion10: Migration = (document) => ({ ...document });
