import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  viewChild,
  type ElementRef,
  type OnDestroy,
} from '@angular/core';
import {
  Chart as ChartJs,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  ScatterController,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { ThemeService } from '../theme/theme';
import { inkColours, type Inks } from './inks';

ChartJs.register(
  Filler,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  ScatterController,
  Tooltip,
  annotation,
);

/** A chart that follows its configuration and the theme. */
@Component({
  selector: 'yu-chart',
  template: '<canvas #canvas role="img" [attr.aria-label]="label()"></canvas>',
  styles: ':host { display: block; position: relative; min-height: 0; min-width: 0; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Chart implements OnDestroy {
  /** Builds the configuration in the colours of the present theme. */
  readonly configure = input.required<(inks: Inks) => ChartConfiguration<'line' | 'scatter'>>();
  readonly label = input.required<string>();

  private readonly theme = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart?: ChartJs<'line' | 'scatter'>;

  constructor() {
    afterNextRender(() => this.draw());
    effect(() => {
      this.theme.theme();
      this.configure();
      if (this.chart) this.draw();
    });
  }

  ngOnDestroy(): void {
    this.chart?.destroy();
  }

  /** The value of the vertical axis at a pixel of the canvas. */
  valueAt(pixel: number): number | undefined {
    return this.chart?.scales['y']?.getValueForPixel(pixel);
  }

  /** The value of the horizontal axis at a pixel of the canvas. */
  acrossAt(pixel: number): number | undefined {
    return this.chart?.scales['x']?.getValueForPixel(pixel);
  }

  /** The pixel of the canvas at a value of the vertical axis. */
  pixelAt(value: number): number | undefined {
    return this.chart?.scales['y']?.getPixelForValue(value);
  }

  private draw(): void {
    const config = this.configure()(inkColours());
    if (!this.chart) {
      this.chart = new ChartJs(this.canvas().nativeElement, config);
      return;
    }
    this.chart.data = config.data;
    this.chart.options = config.options ?? {};
    this.chart.update('none');
  }
}
