import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { Hint } from './hint';

/** A name within a sentence; its label is read out, not shown. An empty one is given back, unless it may be. */
@Component({
  selector: 'yu-inline-name',
  imports: [Hint, InputText],
  template: `
    <input
      #field
      pInputText
      pSize="small"
      maxlength="120"
      autocomplete="off"
      [attr.aria-label]="label()"
      [yuHint]="label()"
      [value]="value()"
      [style.width.ch]="value().length + 4"
      (change)="commit(field)"
    />
  `,
  styles: `
    input {
      min-width: 8ch;
      max-width: min(30ch, 100%);
      min-height: 24px;
      padding: 1px 5px;
      font: var(--type-small) var(--text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineName {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly optional = input(false);
  readonly changed = output<string>();

  protected commit(field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name === '' && !this.optional()) field.value = this.value();
    else if (name !== this.value()) this.changed.emit(name);
  }
}
