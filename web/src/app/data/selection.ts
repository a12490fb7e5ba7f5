import { computed, Injectable, signal } from '@angular/core';

/** What the maker has picked: shown and edited in the panel on the right. */
export type Picked =
  | { type: 'part'; id: string }
  | { type: 'wire'; id: string }
  | { type: 'channel'; id: string }
  | { type: 'group'; id: string }
  | { type: 'happening'; id: string }
  | { type: 'readings'; id: string };

@Injectable()
export class Selection {
  readonly picked = signal<Picked | undefined>(undefined);
  /** Parts picked besides the first one, to be grouped or removed together. */
  private readonly besides = signal<readonly string[]>([]);

  /** All parts that are picked. */
  readonly parts = computed((): readonly string[] => {
    const picked = this.picked();
    return picked?.type === 'part' ? [picked.id, ...this.besides()] : [];
  });

  pick(type: Picked['type'], id: string): void {
    this.besides.set([]);
    this.picked.set({ type, id });
  }

  /** Adds a part to those that are picked, or takes it out. */
  toggle(part: string): void {
    const picked = this.picked();
    if (picked?.type !== 'part') return this.pick('part', part);
    if (picked.id === part) {
      const [next, ...rest] = this.besides();
      this.besides.set(rest);
      this.picked.set(next === undefined ? undefined : { type: 'part', id: next });
      return;
    }
    const others = this.besides();
    this.besides.set(others.includes(part) ? others.filter((p) => p !== part) : [...others, part]);
  }

  clear(): void {
    this.besides.set([]);
    this.picked.set(undefined);
  }

  is(type: Picked['type'], id: string): boolean {
    const picked = this.picked();
    if (type === 'part') return this.parts().includes(id);
    return picked?.type === type && picked.id === id;
  }
}
