import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ConfirmationService } from 'primeng/api';
import { ConfirmPopup } from 'primeng/confirmpopup';

/** What is asked before something that cannot be undone, and the word that does it. */
export interface Doubt {
  /** What it stands beside. */
  at: HTMLElement;
  question: string;
  yes: string;
}

/** Asks before something that cannot be undone; the safe answer holds the focus. */
@Component({
  selector: 'yu-confirm',
  imports: [ConfirmPopup],
  providers: [ConfirmationService],
  template: `<p-confirmpopup defaultFocus="reject" [pt]="{ root: { 'aria-label': 'Sure?' } }" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Confirm {
  private readonly service = inject(ConfirmationService);

  /** @returns whether it shall be done; never, where nothing was answered */
  ask({ at, question, yes }: Doubt): Promise<boolean> {
    return new Promise((answer) =>
      this.service.confirm({
        target: at,
        message: question,
        acceptLabel: yes,
        rejectLabel: 'Cancel',
        rejectButtonProps: { severity: 'secondary', outlined: true },
        defaultFocus: 'reject',
        accept: () => answer(true),
        reject: () => answer(false),
      }),
    );
  }
}
