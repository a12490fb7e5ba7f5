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

let nextId = 0;

/**
 * A field for one quantity: takes "4k7", "4.7 k" or "4700", says in place what it cannot take, and
 * leaves the old value standing until what was typed makes sense.
 */
@Component({
  selector: 'yu-value-field',
  imports: [InputText],
  template: `
    <label [for]="id">{{ param().label }}</label>
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
      (input)="text.set(inputValue($event))"
      (change)="commit(); field.value = text()"
      (keydown.escape)="reset($event)"
    />
    @if (note(); as note) {
      <p class="note" [class.refused]="refused()" [id]="id + '-note'" role="alert">{{ note }}</p>
    }
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ValueField {
  readonly param = input.required<Param>();
  readonly value = input.required<number>();
  readonly changed = output<number>();

  protected readonly id = `value-${nextId++}`;
  protected readonly text = linkedSignal(() => this.shown());
  private readonly shown = computed(() => formatNominal(this.value(), this.param().unit));
  private readonly verdict = computed(() => readParam(this.param(), this.text()).verdict);
  protected readonly refused = computed(() => this.verdict().verdict === 'refuse');
  protected readonly note = computed(() => {
    const verdict = this.verdict();
    return verdict.verdict === 'fine'
      ? ''
      : [verdict.reason, verdict.cure].filter(Boolean).join('. ');
  });

  protected inputValue(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected commit(): void {
    const { value, verdict } = readParam(this.param(), this.text());
    if (value === undefined || verdict.verdict === 'refuse') return;
    if (value !== this.value()) this.changed.emit(value);
    else this.text.set(this.shown());
  }

  protected reset(event: Event): void {
    // Where nothing was typed it may mean something to what the field stands in.
    if (this.text() === this.shown()) return;
    event.stopPropagation();
    this.text.set(this.shown());
  }
}
