import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { kindOf, paramsOf, type Param } from '@yurei/core/catalog';
import type { Place } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

const placeParams: readonly (Param & { id: keyof Place })[] = [
  { id: 'x', label: 'East', unit: 'm', default: 0, min: -1e4, max: 1e4 },
  { id: 'y', label: 'North', unit: 'm', default: 0, min: -1e4, max: 1e4 },
  { id: 'facing', label: 'Looks towards', unit: '°', default: 0, min: -360, max: 360 },
];

/** One part: its values to change, what it carries now, its place, and what to mind. */
@Component({
  selector: 'yu-part-panel',
  imports: [Button, TextField, ValueField],
  templateUrl: './part-panel.html',
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartPanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  protected readonly placeParams = placeParams;

  protected readonly part = computed(() =>
    this.session.design()?.parts.find((p) => p.id === this.id()),
  );
  protected readonly kind = computed(() => {
    const part = this.part();
    return part && kindOf(part);
  });
  protected readonly params = computed(() => {
    const part = this.part();
    return part ? paramsOf(part) : {};
  });

  /** Volts and amps at each terminal in use, and the heat. */
  protected readonly readings = computed(() => {
    const solved = this.view.snapshot()?.solution.parts[this.id()];
    const kind = this.kind();
    if (!solved || !kind) return [];
    const terminals = kind.terminals.filter((t) => solved.volts[t.id] !== undefined);
    const rows = terminals.map((t) => ({
      label: t.label,
      value: `${formatQuantity(solved.volts[t.id], 'V')} · ${formatQuantity(solved.amps[t.id], 'A')}`,
    }));
    const felt = this.view.snapshot()?.felt[this.id()];
    const feels =
      kind.feels && felt !== undefined
        ? [{ label: 'Feels', value: formatQuantity(felt, kind.feels.unit) }]
        : [];
    return [...feels, ...rows, { label: 'Heat', value: formatQuantity(solved.watts, 'W') }];
  });
  protected readonly because = computed(() => this.view.snapshot()?.acting[this.id()]?.because);

  protected rename(name: string): void {
    this.session.edit({ type: 'rename-part', id: this.id(), name });
  }

  protected setParam(param: string, value: number): void {
    this.session.edit({ type: 'set-param', id: this.id(), param, value });
  }

  protected setPlace(key: keyof Place, value: number): void {
    const place = this.part()?.place ?? { x: 0, y: 0, facing: 0 };
    this.session.edit({ type: 'place-part', id: this.id(), place: { ...place, [key]: value } });
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-part', id: this.id() });
    this.selection.clear();
  }
}
