import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { emptyBrief, type Brief } from '@yurei/core/design';
import { CheckField } from '../common/check-field';
import { ChoiceField, type Choice } from '../common/choice-field';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { DesignSession } from '../data/design-session';

type Asked = 'outdoors' | 'by' | 'feed' | 'controller' | 'answer' | 'withoutPower';

const open: Choice = { value: '', label: 'not known yet' };
const asks: readonly { field: Asked; label: string; choices: readonly Choice[] }[] = [
  {
    field: 'outdoors',
    label: 'Where',
    choices: [
      { value: 'false', label: 'indoors' },
      { value: 'true', label: 'outdoors' },
    ],
  },
  {
    field: 'by',
    label: 'When',
    choices: [
      { value: 'day', label: 'by day' },
      { value: 'night', label: 'by night' },
      { value: 'always', label: 'day and night' },
    ],
  },
  {
    field: 'feed',
    label: 'Power',
    choices: [
      { value: 'mains', label: 'from an adapter' },
      { value: 'battery', label: 'from cells' },
    ],
  },
  {
    field: 'controller',
    label: 'Controller',
    choices: [
      { value: 'with', label: 'one' },
      { value: 'without', label: 'none' },
    ],
  },
  {
    field: 'answer',
    label: 'Then',
    choices: [
      { value: 'sound', label: 'something sounds' },
      { value: 'light', label: 'a light shines' },
      { value: 'message', label: 'a message is sent' },
      { value: 'switch', label: 'something is switched' },
      { value: 'valve', label: 'a valve moves' },
      { value: 'pump', label: 'a pump runs' },
      { value: 'lock', label: 'a lock opens' },
    ],
  },
  {
    field: 'withoutPower',
    label: 'Without power',
    choices: [
      { value: 'nothing', label: 'nothing happens' },
      { value: 'alarm', label: 'it raises the alarm' },
    ],
  },
];

const lasts: Param = {
  ...{ id: 'lasts', label: 'For, 0: not known yet', unit: 's' },
  ...{ default: 0, min: 0, max: 1e7 },
};

/** What else the brief asks: where and when, what feeds it, what it does then, who is near and who is told. */
@Component({
  selector: 'yu-brief-fields',
  imports: [CheckField, ChoiceField, TextField, ValueField],
  template: `
    <h2 class="heading">where, and what then</h2>
    <div class="fields">
      @for (row of rows(); track row.field) {
        <yu-choice-field
          [label]="row.label"
          [choices]="row.choices"
          [value]="row.value"
          (changed)="answer(row.field, $event)"
        />
      }
      <yu-value-field
        [param]="lasts"
        [value]="brief().lasts ?? 0"
        (changed)="say({ lasts: $event > 0 ? $event : undefined })"
      />
      <yu-text-field label="Tells" [value]="brief().tells" (changed)="say({ tells: $event })" />
      <yu-check-field
        label="Children may be near"
        [value]="brief().children ?? false"
        (changed)="say({ children: $event || undefined })"
      />
      <yu-check-field
        label="Animals may be near"
        [value]="brief().animals ?? false"
        (changed)="say({ animals: $event || undefined })"
      />
    </div>
  `,
  styles: `
    .fields {
      display: grid;
      gap: 6px;
      margin: 8px 0;
      max-width: 420px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BriefFields {
  private readonly session = inject(DesignSession);
  protected readonly lasts = lasts;
  protected readonly brief = computed((): Brief => this.session.design()?.brief ?? emptyBrief);
  protected readonly rows = computed(() =>
    asks.map((ask) => {
      const value = this.brief()[ask.field];
      return { ...ask, choices: [open, ...ask.choices], value: value?.toString() ?? '' };
    }),
  );

  protected answer(field: Asked, value: string): void {
    const told = field === 'outdoors' ? value === 'true' : value;
    this.say({ [field]: value === '' ? undefined : told });
  }

  protected say(fields: Partial<Omit<Brief, 'needs'>>): void {
    this.session.edit({ type: 'set-brief', fields });
  }
}
