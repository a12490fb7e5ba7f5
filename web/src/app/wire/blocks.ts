import { Injectable, signal } from '@angular/core';
import type { Block } from '@yurei/core/blocks';

/** Which block is being set up, and for which part. */
@Injectable()
export class Blocks {
  readonly open = signal<{ block: Block; about?: string } | undefined>(undefined);
}
