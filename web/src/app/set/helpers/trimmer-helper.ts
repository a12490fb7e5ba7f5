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
import { decimals, formatNominal, formatQuantity } from '@yurei/core/quantity';
import { handDegrees, spreadTrimmer, travel, trimmerSetting } from '@yurei/core/threshold';
import { TableModule } from 'primeng/table';
import { byRow } from '../../common/by-row';
import { formState } from '../../common/form-state';
import { ValueField } from '../../common/value-field';
import type { Volts } from '../set-it-dialog';

const params = {
  supply: { id: 'supply', label: 'Supply', unit: 'V', default: 5, min: 0.5, max: 60 },
  track: { id: 'track', label: 'Track', unit: 'Ω', default: 10e3, min: 100, max: 10e6 },
  target: { id: 'target', label: 'Wiper at', unit: 'V', default: 2.5, min: 0, max: 60 },
  low: { id: 'low', label: 'Must reach from', unit: 'V', default: 2, min: 0, max: 60 },
  high: { id: 'high', label: 'Must reach to', unit: 'V', default: 3, min: 0, max: 60 },
} as const satisfies Record<string, Param>;
type Key = keyof typeof params;

/** Where the wiper stands, how finely a hand sets it, and end resistors that make it finer. */
@Component({
  selector: 'yu-trimmer-helper',
  imports: [ReactiveFormsModule, TableModule, ValueField],
  template: `
    <form class="fields" [formGroup]="form">
      @for (key of keys; track key) {
        <yu-value-field [param]="params[key]" [formControlName]="key" />
      }
    </form>
    <p-table [value]="rows()" [rowTrackBy]="byRow" size="small">
      <ng-template #header>
        <tr>
          <th scope="col">Trimmer</th>
          <th scope="col">span</th>
          <th scope="col">turned to</th>
          <th scope="col">one turn: a degree</th>
          <th scope="col">by hand</th>
          <th scope="col">15 turns: a degree</th>
        </tr>
      </ng-template>
      <ng-template #body let-row>
        <tr>
          <td>{{ row.label }}</td>
          <td>{{ row.span }}</td>
          <td [class.bad]="row.out">{{ row.share }}</td>
          <td>{{ row.single }}</td>
          <td>{{ row.byHand }}</td>
          <td>{{ row.multi }}</td>
        </tr>
      </ng-template>
    </p-table>
    <p class="soft">{{ advice() }}</p>
    <p class="soft">
      Nothing may load the wiper: into a comparator or a converter it is free to a hundredth. A hand
      sets a shaft to about {{ hand }}° of {{ turn }}° (common practice). Measure the wiper with a
      meter, its black lead at the circuit's ground.
    </p>
  `,
  styleUrl: './helper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrimmerHelper {
  readonly volts = input<Volts>();
  protected readonly byRow = byRow;
  protected readonly params = params;
  protected readonly keys = Object.keys(params) as Key[];
  protected readonly hand = handDegrees;
  protected readonly turn = travel.single;
  protected readonly form = inject(NonNullableFormBuilder).group({
    supply: params.supply.default as number,
    track: params.track.default as number,
    target: params.target.default as number,
    low: params.low.default as number,
    high: params.high.default as number,
  });
  private readonly state = formState(this.form);
  private readonly values = computed(() => this.state().value);

  constructor() {
    effect(() => {
      const volts = this.volts();
      if (!volts) return;
      const target = millivolts((volts.trip + volts.clear) / 2);
      const low = millivolts(Math.max(0, target - 0.5));
      const high = millivolts(Math.min(untracked(this.values).supply, target + 0.5));
      untracked(() => this.form.patchValue({ target, low, high }));
    });
  }

  private readonly spread = computed(() => {
    const { supply, track, low, high } = this.values();
    return spreadTrimmer(supply, track, low, high);
  });

  protected readonly rows = computed(() => {
    const { supply, track, target } = this.values();
    const spread = this.spread();
    const spans = [
      { label: `${formatNominal(track, 'Ω')} alone`, top: 0, track, bottom: 0 },
      ...(spread
        ? [{ label: `with ${ends(spread.top)} above, ${ends(spread.bottom)} below`, ...spread }]
        : []),
    ];
    return spans.map((span) => {
      const s = trimmerSetting(supply, span, target);
      const out = s.share < 0 || s.share > 1;
      return {
        label: span.label,
        span: `${formatQuantity(s.from, 'V')} … ${formatQuantity(s.to, 'V')}`,
        share: out ? 'out of reach' : `${decimals(100 * s.share, 1)} %`,
        out,
        single: formatQuantity(s.perDegree.single, 'V'),
        byHand: `± ${formatQuantity(s.byHand.single, 'V')}`,
        multi: formatQuantity(s.perDegree.multi, 'V'),
      };
    });
  });

  protected readonly advice = computed(() => {
    const spread = this.spread();
    return spread
      ? `With these end resistors it is ${decimals(spread.finer, 1)} times finer, and surely reaches ${formatQuantity(spread.surelyFrom, 'V')} to ${formatQuantity(spread.surelyTo, 'V')} with resistors of 5 % and a track of 20 %.`
      : 'No end resistors of the E12 series leave the span that is asked for: take the track alone, or ask for less.';
  });
}

const ends = (ohms: number): string => (ohms === 0 ? 'nothing' : formatNominal(ohms, 'Ω'));
const millivolts = (volts: number): number => Math.round(1000 * volts) / 1000;
