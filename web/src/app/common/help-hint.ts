import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { topicOf } from '@yurei/core/help';
import { Popover } from 'primeng/popover';

/** An i that opens half a page on how something here is found out, and why so. */
@Component({
  selector: 'yu-help',
  imports: [Popover],
  template: `
    <button
      type="button"
      aria-haspopup="dialog"
      [attr.aria-label]="topic().title"
      [title]="topic().title"
      (click)="page.toggle($event)"
    >
      <i class="pi pi-info-circle" aria-hidden="true"></i>
    </button>
    <p-popover #page appendTo="body" [ariaLabel]="topic().title">
      <article class="help-page">
        <h3>{{ topic().title }}</h3>
        @for (paragraph of topic().text; track $index) {
          <p>{{ paragraph }}</p>
        }
        <p class="value">{{ topic().formula }}</p>
        <p class="soft">{{ topic().source }}</p>
      </article>
    </p-popover>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    button {
      min-width: 24px;
      min-height: 24px;
      padding: 0;
      border: 0;
      background: none;
      color: var(--indigo-ink);
      cursor: pointer;
    }
    article {
      max-width: 440px;
      display: grid;
      gap: 8px;
      font-size: 13.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpHint {
  /** Id of a help page. */
  readonly on = input.required<string>();
  protected readonly topic = computed(() => topicOf(this.on()));
}
