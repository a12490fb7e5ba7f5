import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Stands in for the drawn chart, which needs a canvas: one count is one pixel, 1000 at the top. */
@Component({
  selector: 'yu-chart',
  template: '',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Chart {
  readonly configure = input.required<unknown>();
  readonly label = input.required<string>();
  readonly cursor = input<number>();

  valueAt(pixel: number): number {
    return 1000 - pixel;
  }

  acrossAt(pixel: number): number {
    return pixel;
  }

  pixelAt(value: number): number {
    return 1000 - value;
  }
}
