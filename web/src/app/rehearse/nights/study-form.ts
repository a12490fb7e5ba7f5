import { withoutAttachments } from '@yurei/core/design';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  output,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  FormArray,
  NonNullableFormBuilder,
  ReactiveFormsModule,
  type FormControl,
  type FormGroup,
} from '@angular/forms';
import type { Param } from '@yurei/core/catalog';
import {
  axesProblem,
  axisAround,
  sweepableIn,
  firstAxes,
  sameParameter,
  usualVariation,
  type Axis,
  type Study,
  type Variation,
} from '@yurei/core/trials';
import { reasonOf } from '../../data/answer';
import { formatDateTime } from '../../common/date-time';
import { ChoiceField, type Choice } from '../../common/choice-field';
import { formState } from '../../common/form-state';
import { ValueField } from '../../common/value-field';
import { BenchView } from '../../data/bench-view';
import { DesignSession } from '../../data/design-session';
import { Studies, type Save } from '../../data/studies';
import type { Place } from './study-run';

type Amount = Exclude<keyof Variation, 'tolerances'>;
type For = Study['ask']['for'];
/** Which value is turned, by its place in the list of them, and how far. */
type AxisForm = FormGroup<{
  dial: FormControl<string>;
  from: FormControl<number>;
  to: FormControl<number>;
  steps: FormControl<number>;
}>;

const amounts: readonly (Param & { id: Amount })[] = [
  { id: 'temperature', label: 'Air, ±', unit: 'K', default: 10, min: 0, max: 100 },
  { id: 'supply', label: 'Supplies, ±', unit: '%', default: 5, min: 0, max: 50 },
  { id: 'start', label: 'Begins, ±', unit: 's', default: 1, min: 0, max: 1e5 },
  { id: 'strength', label: 'Strength, ±', unit: '%', default: 20, min: 0, max: 99 },
  { id: 'place', label: 'Places, ±', unit: 'm', default: 0.02, min: 0, max: 100 },
];
/** Shares that are typed in per cent. */
const shares: ReadonlySet<Amount> = new Set(['supply', 'strength']);
const eachAmount = (value: (id: Amount) => number): Record<Amount, number> => ({
  temperature: value('temperature'),
  supply: value('supply'),
  start: value('start'),
  strength: value('strength'),
  place: value('place'),
});
const whole = { unit: '' as const, whole: true };
const countParam: Param = {
  id: 'count',
  label: 'Nights',
  ...whole,
  default: 200,
  min: 1,
  max: 10_000,
};
const stepsParam: Param = { id: 'steps', label: 'Steps', ...whole, default: 7, min: 2, max: 15 };

const asks: readonly (Choice & { value: For; nights: number })[] = [
  { value: 'nights', label: 'the scene', nights: 200 },
  { value: 'map', label: 'two values', nights: 10 },
  { value: 'corners', label: 'its corners', nights: 40 },
  { value: 'beside', label: 'an earlier save', nights: 200 },
];
const places: Choice[] = [
  { value: 'server', label: 'the server, kept' },
  { value: 'browser', label: 'this browser' },
];
const tolerances: Choice[] = [
  { value: 'yes', label: 'within tolerance' },
  { value: 'no', label: 'nominal' },
];

