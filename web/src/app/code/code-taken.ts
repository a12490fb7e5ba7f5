import { Injectable } from '@angular/core';
import { remember } from '../common/remember';

const named = (design: string): string => `yurei.code.${design}`;

/** The program of each design as it was when it was taken last, or else first seen here: what is other now is shown against it. */
@Injectable({ providedIn: 'root' })
export class CodeTaken {
  private readonly first = new Map<string, string>();

  before(design: string, text: string): { text: string; taken: boolean } {
    const taken = localStorage.getItem(named(design));
    if (taken !== null) return { text: taken, taken: true };
    const seen = this.first.get(design) ?? text;
    this.first.set(design, seen);
    return { text: seen, taken: false };
  }

  take(design: string, text: string): void {
    remember(named(design), text);
  }
}
