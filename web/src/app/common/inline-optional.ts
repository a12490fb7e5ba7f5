import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { readParam, type Param } from '@yurei/core/catalog';
import { formatNominal } from '@yurei/core/quantity';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { Hint } from './hint';

/** A quantity within a sentence that may not be known: an empty field stands for that. Its label is read out, not shown. */
@Component({
  selector: 'yu-inline-optional',
  imports: [Hint, InputText, Message],
  template: `
    <input
      #field
      pInputText
      pSize="small"
      class="value"
      autocomplete="off"
      spellcheck="false"
      [placeholder]="untold()"
      [value]="text()"
      [style.width.ch]="(text() || untold()).length + 3"
      [attr.aria-label]="param().label"
      [attr.aria-invalid]="note() !== ''"
      [yuHint]="note() || param().label"
      (input)="text.set(field.value)"
      (change)="commit(); field.value = text()"
    />
    @if (note(); as note) {
      <p-message severity="error" size="small" variant="simple">{{ note }}</p-message>
    }
  `,
  styleUrl: './inline-field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineOptional {
  readonly param = input.required<Param>();
  readonly value = input.required<number | undefined>();
  /** What stands in the empty field. */
  readonly untold = input('not told');
  readonly changed = output<number | undefined>();

  protected readonly text = linkedSignal(() => this.shown());
  private readonly shown = computed(() => {
    const value = this.value();
    return value === undefined ? '' : formatNominal(value, this.param().unit);
  });
  private readonly read = computed(() =>
    this.text().trim() === '' ? undefined : readParam(this.param(), this.text()),
  );
  protected readonly note = computed(() => {
    const verdict = this.read()?.verdict;
    return verdict?.verdict === 'refuse'
      ? [verdict.reason, verdict.cure].filter(Boolean).join('. ')
      : '';
  });

  protected commit(): void {
    const read = this.read();
    if (read && (read.value === undefined || read.verdict.verdict === 'refuse')) return;
    if (read?.value !== this.value()) this.changed.emit(read?.value);
    else this.text.set(this.shown());
  }
}
