import { migrate, type Design } from '@yurei/core/design';

/** Work that the server has not got yet, kept in this browser so that a reload loses nothing. */
export interface Draft {
  /** The saved version it is based on. */
  version: number;
  design: Design;
}

const keyOf = (id: string): string => `yurei.draft.${id}`;

/** Keeps a draft; false when the browser has no room for it. */
export function keepDraft(id: string, draft: Draft): boolean {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export function dropDraft(id: string): void {
  localStorage.removeItem(keyOf(id));
}

/** The draft of a design, if one was left behind. */
export function findDraft(id: string): Draft | undefined {
  const text = localStorage.getItem(keyOf(id));
  if (!text) return undefined;
  try {
    const draft = JSON.parse(text) as Draft;
    if (draft.design?.format !== 'yurei-design') return undefined;
    const design = migrate({ ...draft.design }) as unknown as Design;
    return { ...draft, design };
  } catch {
    return undefined;
  }
}
