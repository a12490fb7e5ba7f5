import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Param } from '@yurei/core/catalog';
import { emptyBrief, withoutAttachments, type Brief } from '@yurei/core/design';
import type { PowerCut } from '@yurei/core/plan';
import { formatQuantity } from '@yurei/core/quantity';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { Comparing } from '../bench/comparing';
import { CheckField } from '../common/check-field';
import { ChoiceField, type Choice } from '../common/choice-field';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

/** Edits that follow each other faster than this are rehearsed together, ms. */
const pause = 500;

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
      @if (cutSays(); as says) {
        <p class="soft" [class.bad]="isOtherThanSaid()" role="status">{{ says }}</p>
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
    p {
      margin: 0;
      font-size: var(--type-small);
    }
    .bad {
      color: var(--lantern-ink);
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

  private readonly cut = signal<PowerCut | undefined>(undefined);
  /** What the design as it is wired does without its mains. */
  protected readonly cutSays = computed(() => {
    const cut = this.cut();
    if (!cut) return '';
    if (!cut.mains) return 'As wired: it hangs on no mains that could fail.';
    if (cut.acts.length === 0) return 'As wired: when the mains fail, nothing acts.';
    const acts = cut.acts.map(({ part, word, after }) =>
      after > 0
        ? `${part} is ${word} ${formatQuantity(after, 's')} later`
        : `${part} goes on ${word}`,
    );
    return `As wired: when the mains fail, ${acts.join(', ')}.`;
  });
  protected readonly isOtherThanSaid = computed(() => {
    const [cut, said] = [this.cut(), this.brief().withoutPower];
    return cut?.mains === true && said !== undefined && (said === 'alarm') !== cut.acts.length > 0;
  });

  constructor() {
    const [session, view, comparing] = [this.session, inject(BenchView), inject(Comparing)];
    const asked = computed(() => {
      const design = session.design();
      // Nothing wired, nothing to lose.
      return design && design.wires.length > 0
        ? { design: withoutAttachments(design), scene: view.scene()?.id }
        : undefined;
    });
    toObservable(asked)
      .pipe(
        debounceTime(pause),
        switchMap((what) =>
          what
            ? // What cannot be rehearsed says so at its findings.
              comparing.cut(what.design, what.scene).pipe(catchError(() => of(undefined)))
            : of(undefined),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((cut) => this.cut.set(cut));
  }

  protected answer(field: Asked, value: string): void {
    const told = field === 'outdoors' ? value === 'true' : value;
    this.say({ [field]: value === '' ? undefined : told });
  }

  protected say(fields: Partial<Omit<Brief, 'needs'>>): void {
    this.session.edit({ type: 'set-brief', fields });
  }
}
