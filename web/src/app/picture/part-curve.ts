import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  resource,
} from '@angular/core';
import { findKind, type Numbers } from '@yurei/core/catalog';
import { hasCurve, type Characteristic } from '@yurei/core/circuit';
import { axisIn, formatQuantity, prefixlessUnits, toDigits, type Unit } from '@yurei/core/quantity';
import type { ChartConfiguration, ScatterDataPoint } from 'chart.js';
import { Message } from 'primeng/message';
import { BenchService } from '../bench/bench';
import { still, up } from '../common/axis';
import { Chart } from '../common/chart';
import type { Inks } from '../common/inks';

/** The characteristic curve of a kind of part with given values, its working range marked. */
@Component({
  selector: 'yu-part-curve',
  imports: [Chart, Message],
  template: `
    @if (!drawn()) {
      <p class="soft">No curve: nothing beyond the boundary to mains is computed.</p>
    } @else if (found(); as curve) {
      <yu-chart [configure]="configure()" [label]="label()" />
      <p class="soft">
        @if (!curve.x.choices) {
          Works from {{ show(curve.operating[0], curve.x.unit) }} to
          {{ show(curve.operating[1], curve.x.unit) }}, shaded.
        }
        @if (curve.back) {
          Dashed: on the way back.
        }
      </p>
    } @else if (curve.error()) {
      <p-message severity="error" size="small" variant="simple"
        >The curve could not be computed with these values.</p-message
      >
    } @else {
      <p class="soft" role="status">Solving the curve…</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    yu-chart {
      height: var(--curve-height, 300px);
    }
    p {
      font-size: var(--type-small);
      margin-top: 4px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartCurve {
  readonly kind = input.required<string>();
  readonly params = input<Numbers>({});
  private readonly bench = inject(BenchService);

  protected readonly drawn = computed(() => {
    const kind = findKind(this.kind());
    return kind === undefined || hasCurve(kind);
  });
  protected readonly curve = resource({
    params: () => (this.drawn() ? { kind: this.kind(), params: this.params() } : undefined),
    loader: ({ params: { kind, params } }) => this.bench.quick.curve(kind, { ...params }),
  });
  /** Asked for its value a failed resource throws. */
  protected readonly found = computed(() =>
    this.curve.hasValue() ? this.curve.value() : undefined,
  );
  protected readonly configure = computed(() => {
    const curve = this.found();
    return (inks: Inks) =>
      curve ? curveConfig(curve, inks) : { type: 'scatter' as const, data: { datasets: [] } };
  });
  protected readonly label = computed(() => {
    const curve = this.found();
    if (!curve) return '';
    const { x, y, ys } = curve;
    const ends = [0, -1].map((place) => sayAt(curve, ys, place));
    return `${y.label} against ${x.label}: ${ends.join(', ')}`;
  });
  protected readonly show = show;
}

const show = (value: number, unit: Unit): string => formatQuantity(value, unit);

/** A point of a curve in words: its value at a place in the list, and where that is; −1 is the last. */
const sayAt = ({ x, y, xs }: Characteristic, list: readonly number[], place: number): string =>
  `${show(list.at(place) ?? NaN, y.unit)} at ${show(xs.at(place) ?? NaN, x.unit)}`;

/** A tick of an axis: short, with its prefix; in a unit that is not SI a bare number. */
const tick = (value: number | string, unit: Unit): string =>
  prefixlessUnits.has(unit) || axisIn(unit).unit !== unit
    ? toDigits(Number(value), 3)
    : formatQuantity(Number(value), unit, 2);

/** The chart of a curve in the colours of a theme. */
export function curveConfig(curve: Characteristic, inks: Inks): ChartConfiguration<'scatter'> {
  const { x, y, xs, ys, back, operating } = curve;
  const [along, upwards] = [axisIn(x.unit), axisIn(y.unit)];
  const line = (list: readonly number[]): ScatterDataPoint[] =>
    list.map((value, i) => ({ x: along.at(xs[i] ?? NaN), y: upwards.at(value) }));
  const { choices } = x;
  const stroke = {
    showLine: choices === undefined,
    pointRadius: choices ? 6 : 0,
    borderWidth: 2,
    borderColor: inks.indigo,
    backgroundColor: inks.indigo,
  };
  // Resistances cover decades: drawn on a logarithm where they stay above zero.
  const decades = y.unit === 'Ω' && Math.min(...ys) > 0;
  const title = (text: string, unit: string): string => (unit ? `${text}, ${unit}` : text);
  return {
    type: 'scatter',
    data: {
      datasets: [
        { ...stroke, label: 'going up', data: line(ys) },
        ...(back ? [{ ...stroke, label: 'going back', data: line(back), borderDash: [5, 4] }] : []),
      ],
    },
    options: {
      ...still,
      scales: {
        x: {
          type: x.scale === 'log' ? 'logarithmic' : 'linear',
          min: along.at(Math.min(...xs)) - (choices ? 0.5 : 0),
          max: along.at(Math.max(...xs)) + (choices ? 0.5 : 0),
          ...up(inks, {
            title: title(x.label, along.unit),
            maxTicksLimit: 6,
            callback: (v) => (choices ? (choices[Number(v)] ?? '') : tick(v, x.unit)),
          }),
          afterBuildTicks: (axis) => {
            if (choices) axis.ticks = choices.map((_, value) => ({ value }));
          },
        },
        y: {
          type: decades ? 'logarithmic' : 'linear',
          ...up(inks, {
            title: title(y.label, upwards.unit),
            maxTicksLimit: 6,
            callback: (v) => tick(v, y.unit),
          }),
        },
      },
      plugins: {
        tooltip: {
          intersect: false,
          callbacks: {
            label: ({ datasetIndex, dataIndex }) =>
              sayAt(curve, datasetIndex === 0 ? ys : (back ?? ys), dataIndex),
          },
        },
        annotation: {
          annotations: {
            works: {
              type: 'box',
              display: choices === undefined,
              xMin: along.at(operating[0]),
              xMax: along.at(operating[1]),
              backgroundColor: `${inks.moss}26`,
              borderWidth: 0,
            },
          },
        },
      },
    },
  };
}
