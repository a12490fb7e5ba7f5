import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { daysInBin, type RemovedDesign } from '@yurei/core/exchange';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Message } from 'primeng/message';
import { firstValueFrom } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Confirm } from '../common/confirm';
import { formatDateTime } from '../common/date-time';
import { dropDraft } from '../data/drafts';

/** What was removed and can still be had back. */
@Component({
  selector: 'yu-bin-dialog',
  imports: [Button, Confirm, Dialog, Message],
  template: `
    <p-dialog
      transitionOptions="0ms"
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
                label="Remove for good"
                [ariaLabel]="'Remove ' + design.title + ' for good'"
                size="small"
                severity="secondary"
                variant="outlined"
                (onClick)="discard(design, $event)"
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
        <p-message class="refused" severity="error" size="small" variant="simple"
          >{{ failure.title }}. {{ failure.message }}</p-message
        >
      }
    </p-dialog>
    <yu-confirm />
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
  private readonly looked = rxResource({
    params: () => (this.open() ? {} : undefined),
    stream: () => this.api.bin(),
  });
  protected readonly removed = computed(() =>
    this.looked.hasValue() ? this.looked.value() : undefined,
  );
  private readonly refused = signal<ApiError | undefined>(undefined);
  protected readonly failure = computed(() => {
    const error = this.looked.error();
    return this.refused() ?? (error instanceof ApiError ? error : undefined);
  });
  private readonly confirm = viewChild.required(Confirm);

  protected putBack({ id }: RemovedDesign): Promise<void> {
    return this.attempt(async () => {
      await firstValueFrom(this.api.putBackDesign(id));
      this.changed.emit();
    });
  }

  protected async discard({ id, title }: RemovedDesign, { target }: Event): Promise<void> {
    const question = `“${title || 'A design without a name'}” and every save of it go for good.`;
    const at = target as HTMLElement;
    if (!(await this.confirm().ask({ at, question, yes: 'Remove for good' }))) return;
    await this.attempt(async () => {
      await firstValueFrom(this.api.discard(id));
      dropDraft(id);
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      this.refused.set(undefined);
      this.looked.reload();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.refused.set(error);
    }
  }
}
