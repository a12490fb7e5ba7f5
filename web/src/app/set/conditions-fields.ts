import { ChangeDetectionStrategy, Component, forwardRef } from '@angular/core';
import type { Conditions } from '@yurei/core/design';
import { formatNominal, parseQuantity, type Unit } from '@yurei/core/quantity';
import { InputText } from 'primeng/inputtext';
import { TextField } from '../common/text-field';
import { defined } from '../common/defined';
import { FormField, inForms } from '../common/form-field';

type Measured = Exclude<keyof Conditions, 'surface'>;

const fields: readonly { key: Measured; label: string; unit: Unit; min: number; max: number }[] = [
  { key: 'distance', label: 'Distance', unit: 'm', min: 0, max: 1e5 },
  { key: 'angle', label: 'Angle', unit: '°', min: -180, max: 180 },
  { key: 'light', label: 'Light', unit: 'lx', min: 0, max: 1e6 },
  { key: 'temperature', label: 'Temperature', unit: '°C', min: -100, max: 1000 },
  { key: 'supply', label: 'Supply', unit: 'V', min: 0, max: 1000 },
];

/** Under what readings were taken; what is not known stays empty. */
@Component({
  selector: 'yu-conditions-fields',
  imports: [InputText, TextField],
  template: `
    @for (field of fields; track field.key) {
      <label>
        {{ field.label }}
        <input
          pInputText
          pSize="small"
          class="value"
          autocomplete="off"
          placeholder="not noted"
          [value]="shown(field.key, field.unit)"
          (change)="set(field, $event)"
        />
      </label>
    }
    <yu-text-field
      label="Surface"
      [value]="stands().surface ?? ''"
      (changed)="change({ surface: $event || undefined })"
    />
  `,
  styles: `
    :host {
      display: grid;
      gap: 5px;
    }
    label {
      display: grid;
      grid-template-columns: 1fr 116px;
      align-items: center;
      gap: 8px;
      font-size: var(--type-small);
    }
    input {
      font: var(--type-small) var(--mono);
      text-align: right;
      width: 100%;
    }
  `,
  providers: inForms(forwardRef(() => ConditionsFields)),
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConditionsFields extends FormField<Conditions> {
  protected readonly fields = fields;

  protected blank(): Conditions {
    return {};
  }

  protected shown(key: Measured, unit: Unit): string {
    const value = this.stands()[key];
    return value === undefined ? '' : formatNominal(value, unit);
  }

  /** Takes a number with or without its unit; empty forgets it; what makes no sense is given back. */
  protected set({ key, unit, min, max }: (typeof fields)[number], event: Event): void {
    const field = event.target as HTMLInputElement;
    const text = field.value.trim();
    if (text === '') return this.change({ [key]: undefined });
    const parsed = parseQuantity(text, unit);
    const good = parsed.ok && parsed.value >= min && parsed.value <= max;
    if (good) this.change({ [key]: parsed.value });
    field.value = good ? formatNominal(parsed.value, unit) : this.shown(key, unit);
  }

  protected change(change: Partial<Conditions>): void {
    this.give(defined({ ...this.stands(), ...change }));
  }
}
