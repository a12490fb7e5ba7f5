import { ChangeDetectionStrategy, Component } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { ValueEntry } from './value-entry';

/** A quantity within a sentence; its label is read out, not shown. */
@Component({
  selector: 'yu-inline-value',
  imports: [InputText],
  template: `
    <input
      #field
      pInputText
      pSize="small"
      class="value"
      autocomplete="off"
      spellcheck="false"
      [value]="text()"
      [style.width.ch]="text().length + 2"
      [attr.aria-label]="param().label"
      [attr.aria-invalid]="refused()"
      [title]="note() || param().label"
      (input)="text.set(inputValue($event))"
      (change)="commit(); field.value = text()"
      (keydown.escape)="reset($event)"
    />
    @if (refused()) {
      <span class="refused" role="alert">{{ note() }}</span>
    }
  `,
  styles: `
    input {
      min-height: 24px;
      padding: 1px 3px;
      font-size: var(--type-small);
      text-align: center;
    }
    input[aria-invalid='true'] {
      border-color: var(--lantern);
    }
    .refused {
      display: block;
      color: var(--lantern-ink);
      font-size: var(--type-note);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineValue extends ValueEntry {}
