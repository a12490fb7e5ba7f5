import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import type { Param } from '@yurei/core/catalog';
import type { Channel } from '@yurei/core/design';
import { formatNominal, formatQuantity, significant, type ESeries } from '@yurei/core/quantity';
import { timerSchmitt } from '@yurei/core/threshold';
import { ChoiceField, type Choice } from '../../common/choice-field';
import { formState } from '../../common/form-state';
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
  imports: [ChoiceField, ReactiveFormsModule, ValueField],
  template: `
    <form class="fields" [formGroup]="form">
      <yu-value-field [param]="onParam" formControlName="on" />
      <yu-value-field [param]="offParam" formControlName="off" />
      <yu-choice-field label="The sensor goes" [choices]="sides" formControlName="side" />
      <yu-choice-field label="Resistor from" [choices]="series" formControlName="from" />
    </form>
    <p>{{ answer() }}</p>
    <p class="soft">{{ wide() }}</p>
    <h3 class="heading">sensor resistance from what the channel read</h3>
    <form class="fields" [formGroup]="form">
      <yu-value-field [param]="loadParam" formControlName="load" />
    </form>
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
  private readonly build = inject(NonNullableFormBuilder);
  protected readonly form = this.build.group({
    on: 20e3,
    off: 5e3,
    load: 10e3,
    from: this.build.control<ESeries>('E12'),
    side: this.build.control<'top' | 'bottom'>('top'),
  });
  private readonly state = formState(this.form);
  private readonly asked = computed(() => this.state().value);

  private readonly found = computed(() => {
    const { on, off, side, from } = this.asked();
    return timerSchmitt(on, off, side, from);
  });
  protected readonly answer = computed(() => {
    const { ohms: value, atTwoThirds, atOneThird } = this.found();
    return `Take ${formatNominal(value, 'Ω')}: the input passes two thirds of the supply at ${formatQuantity(atTwoThirds, 'Ω')} and comes back past one third at ${formatQuantity(atOneThird, 'Ω')}. The output is low above, high below.`;
  });
  protected readonly wide = computed(() => {
    const { on, off } = this.asked();
    const ratio = Math.max(on, off) / Math.min(on, off);
    return ratio > 3.9 && ratio < 4.1
      ? 'What is asked for lies as 4 to 1: the timer fits.'
      : `What is asked for lies as ${significant(ratio, 2)} to 1: only the middle of the two can be had. For another ratio take a comparator.`;
  });

  /** What the sensor must have had, from the divider it stands in: ratiometric, so no supply is needed. */
  protected readonly read = computed(() => {
    const full = this.judging.full();
    const { side, load } = this.asked();
    return (this.judging.current()?.sets ?? []).map(({ name, mean }) => {
      const share = mean / full;
      const value = side === 'top' ? (load * (1 - share)) / share : (load * share) / (1 - share);
      return {
        name,
        ohms:
          value > 0 && Number.isFinite(value)
            ? formatQuantity(value, 'Ω')
            : 'beyond what can be read',
      };
    });
  });

  constructor() {
    // On top the reading rises as the sensor conducts.
    const usual = computed(() => (this.channel().trips === 'below' ? 'bottom' : 'top'));
    effect(() => {
      const side = usual();
      untracked(() => this.form.patchValue({ side }));
    });
  }
}
