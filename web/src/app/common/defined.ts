/** The same without what is undefined: what is not used is left out of the document. */
export const defined = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, part]) => part !== undefined)) as T;
