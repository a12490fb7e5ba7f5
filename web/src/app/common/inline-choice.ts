import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Choice } from './choice-field';

/** One of a few, within a sentence; its label is read out, not shown. */
@Component({
  selector: 'yu-inline-choice',
  template: `
    <select [attr.aria-label]="label()" (change)="pick($event)">
      @for (choice of choices(); track choice.value) {
        <option [value]="choice.value" [selected]="choice.value === value()">
          {{ choice.label }}
        </option>
      }
    </select>
  `,
  styles: `
    select {
      font: 12.5px var(--text);
      max-width: 200px;
      padding: 1px 2px;
      min-height: 24px;
      border: 1px solid var(--rule);
      border-radius: 4px;
      background: var(--raised);
      color: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineChoice {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly value = input.required<string>();
  readonly changed = output<string>();

  protected pick(event: Event): void {
    this.changed.emit((event.target as HTMLSelectElement).value);
  }
}
