import { inject, Injectable, signal } from '@angular/core';
import { remember } from '../common/remember';
import { DesignSession } from '../data/design-session';

/** Most rows whose hiding is remembered. */
const most = 500;

/** Rows of the time axis that are hidden, remembered by this browser for each design. */
@Injectable()
export class ChosenRows {
  private readonly store = `yurei.rows.${inject(DesignSession).id}`;
  readonly hidden = signal<ReadonlySet<string>>(new Set(this.kept()));

  show(row: string, on: boolean): void {
    const hidden = new Set(this.hidden());
    if (on) hidden.delete(row);
    else hidden.add(row);
    this.hidden.set(hidden);
    if (hidden.size === 0) localStorage.removeItem(this.store);
    else remember(this.store, JSON.stringify([...hidden].slice(0, most)));
  }

  private kept(): string[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(this.store) ?? '[]');
      return Array.isArray(kept) ? kept.filter((k): k is string => typeof k === 'string') : [];
    } catch {
      return [];
    }
  }
}
