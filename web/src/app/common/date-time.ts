/** A moment as it is written here, from ISO 8601. */
export const formatDateTime = (iso: string): string => new Date(iso).toLocaleString();
