import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import type { Param } from '@yurei/core/catalog';
import type { Channel } from '@yurei/core/design';
import { filterDelay, filterNoise, levelsAtRest } from '@yurei/core/logic';
import { percent } from '@yurei/core/judge';
import { formatQuantity, significant } from '@yurei/core/quantity';
import {
  driftBorne,
  missChance,
  ride,
  slowestAnswer,
  slowestNoticed,
  slowestReading,
} from '@yurei/core/threshold';
import { Message } from 'primeng/message';
import { TableModule } from 'primeng/table';
import { BenchService } from '../../bench/bench';
import { byRow } from '../../common/by-row';
import { Press } from '../../common/press';
import { formState } from '../../common/form-state';
import { ValueField } from '../../common/value-field';
import { BenchView } from '../../data/bench-view';
import { answerTo } from '../../data/answer';
import { DesignSession } from '../../data/design-session';
import { JudgeView } from '../../data/judge-view';
import { ReadingChart, type Course } from './reading-chart';

const eventParam: Param = {
  id: 'event',
  label: 'Shortest event',
  unit: 's',
  default: 0.5,
  min: 1e-4,
  max: 86_400,
};
const growsParam: Param = {
  id: 'grows',
  label: 'An intruder comes within',
  unit: 's',
  default: 10,
  min: 1e-3,
  max: 86_400,
};
const byParam: Param = {
  id: 'by',
  label: 'and changes the reading by',
  unit: 'counts',
  default: 100,
  min: 1,
  max: 65_535,
};

/** More points than this are not drawn. */
const mostPoints = 600;

