import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { readParam, type Param } from '@yurei/core/catalog';
import { formatQuantity } from '@yurei/core/quantity';
import { InputText } from 'primeng/inputtext';
import { Hint } from '../common/hint';
import { BenchView } from '../data/bench-view';
import { Player } from '../data/player';

/** Where the time cursor stands; another moment can be typed. */
@Component({
  selector: 'yu-clock-field',
  imports: [Hint, InputText],
  template: `
    <input
      #field
      pInputText
      pSize="small"
      class="value"
      autocomplete="off"
      spellcheck="false"
      placeholder="at rest"
      [value]="text()"
      [attr.aria-label]="param().label"
      [attr.aria-invalid]="refused() ? true : null"
      [yuHint]="refused() || 'Type a moment of the scene: 12.5 s'"
      (input)="text.set(field.value)"
      (change)="take()"
    />
  `,
  styles: `
    input {
      width: 84px;
      padding: 1px 6px;
      min-height: 24px;
      font-size: var(--type-small);
    }
    input[aria-invalid='true'] {
      border-color: var(--lantern);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClockField {
  private readonly view = inject(BenchView);
  private readonly player = inject(Player);
  protected readonly param = computed((): Param => ({
    id: 'time',
    label: 'Time in the scene',
    unit: 's',
    default: 0,
    min: 0,
    max: this.view.scene()?.duration ?? 0,
  }));
  private readonly shown = computed(() => {
    const t = this.view.time();
    return t === undefined ? '' : formatQuantity(t, 's', 4);
  });
  protected readonly text = linkedSignal(() => this.shown());
  private readonly read = computed(() => readParam(this.param(), this.text()));
  protected readonly refused = computed(() => {
    const { verdict } = this.read();
    return this.text() !== this.shown() && verdict.verdict === 'refuse' ? verdict.reason : '';
  });

  /** An empty field means at rest; what makes no sense stays to be mended. */
  protected take(): void {
    const { value, verdict } = this.read();
    this.player.pause();
    if (this.text().trim() === '') this.view.moveTo(undefined);
    else if (value !== undefined && verdict.verdict !== 'refuse') this.view.moveTo(value);
  }
}
