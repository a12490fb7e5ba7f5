import { ChangeDetectionStrategy, Component, computed, forwardRef, input } from '@angular/core';
import type { LogMapping, ReadingUnit } from '@yurei/core/exchange';
import { ChoiceField, type Choice } from '../common/choice-field';
import { FormField, inForms } from '../common/form-field';

const delimiters: Choice[] = [
  { value: ',', label: 'comma' },
  { value: ';', label: 'semicolon' },
  { value: '\t', label: 'tab' },
  { value: ' ', label: 'space' },
];
const decimals: Choice[] = [
  { value: '.', label: 'point' },
  { value: ',', label: 'comma' },
];
const timeUnits: Choice[] = [
  { value: 's', label: 'seconds' },
  { value: 'ms', label: 'milliseconds' },
  { value: 'min', label: 'minutes' },
  { value: 'date', label: 'date and time' },
];

/** Where nothing was guessed. */
export const plainLog: LogMapping = {
  delimiter: ',',
  decimal: '.',
  header: true,
  time: -1,
  timeUnit: 's',
  value: 0,
  unit: 'counts',
};

/** How the columns of a log are read: each guess can be corrected. */
@Component({
  selector: 'yu-mapping-fields',
  imports: [ChoiceField],
  template: `
    @let mapping = stands();
    <yu-choice-field
      label="Columns apart by"
      [choices]="delimiters"
      [value]="mapping.delimiter"
      (changed)="put({ delimiter: asDelimiter($event) })"
    />
    <yu-choice-field
      label="Decimal"
      [choices]="decimals"
      [value]="mapping.decimal"
      (changed)="put({ decimal: $event === ',' ? ',' : '.' })"
    />
    <yu-choice-field
      label="Time"
      [choices]="times()"
      [value]="mapping.time.toString()"
      (changed)="put({ time: +$event })"
    />
    @if (mapping.time >= 0) {
      <yu-choice-field
        label="in"
        [choices]="timeUnits"
        [value]="mapping.timeUnit"
        (changed)="put({ timeUnit: asTimeUnit($event) })"
      />
    }
    <yu-choice-field
      label="Reading"
      [choices]="values()"
      [value]="mapping.value.toString()"
      (changed)="put({ value: +$event })"
    />
    <yu-choice-field
      label="in"
      [choices]="units()"
      [value]="mapping.unit"
      (changed)="put({ unit: asUnit($event) })"
    />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px 16px;
    }
  `,
  providers: inForms(forwardRef(() => MappingFields)),
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MappingFields extends FormField<LogMapping> {
  readonly columns = input.required<readonly string[]>();
  /** Whether volts can be told in counts. */
  readonly volts = input.required<boolean>();
  protected readonly delimiters = delimiters;
  protected readonly decimals = decimals;
  protected readonly timeUnits = timeUnits;

  protected readonly values = computed((): Choice[] =>
    this.columns().map((label, i) => ({ value: String(i), label })),
  );
  protected readonly times = computed((): Choice[] => [
    { value: '-1', label: 'none: evenly apart' },
    ...this.values(),
  ]);
  protected readonly units = computed((): Choice[] => [
    { value: 'counts', label: 'counts' },
    { value: '%', label: 'per cent' },
    ...(this.volts()
      ? [
          { value: 'V', label: 'volts' },
          { value: 'mV', label: 'millivolts' },
        ]
      : []),
  ]);

  protected blank(): LogMapping {
    return plainLog;
  }

  protected asDelimiter(value: string): LogMapping['delimiter'] {
    return value as LogMapping['delimiter'];
  }

  protected asTimeUnit(value: string): LogMapping['timeUnit'] {
    return value as LogMapping['timeUnit'];
  }

  protected asUnit(value: string): ReadingUnit {
    return value as ReadingUnit;
  }

  protected put(change: Partial<LogMapping>): void {
    this.give({ ...this.stands(), ...change });
  }
}
