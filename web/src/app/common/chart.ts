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
  template: `
    <canvas #canvas role="img" [attr.aria-label]="label()"></canvas>
    <span #line class="cursor" hidden></span>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      min-height: 0;
      min-width: 0;
    }
    .cursor {
      position: absolute;
      border-left: 1.5px solid var(--ink);
      pointer-events: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Chart implements OnDestroy {
  /** Builds the configuration in the colours of the present theme. */
  readonly configure = input.required<(inks: Inks) => ChartConfiguration<'line' | 'scatter'>>();
  readonly label = input.required<string>();
  /** A line across at this value of the horizontal axis: it moves without drawing the chart again. */
  readonly cursor = input<number>();

  private readonly theme = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly line = viewChild<ElementRef<HTMLElement>>('line');
  private chart?: ChartJs<'line' | 'scatter'>;

  constructor() {
    afterNextRender(() => this.draw());
    effect(() => {
      this.theme.theme();
      this.configure();
      if (this.chart) this.draw();
    });
    effect(() => {
      this.cursor();
      this.placeCursor();
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

  private placeCursor(): void {
    const [at, scale, area] = [this.cursor(), this.chart?.scales['x'], this.chart?.chartArea];
    const line = this.line()?.nativeElement;
    if (!line) return;
    const shows = at !== undefined && scale !== undefined && area !== undefined;
    line.hidden = !shows;
    if (!shows) return;
    const { style } = line;
    style.left = `${scale.getPixelForValue(at)}px`;
    style.top = `${area.top}px`;
    style.height = `${area.bottom - area.top}px`;
  }

  private draw(): void {
    const config = this.configure()(inkColours());
    if (!this.chart) {
      const follows = { id: 'cursor', afterLayout: () => this.placeCursor() };
      const plugins = [...(config.plugins ?? []), follows];
      this.chart = new ChartJs(this.canvas().nativeElement, { ...config, plugins });
      return;
    }
    this.chart.data = config.data;
    this.chart.options = config.options ?? {};
    this.chart.update('none');
  }
}
