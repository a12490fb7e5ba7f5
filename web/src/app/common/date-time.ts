/** A moment as it is written where the browser stands, from ISO 8601. */
export const formatDateTime = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