/** What is asked of many nights, and how much they differ. */
@Component({
  selector: 'yu-study-form',
  imports: [ChoiceField, ReactiveFormsModule, ValueField],
  template: `
    <h3 class="heading">what is rehearsed</h3>
    <p class="soft">Nights follow the circuit in time: a long scene takes its seconds for each.</p>
    <form [formGroup]="form">
      <yu-choice-field label="Of" [choices]="asks" formControlName="of" />
      @if (asked().of === 'map') {
        <ng-container formArrayName="axes">
          @for (axis of form.controls.axes.controls; track axis; let i = $index) {
            <ng-container [formGroupName]="i">
              <yu-choice-field
                [label]="i === 0 ? 'Across' : 'Upwards'"
                [choices]="dialChoices()"
                formControlName="dial"
                (changed)="turn(i)"
              />
              <yu-value-field [param]="end(i, 'From')" formControlName="from" />
              <yu-value-field [param]="end(i, 'To')" formControlName="to" />
              <yu-value-field [param]="stepsParam" formControlName="steps" />
            </ng-container>
          } @empty {
            <p class="soft">The design has no two values to turn yet.</p>
          }
        </ng-container>
      }
      @if (asked().of === 'beside') {
        <yu-choice-field label="Save" [choices]="saveChoices()" formControlName="saved" />
        @if (saveChoices().length === 0) {
          <p class="soft">There is no earlier save of this design.</p>
        }
      }
      <h3 class="heading">what differs from night to night</h3>
      <ng-container formGroupName="vary">
        <yu-choice-field label="Parts" [choices]="tolerances" formControlName="tolerances" />
        @for (param of amounts; track param.id) {
          <yu-value-field [param]="param" [formControlName]="param.id" />
        }
      </ng-container>
      <yu-value-field
        [param]="asked().of === 'nights' ? countParam : eachParam"
        formControlName="count"
      />
      <yu-choice-field label="By" [choices]="places" formControlName="place" />
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 6px;
    }
    form .heading {
      margin-top: 8px;
    }
    yu-choice-field {
      --field-width: 196px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudyForm {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly studies = inject(Studies);
  private readonly build = inject(NonNullableFormBuilder);
  readonly failed = output<string>();

  protected readonly amounts = amounts;
  protected readonly asks = asks;
  protected readonly places = places;
  protected readonly tolerances = tolerances;
  protected readonly countParam = countParam;
  protected readonly eachParam: Param = { ...countParam, label: 'Nights of each' };
  protected readonly stepsParam = stepsParam;
  protected readonly form = this.build.group({
    of: this.build.control<For>('nights'),
    axes: new FormArray<AxisForm>([]),
    saved: '',
    vary: this.build.group(typedOf(usualVariation)),
    count: countParam.default,
    place: this.build.control<Place>('server'),
  });
  private readonly state = formState(this.form);
  protected readonly asked = computed(() => this.state().value);
  readonly valid = computed(() => this.state().valid);
  readonly place = computed(() => this.asked().place);
  private readonly saves = signal<readonly Save[]>([]);

  private readonly dials = computed(() => sweepableIn(this.session.design() ?? nothing));
  /** Which values there are to turn; not where they stand. */
  private readonly dialLabels = computed(() => this.dials().map((d) => d.label), {
    equal: (a, b) => a.join() === b.join(),
  });
  protected readonly dialChoices = computed((): Choice[] =>
    this.dialLabels().map((label, i) => ({ value: String(i), label })),
  );
  private readonly axes = computed((): Axis[] =>
    this.asked().axes.flatMap(({ dial: swept, ...axis }) => {
      const facts = this.dials()[+swept];
      return facts ? [{ ...axis, dial: facts.dial }] : [];
    }),
  );
  protected readonly saveChoices = computed((): Choice[] =>
    this.saves().map(({ version, savedAt }) => ({
      value: String(version),
      label: `${version}, ${formatDateTime(savedAt)}`,
    })),
  );
  /** Nights in all. */
  readonly nights = computed(() => {
    const [across, up] = this.asked().axes;
    const map = across && up ? across.steps * up.steps : 0;
    const cases = { nights: 1, beside: 2, corners: this.corners(), map };
    return cases[this.asked().of] * this.asked().count;
  });
  private readonly corners = computed(() => {
    const { temperature, supply, strength } = this.asked().vary;
    return 2 ** [temperature, supply, strength].filter((amount) => amount > 0).length;
  });

  constructor() {
    const { of, count } = this.form.controls;
    of.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      count.setValue(asks.find((a) => a.value === value)?.nights ?? countParam.default);
      if (value === 'beside') void this.loadSaves();
    });
    effect(() => {
      this.dialLabels();
      untracked(() => this.beginAxes());
    });
  }

  /** What is asked; undefined with a reason told when it cannot be. */
  async study(): Promise<Study | undefined> {
    const scene = this.view.scene()?.id;
    if (!scene) return undefined;
    const { of: ask, count, vary, saved } = this.asked();
    const common = { scene, vary: variationOf(vary), first: 1, count };
    if (ask !== 'map' && ask !== 'beside') return { ...common, ask: { for: ask } };
    if (ask === 'map') {
      const [across, up] = this.axes();
      const wrong = axesProblem(this.axes());
      if (!wrong && across && up) return { ...common, ask: { for: 'map', axes: [across, up] } };
      this.failed.emit(wrong ?? 'A map takes two values that can be turned.');
      return undefined;
    }
    try {
      const other = await this.studies.save(this.session.id, Number(saved));
      const label = `save ${this.saveChoices().find((c) => c.value === saved)?.label}`;
      return { ...common, ask: { for: 'beside', other: withoutAttachments(other), label } };
    } catch (error) {
      this.failed.emit(reasonOf(error));
      return undefined;
    }
  }

  /** An axis turns another value: it begins around where that one stands. */
  protected turn(i: number): void {
    const axis = this.form.controls.axes.at(i);
    const { dial: swept, steps } = axis.getRawValue();
    const facts = this.dials()[+swept];
    if (!facts) return;
    const { from, to } = axisAround(facts, steps);
    axis.patchValue({ from, to });
  }

  protected end(i: number, label: string): Param {
    const axis = this.asked().axes[i];
    return { ...((axis && this.dials()[+axis.dial]?.param) ?? countParam), label };
  }

  private beginAxes(): void {
    const sweepable = this.dials();
    const { axes } = this.form.controls;
    axes.clear();
    for (const { dial: swept, ...axis } of firstAxes(sweepable, stepsParam.default)) {
      const at = sweepable.findIndex((known) => sameParameter(known.dial, swept));
      axes.push(this.build.group({ ...axis, dial: String(at) }));
    }
  }

  private async loadSaves(): Promise<void> {
    try {
      const [, ...earlier] = await this.studies.saves(this.session.id);
      this.saves.set(earlier);
      this.form.controls.saved.setValue(String(earlier[0]?.version ?? ''));
    } catch (error) {
      this.failed.emit(reasonOf(error));
    }
  }
}

type Typed = Record<Amount, number> & { tolerances: string };

/** As it is typed: shares in per cent. */
const typedOf = (vary: Variation): Typed => ({
  ...eachAmount((id) => (shares.has(id) ? Number((100 * vary[id]).toPrecision(6)) : vary[id])),
  tolerances: vary.tolerances ? 'yes' : 'no',
});
const variationOf = (typed: Typed): Variation => ({
  ...eachAmount((id) => (shares.has(id) ? typed[id] / 100 : typed[id])),
  tolerances: typed.tolerances === 'yes',
});

const nothing = { parts: [], channels: [] } as never;
