import { _IdGenerator } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { InputText } from 'primeng/inputtext';

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
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  /** An empty text is given back rather than taken. */
  readonly required = input(false);
  readonly changed = output<string>();

  protected readonly id = inject(_IdGenerator).getId('text-');
  protected readonly text = linkedSignal(() => this.value());

  protected inputValue(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected commit(): void {
    const text = this.text().trim();
    if (text === this.value() || (this.required() && text === '')) this.text.set(this.value());
    else this.changed.emit(text);
  }

  protected reset(event: Event): void {
    if (this.text() === this.value()) return;
    event.stopPropagation();
    this.text.set(this.value());
  }
}
