import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Channel } from '@yurei/core/design';
import { formatNominal, formatQuantity, significant, type ESeries } from '@yurei/core/quantity';
import { timerSchmitt } from '@yurei/core/threshold';
import { ChoiceField, type Choice } from '../../common/choice-field';
import { ValueField } from '../../common/value-field';
import { JudgeView } from '../../data/judge-view';

const ohms = (id: string, label: string): Param => ({
  id,
  label,
  unit: 'Ω',
  default: 10e3,
  min: 1,
  max: 1e9,
});
const onParam = ohms('on', 'Sensor where it should come on');
const offParam = ohms('off', 'Sensor where it should go off');
const loadParam = ohms('load', 'Measured over a resistor of');

const sides: Choice[] = [
  { value: 'top', label: 'to the supply' },
  { value: 'bottom', label: 'to ground' },
];
const series: Choice[] = ['E12', 'E24', 'E96'].map((value) => ({ value, label: value }));

/** A resistive sensor and a 555-type timer with both inputs joined: the resistor that puts its band in place. */
@Component({
  selector: 'yu-timer-helper',
  imports: [ChoiceField, ValueField],
  template: `
    <div class="fields">
      <yu-value-field [param]="onParam" [value]="on()" (changed)="on.set($event)" />
      <yu-value-field [param]="offParam" [value]="off()" (changed)="off.set($event)" />
      <yu-choice-field
        label="The sensor goes"
        [choices]="sides"
        [value]="side()"
        (changed)="setSide($event)"
      />
      <yu-choice-field
        label="Resistor from"
        [choices]="series"
        [value]="from()"
        (changed)="setSeries($event)"
      />
    </div>
    <p>{{ answer() }}</p>
    <p class="soft">{{ wide() }}</p>
    <h3 class="heading">sensor resistance from what the channel read</h3>
    <div class="fields">
      <yu-value-field [param]="loadParam" [value]="load()" (changed)="load.set($event)" />
    </div>
    @for (row of read(); track row.name) {
      <p class="value">{{ row.name }}: {{ row.ohms }}</p>
    } @empty {
      <p class="soft">No readings yet: measure the sensor with a meter, in both situations.</p>
    }
    <p class="soft">
      Pins 2 and 6 joined trip at one and two thirds of the supply (published data sheet of the
      555-type timer): the two sensor resistances are always as 4 to 1.
    </p>
  `,
  styleUrl: './helper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimerHelper {
  readonly channel = input.required<Channel>();
  private readonly judging = inject(JudgeView);
  protected readonly onParam = onParam;
  protected readonly offParam = offParam;
  protected readonly loadParam = loadParam;
  protected readonly sides = sides;
  protected readonly series = series;
  protected readonly on = signal(20e3);
  protected readonly off = signal(5e3);
  protected readonly load = signal(10e3);
  protected readonly from = signal<ESeries>('E12');
  /** On top the reading rises as the sensor conducts. */
  protected readonly side = linkedSignal((): 'top' | 'bottom' =>
    this.channel().trips === 'below' ? 'bottom' : 'top',
  );

  private readonly found = computed(() =>
    timerSchmitt(this.on(), this.off(), this.side(), this.from()),
  );
  protected readonly answer = computed(() => {
    const { ohms: value, atTwoThirds, atOneThird } = this.found();
    return `Take ${formatNominal(value, 'Ω')}: the input passes two thirds of the supply at ${formatQuantity(atTwoThirds, 'Ω')} and comes back past one third at ${formatQuantity(atOneThird, 'Ω')}. The output is low above, high below.`;
  });
  protected readonly wide = computed(() => {
    const ratio = Math.max(this.on(), this.off()) / Math.min(this.on(), this.off());
    return ratio > 3.9 && ratio < 4.1
      ? 'What is asked for lies as 4 to 1: the timer fits.'
      : `What is asked for lies as ${significant(ratio, 2)} to 1: only the middle of the two can be had. For another ratio take a comparator.`;
  });

  /** What the sensor must have had, from the divider it stands in: ratiometric, so no supply is needed. */
  protected readonly read = computed(() => {
    const full = this.judging.full();
    return (this.judging.current()?.sets ?? []).map(({ name, mean }) => {
      const share = mean / full;
      const value =
        this.side() === 'top'
          ? (this.load() * (1 - share)) / share
          : (this.load() * share) / (1 - share);
      return {
        name,
        ohms:
          value > 0 && Number.isFinite(value)
            ? formatQuantity(value, 'Ω')
            : 'beyond what can be read',
      };
    });
  });

  protected setSide(value: string): void {
    this.side.set(value === 'bottom' ? 'bottom' : 'top');
  }

  protected setSeries(value: string): void {
    this.from.set(value as ESeries);
  }
}
