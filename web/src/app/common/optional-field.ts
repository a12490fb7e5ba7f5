import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { InlineOptional } from './inline-optional';

/** A field for one quantity that may not be known, with its label before it. */
@Component({
  selector: 'yu-optional-field',
  imports: [InlineOptional],
  template: `
    <span class="label" aria-hidden="true">{{ param().label }}</span>
    <yu-inline-optional
      [param]="param()"
      [value]="value()"
      [untold]="untold()"
      (changed)="changed.emit($event)"
    />
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OptionalField {
  readonly param = input.required<Param>();
  readonly value = input.required<number | undefined>();
  readonly untold = input('not told');
  readonly changed = output<number | undefined>();
}
