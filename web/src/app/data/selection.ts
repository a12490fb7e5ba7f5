import { Injectable, signal } from '@angular/core';

/** What the maker has picked: shown and edited in the panel on the right. */
export type Picked =
  | { type: 'part'; id: string }
  | { type: 'wire'; id: string }
  | { type: 'channel'; id: string }
  | { type: 'happening'; id: string };

@Injectable()
export class Selection {
  readonly picked = signal<Picked | undefined>(undefined);

  pick(type: Picked['type'], id: string): void {
    this.picked.set({ type, id });
  }

  clear(): void {
    this.picked.set(undefined);
  }

  is(type: Picked['type'], id: string): boolean {
    const picked = this.picked();
    return picked?.type === type && picked.id === id;
  }
}
