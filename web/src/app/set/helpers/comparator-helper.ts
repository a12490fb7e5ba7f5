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
import { decimals, formatNominal, formatQuantity, type ESeries } from '@yurei/core/quantity';
import type { ComparatorTask } from '@yurei/core/threshold';
import { Message } from 'primeng/message';
import { TableModule } from 'primeng/table';
import { BenchService } from '../../bench/bench';
import { byRow } from '../../common/by-row';
import { ChoiceField, type Choice } from '../../common/choice-field';
import { formState } from '../../common/form-state';
import { ValueField } from '../../common/value-field';
import { answerInTurn } from '../../data/answer';
import type { Volts } from '../set-it-dialog';

const params = [
  { id: 'supply', label: 'Supply', unit: 'V', default: 5, min: 2, max: 36 },
  { id: 'upper', label: 'Changes going up at', unit: 'V', default: 3, min: 0.01, max: 36 },
  { id: 'lower', label: 'Changes back at', unit: 'V', default: 2, min: 0.01, max: 36 },
  { id: 'pullUp', label: 'Pull-up at the output', unit: 'Ω', default: 4700, min: 220, max: 1e6 },
  { id: 'tolerance', label: 'Resistors are within ±', unit: '%', default: 1, min: 0, max: 20 },
] as const satisfies readonly Param[];

/** Every combination of preferred values for two trip points, the best with its worst case. */
@Component({
  selector: 'yu-comparator-helper',
  imports: [ChoiceField, Message, ReactiveFormsModule, TableModule, ValueField],
  template: `
    <form class="fields" [formGroup]="form">
      @for (param of params; track param.id) {
        <yu-value-field [param]="param" [formControlName]="param.id" />
      }
      <yu-choice-field label="The signal goes to" [choices]="inputs" formControlName="signal" />
      <yu-choice-field label="Resistors from" [choices]="series" formControlName="series" />
    </form>
    @if (refused(); as refused) {
      <p-message severity="error" size="small" variant="simple">{{ refused }}</p-message>
    } @else {
      <p-table [value]="rows()" [rowTrackBy]="byRow" size="small">
        <ng-template #header>
          <tr>
            @for (head of heads(); track head) {
              <th scope="col">{{ head }}</th>
            }
          </tr>
        </ng-template>
        <ng-template #body let-row let-at="rowIndex">
          <tr [class.best]="at === 0">
            @for (cell of row; track $index) {
              <td>{{ cell }}</td>
            }
          </tr>
        </ng-template>
      </p-table>
    }
    <p class="soft">
      All {{ task().series }} values from 1 kΩ to 1 MΩ were tried. An open-collector comparator (393
      type) is taken, its output at {{ task().low }} V when low; worst case over all resistors.
      {{ how() }}
    </p>
    <p class="soft">
      The block “Comparator with trimmer and hysteresis” in Wire builds one with a trimmer.
    </p>
  `,
  styleUrl: './helper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparatorHelper {
  readonly channel = input.required<Channel>();
  readonly volts = input<Volts>();
  protected readonly byRow = byRow;
  private readonly bench = inject(BenchService);
  protected readonly params = params;
  protected readonly inputs: Choice[] = [
    { value: 'minus', label: '− (low above)' },
    { value: 'plus', label: '+ (high above)' },
  ];
  protected readonly series: Choice[] = ['E12', 'E24', 'E96'].map((value) => ({
    value,
    label: value,
  }));
  private readonly build = inject(NonNullableFormBuilder);
  protected readonly form = this.build.group({
    supply: 5,
    upper: 3,
    lower: 2,
    pullUp: 4700,
    tolerance: 1,
    signal: this.build.control<ComparatorTask['signal']>('plus'),
    series: this.build.control<ESeries>('E24'),
  });
  private readonly asked = formState(this.form);
  protected readonly task = computed((): ComparatorTask => {
    const { tolerance, ...task } = this.asked().value;
    return { ...task, tolerance: tolerance / 100, low: 0.1, from: 1e3, to: 1e6 };
  });
  private readonly search = answerInTurn(this.task, (task) => this.bench.patient.comparator(task));
  protected readonly found = computed(() => this.search().found ?? []);
  protected readonly refused = computed(() => this.search().trouble);

  constructor() {
    effect(() => {
      const volts = this.volts();
      if (!volts) return;
      const [lower, upper] = [volts.trip, volts.clear].map(millivolts).sort((a, b) => a - b);
      untracked(() => this.form.patchValue({ upper, lower }));
    });
  }

  protected readonly heads = computed(() =>
    this.task().signal === 'minus'
      ? ['supply to +', '+ to ground', 'output to +', 'up at', 'back at', 'worst up', 'worst back']
      : ['signal to +', '− stands at', 'output to +', 'up at', 'back at', 'worst up', 'worst back'],
  );

  protected readonly rows = computed(() =>
    this.found().map(({ a, b, feedback, reference, upper, lower, worst }) => [
      formatNominal(a, 'Ω'),
      reference === undefined ? formatNominal(b, 'Ω') : formatQuantity(reference, 'V'),
      formatNominal(feedback, 'Ω'),
      formatQuantity(upper, 'V'),
      formatQuantity(lower, 'V'),
      between(worst.upper),
      between(worst.lower),
    ]),
  );

  protected readonly how = computed(() =>
    this.task().signal === 'minus'
      ? 'The output falls when the signal rises above the upper trip point.'
      : 'The output rises with the signal; − is set by a divider or a trimmer of its own.',
  );
}

const millivolts = (volts: number): number => Math.round(1000 * volts) / 1000;

const between = ([low, high]: readonly [number, number]): string =>
  `${decimals(low, 3)} … ${decimals(high, 3)} V`;
