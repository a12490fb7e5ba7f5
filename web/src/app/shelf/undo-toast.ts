import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  output,
} from '@angular/core';
import { daysInBin } from '@yurei/core/exchange';
import { MessageService } from 'primeng/api';
import { Button } from 'primeng/button';
import { Toast } from 'primeng/toast';

/** Says that a design went into the bin, and takes it back out; stays until it is answered or closed. */
@Component({
  selector: 'yu-undo-toast',
  imports: [Button, Toast],
  providers: [MessageService],
  template: `
    <p-toast position="bottom-center" (onClose)="closed.emit()">
      <ng-template #message let-message>
        <p class="undo">
          {{ message.summary }} is in the bin for {{ days }} days.
          <p-button label="Undo" size="small" variant="text" (onClick)="undone.emit()" />
        </p>
      </ng-template>
    </p-toast>
  `,
  styles: `
    .undo {
      flex: 1;
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 10px;
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UndoToast {
  readonly title = input.required<string>();
  readonly undone = output();
  readonly closed = output();
  protected readonly days = daysInBin;
  private readonly messages = inject(MessageService);

  constructor() {
    // The toast listens only once it is drawn.
    afterRenderEffect(() => {
      this.messages.clear();
      this.messages.add({ severity: 'secondary', summary: this.title(), sticky: true });
    });
  }
}
