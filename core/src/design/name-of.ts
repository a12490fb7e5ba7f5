/** What something in a list of a design is called; its id where it is not there. */
export const nameOf = (list: readonly { id: string; name: string }[], id: string): string =>
  list.find((item) => item.id === id)?.name ?? id;
