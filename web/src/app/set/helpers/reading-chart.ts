import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ChartConfiguration } from 'chart.js';
import { axisIn, toDigits } from '@yurei/core/quantity';
import { across, shortCounts, still, up } from '../../common/axis';
import { Chart } from '../../common/chart';
import type { Inks } from '../../common/inks';

/** One course of readings over what is varied; dots are what was measured. */
export interface Course {
  name: string;
  ink: 'moss' | 'amber' | 'lantern' | 'indigo';
  points: { x: number; y: number }[];
  dots?: true;
}

/** Counts against something that is varied, with the line of the channel and the range something is made for. */
@Component({
  selector: 'yu-reading-chart',
  imports: [Chart],
  template: `
    <yu-chart [configure]="configure()" [label]="label()" />
    <p class="soft legend">
      @for (course of courses(); track course.name) {
        <span class="name"
          ><span
            class="swatch"
            [class.dot]="course.dots"
            [style.border-color]="'var(--' + course.ink + ')'"
          ></span
          >{{ course.name }}</span
        >
      }
    </p>
  `,
  styles: `
    yu-chart {
      display: block;
      height: 170px;
    }
    .legend {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 14px;
      font-size: var(--type-note);
      margin: 2px 0;
    }
    .swatch {
      display: inline-block;
      width: 16px;
      border-top: 2px solid;
      vertical-align: middle;
      margin-right: 5px;
    }
    .swatch.dot {
      width: 0;
      border: 4px solid;
      border-radius: 50%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingChart {
  readonly courses = input.required<readonly Course[]>();
  /** What is varied, its unit apart; points and range are in it. */
  readonly across = input.required<string>();
  readonly unit = input('');
  readonly scale = input<'linear' | 'log'>('linear');
  /** Counts at which the channel trips. */
  readonly line = input<number>();
  /** Highest count that can be read. */
  readonly full = input<number>();
  /** What it is made for, on the horizontal axis. */
  readonly range = input<readonly [number, number]>();

  protected readonly label = computed(
    () =>
      `Counts against ${this.across()}: ${this.courses()
        .map((c) => c.name)
        .join(', ')}`,
  );
  protected readonly configure = computed(() => {
    const [line, scale, full] = [this.line(), this.scale(), this.full()];
    const axis = axisIn(this.unit());
    const across = [this.across(), axis.unit].filter(Boolean).join(', ');
    const range = this.range()?.map(axis.at);
    const courses = this.courses().map((course) => ({
      ...course,
      points: course.points.map(({ x, y }) => ({ x: axis.at(x), y })),
    }));
    return (inks: Inks) => config({ courses, across, scale, line, range, full }, inks);
  });
}

interface Told {
  courses: readonly Course[];
  across: string;
  scale: 'linear' | 'log';
  line: number | undefined;
  range: readonly number[] | undefined;
  full: number | undefined;
}

function config(
  { courses, across: heading, scale, line, range, full }: Told,
  inks: Inks,
): ChartConfiguration<'line'> {
  const annotations = {
    ...(line === undefined
      ? {}
      : {
          line: {
            type: 'line' as const,
            yMin: line,
            yMax: line,
            borderColor: inks.lantern,
            borderWidth: 1.2,
            borderDash: [4, 3],
          },
        }),
    ...(range
      ? {
          range: {
            type: 'box' as const,
            xMin: range[0],
            xMax: range[1],
            backgroundColor: `${inks.moss}18`,
            borderWidth: 0,
          },
        }
      : {}),
  };
  return {
    type: 'line',
    data: {
      datasets: courses.map(({ ink, points, dots }) => ({
        data: points,
        borderColor: inks[ink],
        backgroundColor: inks[ink],
        borderWidth: 1.6,
        showLine: !dots,
        pointRadius: dots ? 4 : 0,
      })),
    },
    options: {
      ...still,
      parsing: false,
      scales: {
        x: {
          type: scale === 'log' ? 'logarithmic' : 'linear',
          ...across(inks, {
            title: heading,
            maxTicksLimit: 8,
            callback: (v) => toDigits(Number(v), 3),
          }),
        },
        y: {
          min: 0,
          ...(full === undefined ? {} : { max: full }),
          ...up(inks, { title: 'counts', maxTicksLimit: 5, callback: shortCounts }),
        },
      },
      plugins: { tooltip: { enabled: false }, annotation: { annotations } },
    },
  };
}