/** What averaging, debounce and a following baseline do to errors, delay and slow changes. */
@Component({
  selector: 'yu-timing-helper',
  imports: [Message, Press, ReactiveFormsModule, ReadingChart, TableModule, ValueField],
  template: `
    <h3 class="heading">short events</h3>
    <form class="fields" [formGroup]="form">
      <yu-value-field [param]="eventParam" formControlName="event" />
    </form>
    <p>{{ eventWords() }}</p>
    <h3 class="heading">averaging, by the readings that were taken</h3>
    @if (averaged().length > 0) {
      <p-table [value]="averaged()" [rowTrackBy]="byRow" size="small">
        <ng-template #header>
          <tr>
            <th scope="col">mean of</th>
            <th scope="col">missed</th>
            <th scope="col">false</th>
            <th scope="col">noise</th>
            <th scope="col">later by</th>
            <th scope="col"><span class="hidden-label">Do</span></th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr [class.here]="row.here">
            <td>{{ row.n }}</td>
            <td>{{ row.missed }}</td>
            <td>{{ row.wrong }}</td>
            <td>{{ row.noise }}</td>
            <td>{{ row.later }}</td>
            <td>
              <button yuPress="bare" (click)="average(row.n)">Take {{ row.n }}</button>
            </td>
          </tr>
        </ng-template>
      </p-table>
    } @else {
      <p class="soft">No readings yet. {{ filterWords() }}</p>
    }
    <h3 class="heading">slow changes</h3>
    @if (told().trouble; as trouble) {
      <p-message severity="error" size="small" variant="simple">{{ trouble }}</p-message>
    }
    @if (channel().baseline?.kind === 'learnt') {
      <form class="fields" [formGroup]="form">
        <yu-value-field [param]="byParam" formControlName="by" />
        <yu-value-field [param]="growsParam" formControlName="grows" />
      </form>
      <p>{{ slowWords() }}</p>
      <yu-reading-chart [courses]="courses()" across="time" unit="s" />
    } @else {
      <p class="soft">
        A fixed threshold does not follow: whatever drifts past it trips it, however slowly. A
        learnt baseline (panel at the right) takes slow drift along.
      </p>
    }
  `,
  styleUrl: './helper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimingHelper {
  readonly channel = input.required<Channel>();
  protected readonly byRow = byRow;
  private readonly bench = inject(BenchService);
  private readonly judging = inject(JudgeView);
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly eventParam = eventParam;
  protected readonly growsParam = growsParam;
  protected readonly byParam = byParam;
  protected readonly form = inject(NonNullableFormBuilder).group({
    event: eventParam.default,
    grows: growsParam.default,
    by: byParam.default,
  });
  private readonly state = formState(this.form);
  private readonly asked = computed(() => this.state().value);

  protected readonly eventWords = computed(() => {
    const channel = this.channel();
    const { event } = this.asked();
    const missed = missChance(event, channel);
    const least = formatQuantity(slowestReading(event, channel), 's');
    const answer = formatQuantity(slowestAnswer(channel), 's');
    return `With ${channel.hits} in a row every ${formatQuantity(channel.every, 's')} it is ${missed <= 0 ? 'never missed' : `missed in ${percent(missed)} of cases`}; never up to ${least} between readings. It answers within ${answer}.`;
  });

  protected readonly filterWords = computed(() => {
    const { filter, every } = this.channel();
    return filter
      ? `This filter leaves ${percent(filterNoise(filter))} of independent noise and is later by ${formatQuantity(filterDelay(filter) * every, 's')}.`
      : 'The mean of n readings leaves 1/√n of independent noise.';
  });

  protected readonly told = answerTo(
    () => {
      const [channel, sets] = [this.channel(), this.judging.sets()];
      return { channel, sets };
    },
    async ({ channel, sets }) =>
      sets.length > 0 ? this.bench.patient.averaging(channel, sets) : [],
  );

  protected readonly averaged = computed(() => {
    const own = this.channel().filter;
    return (this.told().found ?? []).map(({ n, errors, delay, sd }) => ({
      n,
      missed: errors.misses.tries > 0 ? percent(errors.misses.events / errors.misses.tries) : '–',
      wrong: errors.falses.tries > 0 ? percent(errors.falses.events / errors.falses.tries) : '–',
      noise: sd === undefined ? '–' : `± ${significant(sd, 2)}`,
      later: formatQuantity(delay, 's'),
      here: own ? own.by === 'mean' && own.n === n : n === 1,
    }));
  });

  private readonly rest = computed(() => this.view.snapshot()?.counts[this.channel().id] ?? 0);
  private readonly way = computed(
    () => (this.channel().trips === 'below' ? -1 : 1) * this.asked().by,
  );
  private readonly ridden = computed(() =>
    ride(this.channel(), { rest: this.rest(), by: this.way(), lasts: this.asked().grows }),
  );

  protected readonly slowWords = computed(() => {
    const [channel, rest, by] = [this.channel(), this.rest(), this.way()];
    const [level] = levelsAtRest(channel, rest);
    const drift = driftBorne(channel, Math.abs(level.trip - rest));
    const slowest = slowestNoticed(channel, rest, by);
    const { tripped } = this.ridden();
    const noticed =
      tripped === undefined ? 'is not noticed' : `is noticed after ${formatQuantity(tripped, 's')}`;
    const limit =
      slowest === Infinity
        ? 'However slow it comes, it is noticed.'
        : slowest === 0
          ? 'Not even a sudden change of that size is noticed.'
          : `It is noticed up to ${formatQuantity(slowest, 's')}; slower, and the baseline has followed.`;
    const borne =
      drift > 0
        ? `Steady drift of up to ${formatRate(drift)} does not trip it.`
        : 'The baseline does not follow: any drift reaches the line in the end.';
    return `This change ${noticed}. ${limit} ${borne}`;
  });

  protected readonly courses = computed((): Course[] => {
    const { times, counts, baseline } = this.ridden();
    const step = Math.max(1, Math.floor(times.length / mostPoints));
    const kept = times.map((_, i) => i).filter((i) => i % step === 0);
    const points = (values: readonly (number | undefined)[]) =>
      kept.flatMap((i) => {
        const [x, y] = [times[i], values[i]];
        return x === undefined || y === undefined ? [] : [{ x, y }];
      });
    return [
      { name: 'reading', ink: 'indigo', points: points(counts) },
      { name: 'baseline', ink: 'moss', points: points(baseline) },
    ];
  });

  protected average(n: number): void {
    const { filter, ...plain } = this.channel();
    void filter;
    const channel = n === 1 ? plain : { ...plain, filter: { by: 'mean' as const, n } };
    this.session.edit({ type: 'put-channel', channel });
  }
}

const formatRate = (perSecond: number): string =>
  perSecond >= 1
    ? `${significant(perSecond, 2)} counts a second`
    : `${significant(60 * perSecond, 2)} counts a minute`;
