import { withoutReadings } from '@yurei/core/design';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  output,
  signal,
} from '@angular/core';
import { linkedSignal } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import {
  axesProblem,
  axisAround,
  dialsOf,
  firstAxes,
  sameDial,
  usualVariation,
  type Axis,
  type Study,
  type Variation,
} from '@yurei/core/nights';
import { reasonOf } from '../../data/answer';
import { formatDateTime } from '../../common/date-time';
import { ChoiceField, type Choice } from '../../common/choice-field';
import { ValueField } from '../../common/value-field';
import { BenchView } from '../../data/bench-view';
import { DesignSession } from '../../data/design-session';
import { Studies, type Save } from '../../data/studies';
import type { Place } from './study-run';

type Amount = Exclude<keyof Variation, 'tolerances'>;
type For = Study['ask']['for'];

const amounts: readonly (Param & { id: Amount })[] = [
  { id: 'temperature', label: 'Air, ±', unit: 'K', default: 10, min: 0, max: 100 },
  { id: 'supply', label: 'Supplies, ±', unit: '%', default: 5, min: 0, max: 50 },
  { id: 'start', label: 'Begins, ±', unit: 's', default: 1, min: 0, max: 1e5 },
  { id: 'strength', label: 'Strength, ±', unit: '%', default: 20, min: 0, max: 99 },
  { id: 'place', label: 'Places, ±', unit: 'm', default: 0.02, min: 0, max: 100 },
];
/** Shares that are typed in per cent. */
const shares: ReadonlySet<Amount> = new Set(['supply', 'strength']);
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
  imports: [ChoiceField, ValueField],
  template: `
    <h3 class="heading">what is rehearsed</h3>
    <p class="soft">Nights follow the circuit in time: a long scene takes its seconds for each.</p>
    <yu-choice-field label="Of" [choices]="asks" [value]="ask()" (changed)="choose($event)" />
    @if (ask() === 'map') {
      @for (axis of axes(); track $index; let i = $index) {
        <yu-choice-field
          [label]="i === 0 ? 'Across' : 'Upwards'"
          [choices]="dialChoices()"
          [value]="dialIndex(axis)"
          (changed)="setDial(i, $event)"
        />
        <yu-value-field
          [param]="end(i, 'From')"
          [value]="axis.from"
          (changed)="setAxis(i, { from: $event })"
        />
        <yu-value-field
          [param]="end(i, 'To')"
          [value]="axis.to"
          (changed)="setAxis(i, { to: $event })"
        />
        <yu-value-field
          [param]="stepsParam"
          [value]="axis.steps"
          (changed)="setAxis(i, { steps: $event })"
        />
      } @empty {
        <p class="soft">The design has no two values to turn yet.</p>
      }
    }
    @if (ask() === 'beside') {
      <yu-choice-field
        label="Save"
        [choices]="saveChoices()"
        [value]="saved()"
        (changed)="saved.set($event)"
      />
      @if (saveChoices().length === 0) {
        <p class="soft">There is no earlier save of this design.</p>
      }
    }
    <h3 class="heading">what differs from night to night</h3>
    <yu-choice-field
      label="Parts"
      [choices]="tolerances"
      [value]="vary().tolerances ? 'yes' : 'no'"
      (changed)="vary.set(with({ tolerances: $event === 'yes' }))"
    />
    @for (param of amounts; track param.id) {
      <yu-value-field
        [param]="param"
        [value]="valueOf(param.id)"
        (changed)="set(param.id, $event)"
      />
    }
    <yu-value-field
      [param]="ask() === 'nights' ? countParam : eachParam"
      [value]="count()"
      (changed)="count.set($event)"
    />
    <yu-choice-field label="By" [choices]="places" [value]="place()" (changed)="setPlace($event)" />
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      align-content: start;
    }
    yu-choice-field {
      --field-width: 196px;
    }
    .heading:not(:first-child) {
      margin-top: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudyForm {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly studies = inject(Studies);
  readonly failed = output<string>();

  protected readonly amounts = amounts;
  protected readonly asks = asks;
  protected readonly places = places;
  protected readonly tolerances = tolerances;
  protected readonly countParam = countParam;
  protected readonly eachParam: Param = { ...countParam, label: 'Nights of each' };
  protected readonly stepsParam = stepsParam;
  protected readonly ask = signal<For>('nights');
  protected readonly vary = signal<Variation>(usualVariation);
  readonly count = signal(countParam.default);
  readonly place = signal<Place>('server');
  private readonly saves = signal<readonly Save[]>([]);
  protected readonly saved = signal('');

  private readonly dials = computed(() => dialsOf(this.session.design() ?? nothing));
  /** Which values there are to turn; not where they stand. */
  private readonly dialLabels = computed(() => this.dials().map((d) => d.label), {
    equal: (a, b) => a.join() === b.join(),
  });
  protected readonly dialChoices = computed((): Choice[] =>
    this.dialLabels().map((label, i) => ({ value: String(i), label })),
  );
  protected readonly axes = linkedSignal<readonly string[], readonly Axis[]>({
    source: this.dialLabels,
    computation: () => firstAxes(this.dials(), stepsParam.default),
  });
  protected readonly saveChoices = computed((): Choice[] =>
    this.saves().map(({ version, savedAt }) => ({
      value: String(version),
      label: `${version}, ${formatDateTime(savedAt)}`,
    })),
  );
  /** Nights in all. */
  readonly nights = computed(() => {
    const [across, up] = this.axes();
    const cases = { nights: 1, beside: 2, corners: this.corners(), map: 0 };
    cases.map = across && up ? across.steps * up.steps : 0;
    return cases[this.ask()] * this.count();
  });
  private readonly corners = computed(() => {
    const { temperature, supply, strength } = this.vary();
    return 2 ** [temperature, supply, strength].filter((amount) => amount > 0).length;
  });

  /** What is asked; undefined with a reason told when it cannot be. */
  async study(): Promise<Study | undefined> {
    const scene = this.view.scene()?.id;
    if (!scene) return undefined;
    const common = { scene, vary: this.vary(), first: 1, count: this.count() };
    const ask = this.ask();
    if (ask !== 'map' && ask !== 'beside') return { ...common, ask: { for: ask } };
    if (ask === 'map') {
      const [across, up] = this.axes();
      const wrong = axesProblem(this.axes());
      if (wrong) this.failed.emit(wrong);
      else return { ...common, ask: { for: 'map', axes: [across, up] } };
      return undefined;
    }
    try {
      const other = await this.studies.save(this.session.id, Number(this.saved()));
      const label = `save ${this.saveChoices().find((c) => c.value === this.saved())?.label}`;
      return { ...common, ask: { for: 'beside', other: withoutReadings(other), label } };
    } catch (error) {
      this.failed.emit(reasonOf(error));
      return undefined;
    }
  }

  protected choose(value: string): void {
    const ask = asks.find((a) => a.value === value) ?? asks[0];
    this.ask.set(ask.value);
    this.count.set(ask.nights);
    if (ask.value === 'beside') void this.loadSaves();
  }

  protected setPlace(value: string): void {
    this.place.set(value as Place);
  }

  protected valueOf(id: Amount): number {
    const value = this.vary()[id];
    return shares.has(id) ? Number((100 * value).toPrecision(6)) : value;
  }

  protected set(id: Amount, value: number): void {
    this.vary.set(this.with({ [id]: shares.has(id) ? value / 100 : value }));
  }

  protected with(change: Partial<Variation>): Variation {
    return { ...this.vary(), ...change };
  }

  protected dialIndex({ dial }: Axis): string {
    return String(this.dials().findIndex((known) => sameDial(known.dial, dial)));
  }

  protected setDial(i: number, index: string): void {
    this.setAxis(i, axisAround(this.dials()[Number(index)], this.axes()[i].steps));
  }

  protected setAxis(i: number, change: Partial<Axis>): void {
    this.axes.update((axes) => axes.map((axis, k) => (k === i ? { ...axis, ...change } : axis)));
  }

  protected end(i: number, label: string): Param {
    const facts = this.dials()[Number(this.dialIndex(this.axes()[i]))];
    return { ...facts.param, label };
  }

  private async loadSaves(): Promise<void> {
    try {
      const [, ...earlier] = await this.studies.saves(this.session.id);
      this.saves.set(earlier);
      this.saved.set(String(earlier[0]?.version ?? ''));
    } catch (error) {
      this.failed.emit(reasonOf(error));
    }
  }
}

const nothing = { parts: [], channels: [] } as never;
