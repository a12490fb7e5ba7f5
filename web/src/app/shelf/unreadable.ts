import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import type { DesignSummary } from '@yurei/core/exchange';
import { firstValueFrom } from 'rxjs';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { Api, ApiError } from '../data/api';
import { formatDateTime } from '../common/date-time';
import type { Save } from '../data/studies';

/** What can be done with a design that cannot be read: take it along as it is, or go back to an earlier save. */
@Component({
  selector: 'yu-unreadable',
  imports: [Button, Message],
  template: `
    <p class="why"><b>Cannot be read.</b> {{ design().unreadable }}</p>
    <p class="soft">It is kept as it is, with every save of it.</p>
    <div class="ways">
      <a class="tool" [href]="'/api/designs/' + design().id + '/as-it-is'" download
        >Export as it is</a
      >
      @if (saves(); as saves) {
        <ul aria-label="Earlier saves">
          @for (save of saves; track save.version) {
            <li>
              <span>Save {{ save.version }}, {{ when(save.savedAt) }}</span>
              <p-button
                label="Go back to it"
                size="small"
                severity="secondary"
                variant="outlined"
                [ariaLabel]="'Go back to save ' + save.version"
                (onClick)="goBack(save.version)"
              />
            </li>
          } @empty {
            <li>There is no earlier save.</li>
          }
        </ul>
      } @else {
        <p-button label="Earlier saves…" size="small" variant="text" (onClick)="look()" />
      }
    </div>
    @if (refused(); as refused) {
      <p-message severity="error" size="small" variant="simple">{{ refused }}</p-message>
    }
  `,
  styleUrls: ['../common/tool.css', './unreadable.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Unreadable {
  protected readonly when = formatDateTime;
  private readonly api = inject(Api);
  readonly design = input.required<DesignSummary>();
  /** It can be read again. */
  readonly mended = output();
  protected readonly saves = signal<Save[] | undefined>(undefined);
  protected readonly refused = signal('');

  protected look(): Promise<void> {
    return this.attempt(async () =>
      this.saves.set(await firstValueFrom(this.api.revisions(this.design().id))),
    );
  }

  protected goBack(version: number): Promise<void> {
    return this.attempt(async () => {
      const { id, version: now } = this.design();
      const { design } = await firstValueFrom(this.api.revision(id, version));
      await firstValueFrom(this.api.save(id, now, design));
      this.mended.emit();
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      this.refused.set('');
      await work();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.refused.set(`${error.title}. ${error.message}`);
    }
  }
}
