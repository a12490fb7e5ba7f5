import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Happening } from '@yurei/core/design';
import { findHappeningKind, happeningParams } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../common/choice-field';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

const coordinate = (id: 'x' | 'y', label: string): Param & { id: 'x' | 'y' } => ({
  id,
  label,
  unit: 'm',
  default: 0,
  min: -1e4,
  max: 1e4,
});

const intents: readonly Choice[] = [
  { value: 'wanted', label: 'wanted' },
  { value: 'nuisance', label: 'a nuisance' },
];

/** One happening: whether it is wanted, when, how, and along which way. */
@Component({
  selector: 'yu-happening-panel',
  imports: [Button, ChoiceField, TextField, ValueField],
  template: `
    @if (happening(); as happening) {
      <h2>{{ happening.name }}</h2>
      <p class="soft kind">{{ kind()?.summary }}</p>
      <div class="fields">
        <yu-text-field
          label="Name"
          [value]="happening.name"
          [required]="true"
          (changed)="put({ name: $event })"
        />
        <yu-choice-field
          label="It is"
          [choices]="intents"
          [value]="happening.intent"
          (changed)="put({ intent: $event === 'wanted' ? 'wanted' : 'nuisance' })"
        />
        <yu-value-field
          [param]="start()"
          [value]="happening.start"
          (changed)="put({ start: $event })"
        />
        @for (param of kind()?.params ?? []; track param.id) {
          <yu-value-field
            [param]="param"
            [value]="params()[param.id]"
            (changed)="setParam(param.id, $event)"
          />
        }
        @if (kind()?.moves) {
          @for (end of ends; track end.key) {
            @for (axis of end.axes; track axis.id) {
              <yu-value-field
                [param]="axis"
                [value]="happening[end.key]?.[axis.id] ?? 0"
                (changed)="setPoint(end.key, axis.id, $event)"
              />
            }
          }
        }
      </div>
      <p-button
        label="Remove happening"
        icon="pi pi-trash"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="remove()"
      />
    }
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HappeningPanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  protected readonly intents = intents;
  protected readonly ends = [
    { key: 'from', axes: [coordinate('x', 'From, east'), coordinate('y', 'From, north')] },
    { key: 'to', axes: [coordinate('x', 'To, east'), coordinate('y', 'To, north')] },
  ] as const;

  protected readonly happening = computed(() =>
    this.view.scene()?.happenings.find((h) => h.id === this.id()),
  );
  protected readonly kind = computed(() => findHappeningKind(this.happening()?.kind ?? ''));
  protected readonly params = computed(() => {
    const happening = this.happening();
    return happening ? happeningParams(happening) : {};
  });
  protected readonly start = computed((): Param => {
    const max = this.view.scene()?.duration ?? 0;
    return { id: 'start', label: 'Starts at', unit: 's', default: 0, min: 0, max };
  });

  protected put(change: Partial<Happening>): void {
    const [happening, scene] = [this.happening(), this.view.scene()];
    if (!happening || !scene) return;
    this.session.edit({
      type: 'put-happening',
      scene: scene.id,
      happening: { ...happening, ...change },
    });
  }

  protected setParam(param: string, value: number): void {
    this.put({ params: { ...this.happening()?.params, [param]: value } });
  }

  protected setPoint(end: 'from' | 'to', axis: 'x' | 'y', value: number): void {
    const point = this.happening()?.[end] ?? { x: 0, y: 0 };
    this.put({ [end]: { ...point, [axis]: value } });
  }

  protected remove(): void {
    const scene = this.view.scene();
    if (scene) this.session.edit({ type: 'remove-happening', scene: scene.id, id: this.id() });
    this.selection.clear();
  }
}
