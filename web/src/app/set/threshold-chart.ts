import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { levelsOf } from '@yurei/core/logic';

const clearLevel = (channel: Channel): number => levelsOf(channel, undefined)[0].clear;
import type { ChartConfiguration, ScatterDataPoint } from 'chart.js';
import { Chart } from '../common/chart';
import type { Inks } from '../common/inks';
import { DesignSession } from '../data/design-session';
import { thin, type Group } from './groups';

/** How near to a line the pointer must be to take hold of it, px. */
const reach = 16;
const mostDots = 70;

const style = {
  rest: { colour: 'moss', shape: 'circle' },
  nuisance: { colour: 'amber', shape: 'rectRot' },
  wanted: { colour: 'lantern', shape: 'triangle' },
} as const;

/** Readings by what was going on, with the threshold and the clearing level to drag. */
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
  readonly groups = input.required<Group[]>();
  /** Highest count of the converter. */
  readonly full = input.required<number>();

  private readonly session = inject(DesignSession);
  private readonly chart = viewChild.required(Chart);
  private held?: { line: 'threshold' | 'clear'; gesture: string };

  protected readonly label = computed(() => {
    const { trips, threshold } = this.channel();
    const ranges = this.groups().map((g) => `${g.name} ${g.low} to ${g.high}`);
    return `Readings in counts: ${ranges.join('; ')}. Trips ${trips} ${threshold}, clears at ${clearLevel(this.channel())}.`;
  });

  protected readonly configure = computed(() => {
    const [channel, groups, full] = [this.channel(), this.groups(), this.full()];
    return (inks: Inks) => thresholdConfig(channel, groups, full, inks);
  });

  protected grab(event: PointerEvent): void {
    const [threshold, clear] = [this.channel().threshold, clearLevel(this.channel())].map(
      (counts) => this.chart().pixelAt(counts) ?? Infinity,
    );
    const y = event.offsetY;
    const nearest = Math.abs(y - threshold) <= Math.abs(y - clear) ? 'threshold' : 'clear';
    if (Math.abs(y - (nearest === 'threshold' ? threshold : clear)) > reach) return;
    (event.target as HTMLElement).setPointerCapture(event.pointerId);
    this.held = { line: nearest, gesture: `drag-${performance.now()}` };
  }

  protected drag(event: PointerEvent): void {
    const value = this.chart().valueAt(event.offsetY);
    if (!this.held || value === undefined) return;
    const counts = Math.min(this.full(), Math.max(0, Math.round(value)));
    const channel = moved(this.channel(), this.held.line, counts);
    this.session.edit({ type: 'put-channel', channel }, this.held.gesture);
  }

  protected release(): void {
    this.held = undefined;
  }
}

/** Dragging the threshold takes the band along; dragging the clearing level widens or narrows it. */
function moved(channel: Channel, line: 'threshold' | 'clear', counts: number): Channel {
  if (line === 'threshold') return { ...channel, threshold: counts };
  const width = channel.trips === 'above' ? channel.threshold - counts : counts - channel.threshold;
  return { ...channel, hysteresis: Math.max(0, width) };
}

function thresholdConfig(
  channel: Channel,
  groups: readonly Group[],
  full: number,
  inks: Inks,
): ChartConfiguration<'scatter'> {
  const font = { family: inks.mono.replace(/'/g, ''), size: 11 };
  return {
    type: 'scatter',
    data: {
      datasets: groups.map((group, i) => ({
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
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: {
          type: 'linear',
          min: -0.6,
          max: Math.max(groups.length - 0.4, 1.6),
          grid: { display: false },
          border: { color: inks.rule },
          afterBuildTicks: (axis) => (axis.ticks = groups.map((_, value) => ({ value }))),
          ticks: {
            autoSkip: false,
            maxRotation: 0,
            color: inks.ink,
            font: { family: inks.text.replace(/'/g, ''), size: 12 },
            callback: (value) => tickLabel(groups[Number(value)]),
          },
        },
        y: {
          min: 0,
          max: full,
          grid: { color: inks.rule },
          ticks: { color: inks.soft, font, maxTicksLimit: 7, includeBounds: false },
          title: { display: true, text: 'counts', color: inks.soft, font },
        },
      },
      plugins: {
        tooltip: {
          callbacks: { label: (item) => `${item.dataset.label}: ${item.parsed.y} counts` },
        },
        annotation: { annotations: levelLines(channel, inks, font) },
      },
    },
  };
}

function levelLines(channel: Channel, inks: Inks, font: { family: string; size: number }) {
  const clear = clearLevel(channel);
  const above = channel.trips === 'above';
  const level = (
    value: number,
    colour: string,
    content: string,
    upper: boolean,
    dash: number[],
  ) => ({
    type: 'line' as const,
    yMin: value,
    yMax: value,
    borderColor: colour,
    borderWidth: 2,
    borderDash: dash,
    label: {
      display: true,
      content,
      position: 'end' as const,
      backgroundColor: 'transparent',
      color: colour,
      font: { ...font, weight: 'bold' as const },
      yAdjust: upper ? -9 : 9,
    },
  });
  return {
    band: {
      type: 'box' as const,
      yMin: Math.min(channel.threshold, clear),
      yMax: Math.max(channel.threshold, clear),
      backgroundColor: `${inks.amber}2e`,
      borderWidth: 0,
    },
    threshold: level(
      channel.threshold,
      inks.lantern,
      `on ${channel.trips} ${channel.threshold}`,
      above,
      [],
    ),
    clear: level(clear, inks.amber, `off ${above ? 'below' : 'above'} ${clear}`, !above, [5, 4]),
  };
}

const tickLabel = (group: Group | undefined): string | string[] => {
  if (!group) return '';
  const name = group.name.length > 18 ? `${group.name.slice(0, 17)}…` : group.name;
  return [name, group.low === group.high ? `${group.low}` : `${group.low} … ${group.high}`];
};

/** Spreads dots sideways so that they can be told apart: golden-ratio steps within ± 0.25. */
const spread = (n: number): number => ((n * 0.618034) % 1) * 0.5 - 0.25;
