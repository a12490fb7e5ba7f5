import { computed, Directive, effect, input, linkedSignal } from '@angular/core';
import { readParam, type Param } from '@yurei/core/catalog';
import { formatNominal } from '@yurei/core/quantity';
import { FormField } from './form-field';

/**
 * Typing one quantity: takes "4k7", "4.7 k" or "4700", says what it cannot take, and leaves the old value
 * standing until what was typed makes sense.
 */
@Directive()
export abstract class ValueEntry extends FormField<number> {
  readonly param = input.required<Param>();

  protected readonly text = linkedSignal(() => this.shown());
  private readonly shown = computed(() => formatNominal(this.stands(), this.param().unit));
  private readonly verdict = computed(() => readParam(this.param(), this.text()).verdict);
  protected readonly refused = computed(() => this.verdict().verdict === 'refuse');
  protected readonly note = computed(() => {
    const verdict = this.verdict();
    return verdict.verdict === 'fine'
      ? ''
      : [verdict.reason, verdict.cure].filter(Boolean).join('. ');
  });

  constructor() {
    super();
    effect(() => {
      this.refused();
      this.judgeAnew();
    });
  }

  protected blank(): number {
    return this.param().default;
  }

  protected override why(): string {
    return this.refused() ? this.note() : '';
  }

  protected inputValue(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected commit(): void {
    const { value, verdict } = readParam(this.param(), this.text());
    if (value === undefined || verdict.verdict === 'refuse') return;
    if (value !== this.stands()) this.give(value);
    else this.text.set(this.shown());
  }

  protected reset(event: Event): void {
    // Where nothing was typed it may mean something to what the field stands in.
    if (this.text() === this.shown()) return;
    event.stopPropagation();
    this.text.set(this.shown());
  }
}
