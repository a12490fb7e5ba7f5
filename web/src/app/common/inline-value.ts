import { ChangeDetectionStrategy, Component } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { Hint } from './hint';
import { ValueEntry } from './value-entry';

/** A quantity within a sentence; its label is read out, not shown. */
@Component({
  selector: 'yu-inline-value',
  imports: [Hint, InputText, Message],
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
      [yuHint]="note() || param().label"
      (input)="text.set(inputValue($event))"
      (change)="commit(); field.value = text()"
      (keydown.escape)="reset($event)"
    />
    @if (refused()) {
      <p-message severity="error" size="small" variant="simple">{{ note() }}</p-message>
    }
  `,
  styleUrl: './inline-field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineValue extends ValueEntry {}
