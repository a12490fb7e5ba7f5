/** Rows of a table keep their elements, and so the focus, when what stands in them changes. */
export const byRow = (index: number): number => index;
