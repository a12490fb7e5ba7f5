import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Topic } from '@yurei/core/help';

/** Half a page on how something is found out, with its formula and where that is to be read. */
@Component({
  selector: 'yu-help-page',
  template: `
    <h3>{{ topic().title }}</h3>
    @for (paragraph of topic().text; track $index) {
      <p>{{ paragraph }}</p>
    }
    <p class="value">{{ topic().formula }}</p>
    <p class="soft">{{ topic().source }}</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      font-size: var(--type-body);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpPage {
  readonly topic = input.required<Topic>();
}
