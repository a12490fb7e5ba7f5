import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  model,
  output,
  signal,
} from '@angular/core';
import { daysInBin, type RemovedDesign } from '@yurei/core/exchange';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { firstValueFrom } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { formatDateTime } from '../common/date-time';
import { dropDraft } from '../data/drafts';

/** What was removed and can still be had back. */
@Component({
  selector: 'yu-bin-dialog',
  imports: [Button, Dialog],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="The bin"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '560px' }"
    >
      <p class="soft">What is removed stays here for {{ days }} days, then it is gone for good.</p>
      @if (removed(); as list) {
        <ul>
          @for (design of list; track design.id) {
            <li>
              <span>
                {{ design.title || 'A design without a name' }}
                <span class="soft">removed {{ when(design.removedAt) }}</span>
              </span>
              <p-button
                label="Put back"
                size="small"
                [ariaLabel]="'Put back ' + design.title"
                (onClick)="putBack(design)"
              />
              <p-button
                [label]="sure() === design.id ? 'Really, for good' : 'Remove for good'"
                size="small"
                severity="secondary"
                variant="outlined"
                (onClick)="discard(design)"
              />
            </li>
          } @empty {
            <li class="soft">Nothing is in it.</li>
          }
        </ul>
      } @else if (!failure()) {
        <p class="soft" role="status">Looking into it…</p>
      }
      @if (failure(); as failure) {
        <p class="refused" role="alert">{{ failure.title }}. {{ failure.message }}</p>
      }
    </p-dialog>
  `,
  styleUrl: './bin-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BinDialog {
  protected readonly when = formatDateTime;
  readonly open = model(false);
  /** Something is back on the shelf. */
  readonly changed = output();
  private readonly api = inject(Api);
  protected readonly days = daysInBin;
  protected readonly removed = signal<RemovedDesign[] | undefined>(undefined);
  protected readonly failure = signal<ApiError | undefined>(undefined);
  /** What is to go for good, once that is said again. */
  protected readonly sure = signal('');

  constructor() {
    effect(() => {
      if (this.open()) void this.look();
    });
  }

  private look(): Promise<void> {
    return this.attempt(async () => this.removed.set(await firstValueFrom(this.api.bin())));
  }

  protected putBack({ id }: RemovedDesign): Promise<void> {
    return this.attempt(async () => {
      await firstValueFrom(this.api.putBackDesign(id));
      this.changed.emit();
      await this.look();
    });
  }

  protected async discard({ id }: RemovedDesign): Promise<void> {
    if (this.sure() !== id) return this.sure.set(id);
    await this.attempt(async () => {
      await firstValueFrom(this.api.discard(id));
      dropDraft(id);
      await this.look();
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      this.failure.set(undefined);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.failure.set(error);
    }
  }
}
