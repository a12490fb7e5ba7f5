/** Most readings one set may have, and all sets of a design together. */
export const mostReadings = 20_000;
export const mostReadingsInAll = 100_000;
