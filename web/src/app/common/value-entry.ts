import { computed, Directive, input, linkedSignal, output } from '@angular/core';
import { readParam, type Param } from '@yurei/core/catalog';
import { formatNominal } from '@yurei/core/quantity';

/**
 * Typing one quantity: takes "4k7", "4.7 k" or "4700", says what it cannot take, and leaves the old value
 * standing until what was typed makes sense.
 */
@Directive()
export abstract class ValueEntry {
  readonly param = input.required<Param>();
  readonly value = input.required<number>();
  readonly changed = output<number>();

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
