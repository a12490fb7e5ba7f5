import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { topicOf } from '@yurei/core/help';
import { Popover } from 'primeng/popover';
import { HelpPage } from './help-page';
import { Hint } from './hint';
import { Press } from './press';

/** An i that opens half a page on how something here is found out, and why so. */
@Component({
  selector: 'yu-help',
  imports: [HelpPage, Hint, Popover, Press],
  template: `
    <button
      yuPress="bare"
      aria-haspopup="dialog"
      [attr.aria-label]="topic().title"
      [yuHint]="topic().title"
      (click)="page.toggle($event)"
    >
      <i class="pi pi-info-circle" aria-hidden="true"></i>
    </button>
    <p-popover #page appendTo="body" [ariaLabel]="topic().title">
      <yu-help-page [topic]="topic()" />
    </p-popover>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    yu-help-page {
      max-width: 440px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpHint {
  /** Id of a help page. */
  readonly on = input.required<string>();
  protected readonly topic = computed(() => topicOf(this.on()));
}
