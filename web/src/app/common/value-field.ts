import { _IdGenerator } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, computed, forwardRef, inject } from '@angular/core';
import { meaningOf } from '@yurei/core/help';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { inForms } from './form-field';
import { Hint } from './hint';
import { ValueEntry } from './value-entry';

/** A field for one quantity, with its label before it and what cannot be taken below it. */
@Component({
  selector: 'yu-value-field',
  imports: [Hint, InputText, Message],
  template: `
    <label [for]="id" [yuHint]="meaning()">{{ param().label }}</label>
    <input
      #field
      pInputText
      pSize="small"
      class="value"
      autocomplete="off"
      spellcheck="false"
      [id]="id"
      [value]="text()"
      [attr.aria-invalid]="refused()"
      [attr.aria-describedby]="note() ? id + '-note' : null"
      [disabled]="locked()"
      (blur)="touch()"
      (input)="text.set(inputValue($event))"
      (change)="commit(); field.value = text()"
      (keydown.escape)="reset($event)"
    />
    @if (note(); as note) {
      <p-message
        class="note"
        size="small"
        variant="simple"
        [id]="id + '-note'"
        [severity]="refused() ? 'error' : 'warn'"
        >{{ note }}</p-message
      >
    }
  `,
  styleUrl: './field.css',
  providers: inForms(forwardRef(() => ValueField)),
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ValueField extends ValueEntry {
  protected readonly id = inject(_IdGenerator).getId('value-');
  protected readonly meaning = computed(() => meaningOf(this.param().label));
}
