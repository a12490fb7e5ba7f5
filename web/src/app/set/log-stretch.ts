import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  model,
  viewChild,
} from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { ChartConfiguration } from 'chart.js';
import { across, seconds, still, up } from '../common/axis';
import { Chart } from '../common/chart';
import type { Inks } from '../common/inks';
import { ValueField } from '../common/value-field';
import { extremes, firstFrom } from '../data/series';
import type { ReadLog } from './log-reading';

/** Readings of a log from one place up to another. */
export interface Stretch {
  first: number;
  end: number;
}

const pieces = 600;

/** A log as a whole, however long, with the stretch that is taken: drag over it or type its ends. */
@Component({
  selector: 'yu-log-stretch',
  imports: [Chart, ValueField],
  template: `
    <yu-chart
      [configure]="configure()"
      label="The log with the stretch that is taken"
      (pointerdown)="begin($event)"
      (pointermove)="drag($event)"
      (pointerup)="held = undefined"
      (pointercancel)="held = undefined"
    />
    <div class="ends">
      <yu-value-field [param]="fromParam()" [value]="from()" (changed)="setEnds($event, to())" />
      <yu-value-field [param]="toParam()" [value]="to()" (changed)="setEnds(from(), $event)" />
    </div>
  `,
  styles: `
    yu-chart {
      height: 190px;
      touch-action: none;
      cursor: crosshair;
    }
    .ends {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogStretch {
  readonly log = input.required<ReadLog>();
  readonly stretch = model<Stretch>();
  private readonly chart = viewChild.required(Chart);
  protected held?: number;

  private readonly last = computed(() => this.log().times[this.log().times.length - 1] ?? 0);
  protected readonly from = computed(() => this.log().times[this.stretch()?.first ?? 0] ?? 0);
  protected readonly to = computed(() => this.log().times[(this.stretch()?.end ?? 1) - 1] ?? 0);
  protected readonly fromParam = computed(() => this.end('from', 'From'));
  protected readonly toParam = computed(() => this.end('to', 'To'));

  private end(id: string, label: string): Param {
    return { id, label, unit: 's', default: 0, min: 0, max: Math.max(this.last(), 1e-9) };
  }

  protected readonly configure = computed(() => {
    const { times, counts } = this.log();
    const points = extremes(times, counts, 0, counts.length, pieces);
    const [from, to] = [this.from(), this.to()];
    return (inks: Inks) => logConfig(points, from, to, inks);
  });

  protected begin(event: PointerEvent): void {
    this.held = this.chart().acrossAt(event.offsetX);
    (event.target as HTMLElement).setPointerCapture(event.pointerId);
  }

  protected drag(event: PointerEvent): void {
    const at = this.chart().acrossAt(event.offsetX);
    if (this.held === undefined || at === undefined) return;
    this.setEnds(Math.min(this.held, at), Math.max(this.held, at));
  }

  protected setEnds(from: number, to: number): void {
    const { times } = this.log();
    const first = firstFrom(times, Math.min(from, to));
    const end = firstFrom(times, Math.max(from, to) + 1e-9);
    if (end > first) this.stretch.set({ first, end });
  }
}

function logConfig(
  points: { x: number; y: number }[],
  from: number,
  to: number,
  inks: Inks,
): ChartConfiguration<'line'> {
  return {
    type: 'line',
    data: {
      datasets: [{ data: points, borderColor: inks.indigo, borderWidth: 1.2, pointRadius: 0 }],
    },
    options: {
      ...still,
      parsing: false,
      scales: {
        x: {
          type: 'linear',
          min: points[0]?.x,
          max: points[points.length - 1]?.x,
          ...across(inks, { callback: seconds }),
        },
        y: up(inks, { maxTicksLimit: 5 }),
      },
      plugins: {
        tooltip: { enabled: false },
        annotation: {
          annotations: {
            taken: {
              type: 'box',
              xMin: from,
              xMax: to,
              backgroundColor: `${inks.indigo}22`,
              borderWidth: 0,
            },
          },
        },
      },
    },
  };
}
