import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
} from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { type Channel, withoutAttachments } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { countsAt, stimulusAt } from '@yurei/core/rehearsal';
import { Button } from 'primeng/button';
import { ValueField } from '../../common/value-field';
import { BenchService } from '../../bench/bench';
import { answerTo } from '../../data/answer';
import { DesignSession } from '../../data/design-session';
import { JudgeView } from '../../data/judge-view';
import { Capturing } from '../capturing';
import { ReadingChart, type Course } from './reading-chart';

/** A count in volts, per cent and what the sensor feels, whichever is typed. */
@Component({
  selector: 'yu-convert-helper',
  imports: [Button, ReadingChart, ValueField],
  template: `
    <div class="fields">
      @for (field of fields(); track field.param.id) {
        <yu-value-field
          [param]="field.param"
          [value]="field.value"
          (changed)="take(field.toCounts($event))"
        />
      }
    </div>
    @if (response(); as response) {
      <yu-reading-chart
        [courses]="courses()"
        [across]="response.label"
        [unit]="response.unit"
        [scale]="response.scale"
        [line]="counts()"
        [range]="response.operating"
        [full]="full()"
      />
      <p class="soft">
        {{ response.label }} by the circuit, all else at rest: {{ sensor()?.name }} is made for
        {{ show(response.operating[0], response.unit) }} to
        {{ show(response.operating[1], response.unit) }}.
      </p>
    } @else {
      <p class="soft">{{ told() }}</p>
    }
    @if (counts() !== channel().threshold && !channel().baseline) {
      <p-button [label]="'Threshold → ' + rounded()" size="small" (onClick)="use()" />
    }
  `,
  styleUrl: './helper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConvertHelper {
  protected readonly show = formatQuantity;
  readonly channel = input.required<Channel>();
  /** V of one count; undefined where no converter reads it. */
  readonly oneCount = input<number>();
  private readonly session = inject(DesignSession);
  private readonly bench = inject(BenchService);
  private readonly judging = inject(JudgeView);
  protected readonly full = this.judging.full;
  protected readonly sensor = inject(Capturing).sensor;
  private readonly answer = answerTo(
    () => {
      const [design, sensor, { id: channel }] = [
        this.session.design(),
        this.sensor(),
        this.channel(),
      ];
      return design && { design, sensor, channel };
    },
    async ({ design, sensor, channel }) =>
      sensor && this.bench.patient.response(withoutAttachments(design), channel, sensor.id),
  );
  protected readonly response = computed(() => this.answer().found);
  /** Why there is no curve. */
  protected readonly told = computed(() => {
    const [{ looking, trouble }, sensor] = [this.answer(), this.sensor()];
    if (!sensor) return 'No sensor is wired to it.';
    if (looking) return 'Asking the circuit…';
    return trouble || `${sensor.name} gives no number that follows what it feels.`;
  });
  protected readonly counts = linkedSignal(() => this.channel().threshold);
  protected readonly rounded = computed(() => Math.round(this.counts()));

  protected readonly fields = computed(() => {
    const [counts, one, full, response] = [
      this.counts(),
      this.oneCount(),
      this.judging.full(),
      this.response(),
    ];
    const field = (
      param: Omit<Param, 'default'>,
      value: number,
      toCounts: (v: number) => number,
    ) => ({
      param: { default: 0, ...param },
      value: Number(value.toPrecision(4)),
      toCounts,
    });
    const stimulus = response && stimulusAt(response, counts);
    return [
      field({ id: 'counts', label: 'Counts', unit: 'counts', min: 0, max: full }, counts, (v) => v),
      field(
        { id: 'share', label: 'Of full scale', unit: '%', min: 0, max: 100 },
        (100 * counts) / full,
        (v) => (v * full) / 100,
      ),
      ...(one === undefined
        ? []
        : [
            field(
              { id: 'volts', label: 'Volts', unit: 'V', min: 0, max: one * full },
              counts * one,
              (v) => v / one,
            ),
          ]),
      ...(response && stimulus !== undefined
        ? [
            field(
              {
                id: 'felt',
                label: response.label,
                unit: response.unit as Param['unit'],
                min: 0,
                max: 1e9,
              },
              stimulus,
              (v) => countsAt(response, v) ?? counts,
            ),
          ]
        : []),
    ];
  });

  protected readonly courses = computed((): Course[] => {
    const points = this.response()?.points ?? [];
    return [
      {
        name: `${this.channel().name} by the circuit; shaded: what the sensor is made for`,
        ink: 'indigo',
        points: points.map(({ stimulus, counts }) => ({ x: stimulus, y: counts })),
      },
    ];
  });

  protected take(counts: number): void {
    this.counts.set(Math.min(this.judging.full(), Math.max(0, counts)));
  }

  protected use(): void {
    this.session.edit({
      type: 'put-channel',
      channel: { ...this.channel(), threshold: this.rounded() },
    });
  }
}
