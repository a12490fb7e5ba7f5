/** Most readings one set may have, and all sets of a design together. */
export const mostReadings = 20_000;
export const mostReadingsInAll = 100_000;
/** The largest count, above or below 0: 32 bits, as much as any converter or counter gives. */
export const largestCount = 4_294_967_295;
/** The most code of the maker's own in one place, characters. */
export const longestCode = 20_000;
/** The largest picture under a plan, characters of its data URL. */
export const largestBackdrop = 800_000;
