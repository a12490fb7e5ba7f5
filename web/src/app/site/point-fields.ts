import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { Point } from '@yurei/core/design';
import { InlineValue } from '../common/inline-value';
import { Site } from './site';

/** Where something is on the plan, within a sentence. */
@Component({
  selector: 'yu-point-fields',
  imports: [InlineValue],
  template: ` <yu-inline-value
      [param]="site.right()"
      [value]="point().x"
      (changed)="moved.emit({ x: $event, y: point().y })"
    />
    {{ site.sides().right }},
    <yu-inline-value
      [param]="site.up()"
      [value]="point().y"
      (changed)="moved.emit({ x: point().x, y: $event })"
    />
    {{ site.sides().up }}`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PointFields {
  protected readonly site = inject(Site);
  readonly point = input.required<Point>();
  readonly moved = output<Point>();
}
