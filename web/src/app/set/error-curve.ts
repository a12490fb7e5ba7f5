import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CurvePoint } from '@yurei/core/judge';
import { decimals } from '@yurei/core/quantity';
import type { ChartConfiguration } from 'chart.js';
import { across, percent, shortCounts, still, up } from '../common/axis';
import { Chart } from '../common/chart';
import type { Inks } from '../common/inks';

/** Both errors against the line: as read with their bounds, and dashed as normal distributions tell. */
@Component({
  selector: 'yu-error-curve',
  imports: [Chart],
  template: `<yu-chart [configure]="configure()" [label]="label()" />`,
  styles: `
    :host {
      display: block;
      height: 120px;
    }
    yu-chart {
      height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ErrorCurve {
  readonly curve = input.required<readonly CurvePoint[]>();
  /** Where the line stands, in what the threshold is in. */
  readonly line = input.required<number>();
  /** Shows what is noticed against what is false instead (ROC). */
  readonly roc = input(false);

  protected readonly label = computed(() => {
    const near = this.curve().reduce<CurvePoint | undefined>(
      (a, b) => (a && Math.abs(a.line - this.line()) <= Math.abs(b.line - this.line()) ? a : b),
      undefined,
    );
    const share = (x: number | undefined): string => `${decimals(100 * (x ?? 0), 0)} %`;
    return `Both errors against the line. At ${this.line()}: missed ${share(near?.misses)}, false ${share(near?.falses)}.`;
  });

  protected readonly configure = computed(() => {
    const [curve, line, roc] = [this.curve(), this.line(), this.roc()];
    return (inks: Inks) => (roc ? rocConfig(curve, line, inks) : curveConfig(curve, line, inks));
  });
}

function curveConfig(
  curve: readonly CurvePoint[],
  line: number,
  inks: Inks,
): ChartConfiguration<'line'> {
  const bound = (key: 'missesWithin' | 'falsesWithin', end: 0 | 1, colour: string) => ({
    label: key,
    data: curve.map((point) => ({ x: point.line, y: point[key][end] })),
    borderWidth: 0,
    pointRadius: 0,
    backgroundColor: `${colour}22`,
    // From the upper bound down to the lower one, which is the next.
    fill: end === 1 ? '+1' : false,
  });
  const course = (
    key: 'misses' | 'falses' | 'missesFitted' | 'falsesFitted',
    colour: string,
    dash: number[],
  ) => ({
    label: key,
    data: curve.map((point) => ({ x: point.line, y: point[key] })),
    borderColor: colour,
    borderWidth: dash.length > 0 ? 1 : 2,
    borderDash: dash,
    pointRadius: 0,
  });
  return {
    type: 'line',
    data: {
      datasets: [
        course('falses', inks.amber, []),
        course('misses', inks.lantern, []),
        course('falsesFitted', inks.amber, [3, 3]),
        course('missesFitted', inks.lantern, [3, 3]),
        ...([1, 0] as const).map((end) => bound('falsesWithin', end, inks.amber)),
        ...([1, 0] as const).map((end) => bound('missesWithin', end, inks.lantern)),
      ],
    },
    options: {
      ...still,
      parsing: false,
      scales: {
        x: {
          type: 'linear',
          min: curve[0]?.line,
          max: curve[curve.length - 1]?.line,
          ...across(inks, { maxTicksLimit: 5, includeBounds: false, callback: shortCounts }),
        },
        y: {
          min: 0,
          max: 1,
          ...up(inks, { stepSize: 0.5, callback: percent }),
        },
      },
      plugins: {
        tooltip: { enabled: false },
        annotation: {
          annotations: {
            line: {
              type: 'line',
              xMin: line,
              xMax: line,
              borderColor: inks.ink,
              borderWidth: 1.2,
              borderDash: [3, 3],
            },
          },
        },
      },
    },
  };
}

/** Noticed against false as the line moves: up and to the left is good; the dot is the line as it stands. */
function rocConfig(
  curve: readonly CurvePoint[],
  line: number,
  inks: Inks,
): ChartConfiguration<'line'> {
  const at = ({ falses, misses }: CurvePoint) => ({ x: falses, y: 1 - misses });
  const far = (point: CurvePoint): number => Math.abs(point.line - line);
  const here = curve.length > 0 ? [curve.reduce((a, b) => (far(b) < far(a) ? b : a))] : [];
  const share = (text: string) => ({
    min: 0,
    max: 1,
    ...up(inks, { title: text, stepSize: 0.5, callback: percent }),
  });
  return {
    type: 'line',
    data: {
      datasets: [
        { data: curve.map(at), borderColor: inks.indigo, borderWidth: 2, pointRadius: 0 },
        { data: here.map(at), backgroundColor: inks.ink, borderColor: inks.ink, pointRadius: 4 },
      ],
    },
    options: {
      ...still,
      parsing: false,
      scales: { x: { type: 'linear', ...share('false') }, y: share('noticed') },
      plugins: { tooltip: { enabled: false } },
    },
  };
}
