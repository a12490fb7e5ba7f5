import { Injectable, signal } from '@angular/core';

/** A tour of the steps, for someone who sees them for the first time: at which of its stops it is. */
@Injectable({ providedIn: 'root' })
export class Tour {
  readonly stop = signal<number | undefined>(undefined);

  begin(): void {
    this.stop.set(0);
  }

  leave(): void {
    this.stop.set(undefined);
  }
}
