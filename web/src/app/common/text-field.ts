import { _IdGenerator } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  forwardRef,
  inject,
  input,
  linkedSignal,
} from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { FormField, inForms } from './form-field';

/** A field for a name; committed on Enter or on leaving it, given back on Escape. */
@Component({
  selector: 'yu-text-field',
  imports: [InputText],
  template: `
    <label [for]="id">{{ label() }}</label>
    <input
      #field
      pInputText
      pSize="small"
      class="text"
      autocomplete="off"
      [id]="id"
      [value]="text()"
      [attr.maxlength]="120"
      [disabled]="locked()"
      (blur)="touch()"
      (input)="text.set(inputValue($event))"
      (change)="commit(); field.value = text()"
      (keydown.escape)="reset($event)"
    />
  `,
  styleUrl: './field.css',
  styles: `
    .text {
      font-family: var(--text);
      text-align: left;
    }
    :host {
      grid-template-columns: 52px 1fr;
    }
  `,
  providers: inForms(forwardRef(() => TextField)),
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextField extends FormField<string> {
  readonly label = input.required<string>();
  /** An empty text is given back rather than taken. */
  readonly required = input(false);

  protected readonly id = inject(_IdGenerator).getId('text-');
  protected readonly text = linkedSignal(() => this.stands());

  protected blank(): string {
    return '';
  }

  protected inputValue(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected commit(): void {
    const text = this.text().trim();
    if (text === this.stands() || (this.required() && text === '')) this.text.set(this.stands());
    else this.give(text);
  }

  protected reset(event: Event): void {
    if (this.text() === this.stands()) return;
    event.stopPropagation();
    this.text.set(this.stands());
  }
}
