import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { ChoiceField, type Choice } from './choice-field';
import { ValueField } from './value-field';

/** A field for one parameter: a choice where its numbers have names, else a value with a unit. */
@Component({
  selector: 'yu-param-field',
  imports: [ChoiceField, ValueField],
  template: `
    @if (choices(); as choices) {
      <yu-choice-field
        [label]="param().label"
        [choices]="choices"
        [value]="value().toString()"
        (changed)="changed.emit(+$event)"
      />
    } @else {
      <yu-value-field [param]="param()" [value]="value()" (changed)="changed.emit($event)" />
    }
  `,
  styles: ':host { display: contents; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParamField {
  readonly param = input.required<Param>();
  readonly value = input.required<number>();
  readonly changed = output<number>();

  protected readonly choices = computed(() =>
    this.param().choices?.map((label, i): Choice => ({ value: `${i}`, label })),
  );
}
