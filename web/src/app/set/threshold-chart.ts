import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { levelsOf, unitOf, type Level } from '@yurei/core/logic';
import type { ChartConfiguration, ScatterDataPoint } from 'chart.js';
import { chartFont, shortCounts, still, up } from '../common/axis';
import { Chart } from '../common/chart';
import type { Inks } from '../common/inks';
import { DesignSession } from '../data/design-session';
import { thin, type Column } from './columns';

/** How near to a line the pointer must be to take hold of it, px. */
const reach = 16;
const mostDots = 70;
/** Room for the names of the levels, as a share of that of all columns. */
export const labelShare = 0.2;
/** Width of the axis: names below stand in line with the columns. */
export const axisWidth = 56;

const style = {
  quiet: { colour: 'moss', shape: 'circle' },
  nuisance: { colour: 'amber', shape: 'rectRot' },
  wanted: { colour: 'lantern', shape: 'triangle' },
} as const;

interface Held {
  level: Level;
  line: 'trip' | 'clear';
  gesture: string;
}

/** Readings in columns by what was going on, with the levels of the channel to drag. */
@Component({
  selector: 'yu-threshold-chart',
  imports: [Chart],
  template: `
    <yu-chart
      [configure]="configure()"
      [label]="label()"
      (pointerdown)="grab($event)"
      (pointermove)="drag($event)"
      (pointerup)="release()"
      (pointercancel)="release()"
    />
  `,
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    yu-chart {
      height: 100%;
      touch-action: none;
      cursor: ns-resize;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThresholdChart {
  readonly channel = input.required<Channel>();
  readonly columns = input.required<readonly Column[]>();
  /** Highest count of the converter. */
  readonly full = input.required<number>();
  /** Where the channel's baseline stands, counts. */
  readonly from = input<number>();

  private readonly session = inject(DesignSession);
  private readonly chart = viewChild.required(Chart);
  private held?: Held;
  private readonly levels = computed(() => levelsOf(this.channel(), this.from()));

  protected readonly label = computed(() => {
    const ranges = this.columns().map((g) => `${g.name} ${round(g.low)} to ${round(g.high)}`);
    const levels = this.levels().map(
      (l) => `Trips ${l.side} ${round(l.trip)}, clears at ${round(l.clear)}.`,
    );
    return `Readings in counts: ${ranges.join('; ')}. ${levels.join(' ')}`;
  });

  protected readonly configure = computed(() => {
    const [levels, columns, full] = [this.levels(), this.columns(), this.full()];
    return (inks: Inks) => thresholdConfig(levels, columns, full, inks);
  });

  protected grab(event: PointerEvent): void {
    const y = event.offsetY;
    const away = (counts: number): number =>
      Math.abs(y - (this.chart().pixelAt(counts) ?? Infinity));
    const lines = this.levels().flatMap((level) =>
      (['trip', 'clear'] as const).map((line) => ({ level, line, far: away(level[line]) })),
    );
    const nearest = lines.reduce((a, b) => (b.far < a.far ? b : a));
    if (nearest.far > reach) return;
    (event.target as HTMLElement).setPointerCapture(event.pointerId);
    this.held = { ...nearest, gesture: `drag-${performance.now()}` };
  }

  protected drag(event: PointerEvent): void {
    const value = this.chart().valueAt(event.offsetY);
    if (!this.held || value === undefined) return;
    const counts = Math.min(this.full(), Math.max(0, Math.round(value)));
    const channel = moved(this.channel(), this.from(), this.held, counts);
    this.session.edit({ type: 'put-channel', channel }, this.held.gesture);
  }

  protected release(): void {
    this.held = undefined;
  }
}

const round = (counts: number): number => Math.round(counts * 10) / 10;

/** Dragging a threshold takes the band along; dragging the clearing level widens or narrows it. */
function moved(
  channel: Channel,
  from: number | undefined,
  { level, line }: Pick<Held, 'level' | 'line'>,
  counts: number,
): Channel {
  const sign = level.side === 'above' ? 1 : -1;
  const one = unitOf(channel, from) || 1;
  if (line === 'trip') {
    const far = from === undefined ? counts : (sign * (counts - from)) / one;
    return { ...channel, threshold: Math.max(0, Math.round(far)) };
  }
  const trip = levelsOf(channel, from).find((l) => l.side === level.side)?.trip ?? level.trip;
  return { ...channel, hysteresis: Math.max(0, Math.round((sign * (trip - counts)) / one)) };
}

function thresholdConfig(
  levels: readonly Level[],
  columns: readonly Column[],
  full: number,
  inks: Inks,
): ChartConfiguration<'scatter'> {
  return {
    type: 'scatter',
    data: {
      datasets: columns.map((group, i) => ({
        label: group.name,
        data: thin(group.counts, mostDots).map((y, n): ScatterDataPoint => ({
          x: i + spread(n),
          y,
        })),
        backgroundColor: `${inks[style[group.kind].colour]}cc`,
        borderColor: inks[style[group.kind].colour],
        pointStyle: style[group.kind].shape,
        pointRadius: group.kind === 'wanted' ? 4.5 : 3.5,
      })),
    },
    options: {
      ...still,
      scales: {
        x: {
          type: 'linear',
          min: -0.5,
          // The levels are named beside the columns.
          max: Math.max(columns.length, 1) * (1 + labelShare) - 0.5,
          display: false,
        },
        y: {
          min: 0,
          max: topOf(levels, columns, full),
          afterFit: (axis) => (axis.width = axisWidth),
          ...up(inks, {
            title: 'counts',
            maxTicksLimit: 7,
            includeBounds: false,
            callback: shortCounts,
          }),
        },
      },
      plugins: {
        tooltip: {
          callbacks: { label: (item) => `${item.dataset.label}: ${item.parsed.y} counts` },
        },
        annotation: { annotations: levelLines(levels, inks) },
      },
    },
  };
}

/** Where the axis ends: with room above all that is shown, and never beyond what can be read. */
function topOf(levels: readonly Level[], columns: readonly Column[], full: number): number {
  const shown = Math.max(...levels.map((l) => l.trip), ...columns.map((c) => c.high));
  return shown > full / 2 ? full : Math.max(20, Math.min(full, Math.ceil(shown / 80) * 100));
}

function levelLines(levels: readonly Level[], inks: Inks) {
  const line = (at: number, colour: string, content: string, upper: boolean, dash: number[]) => ({
    type: 'line' as const,
    yMin: at,
    yMax: at,
    borderColor: colour,
    borderWidth: 2,
    borderDash: dash,
    label: {
      display: true,
      content,
      position: 'end' as const,
      backgroundColor: 'transparent',
      color: colour,
      font: { ...chartFont(inks), weight: 'bold' as const },
      yAdjust: upper ? -9 : 9,
    },
  });
  return Object.fromEntries(
    levels.flatMap(({ side, trip, clear }) => {
      const above = side === 'above';
      const on = `on ${side} ${round(trip)}`;
      const off = `off ${above ? 'below' : 'above'} ${round(clear)}`;
      const band = {
        type: 'box' as const,
        yMin: Math.min(trip, clear),
        yMax: Math.max(trip, clear),
        backgroundColor: `${inks.amber}2e`,
        borderWidth: 0,
      };
      return [
        [`${side}-band`, band] as const,
        [`${side}-trip`, line(trip, inks.lantern, on, above, [])] as const,
        [`${side}-clear`, line(clear, inks.amber, off, !above, [5, 4])] as const,
      ];
    }),
  );
}

/** Spreads dots sideways so that they can be told apart: golden-ratio steps within ± 0.25. */
const spread = (n: number): number => ((n * 0.618034) % 1) * 0.5 - 0.25;
