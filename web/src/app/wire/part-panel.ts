import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  hasPlace,
  isPutByHand,
  kindOf,
  numbersOf,
  surroundings,
  type Param,
} from '@yurei/core/catalog';
import type { Place } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { indicates } from '@yurei/core/rehearsal';
import { replacements, replacePart } from '@yurei/core/wiring';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { CheckField } from '../common/check-field';
import { ChoiceField, type Choice } from '../common/choice-field';
import { Fold } from '../common/fold';
import { Hint } from '../common/hint';
import { TextField } from '../common/text-field';
import { OptionalField } from '../common/optional-field';
import { ParamField } from '../common/param-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Site } from '../site/site';
import { PartCurve } from '../picture/part-curve';
import { RecordingField } from './recording-field';
import { takeApart } from './take-apart';

const tilt: Param = {
  ...{ id: 'tilt', label: 'Looks down by', unit: '°', default: 0, min: -90, max: 90 },
};

/** One part: its values to change, what it carries now, its place, and what to mind. */
@Component({
  selector: 'yu-part-panel',
  imports: [
    Button,
    CheckField,
    ChoiceField,
    Fold,
    Hint,
    OptionalField,
    ParamField,
    PartCurve,
    RecordingField,
    RouterLink,
    TextField,
    ValueField,
  ],
  templateUrl: './part-panel.html',
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartPanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  private readonly site = inject(Site);
  /** Where it can stand: on the plan. */
  protected readonly placeParams = computed((): (Param & { id: 'x' | 'y' | 'facing' })[] => [
    { ...this.site.right(), id: 'x' },
    { ...this.site.up(), id: 'y' },
    { id: 'facing', label: 'Looks towards', unit: '°', default: 0, min: -360, max: 360 },
  ]);
  /** How high, and how far down it looks: that means something once its height is told. */
  protected readonly heightParams = computed((): (Param & { id: 'z' | 'tilt' })[] => [
    { id: 'z', label: 'Height over the ground', unit: 'm', default: 1, min: 0, max: 1000 },
    ...(this.part()?.place?.z === undefined ? [] : [{ ...tilt, id: 'tilt' as const }]),
  ]);
  protected readonly curveOpen = signal(false);

  protected readonly part = computed(() =>
    this.session.design()?.parts.find((p) => p.id === this.id()),
  );
  protected readonly kind = computed(() => {
    const part = this.part();
    return part && kindOf(part);
  });
  protected readonly placed = computed(() => {
    const kind = this.kind();
    return kind !== undefined && hasPlace(kind);
  });
  /** It could stand on the plan, and does not yet. */
  protected readonly unplaced = computed(() => {
    const [part, kind] = [this.part(), this.kind()];
    return part !== undefined && !part.place && kind !== undefined && isPutByHand(kind);
  });
  protected readonly params = computed(() => {
    const part = this.part();
    return part ? numbersOf(kindOf(part).params, part.params) : {};
  });

  /** Volts and amps at each terminal in use, and the heat. */
  protected readonly readings = computed(() => {
    const solved = this.view.snapshot()?.solution.parts[this.id()];
    const kind = this.kind();
    if (!solved || !kind) return [];
    const terminals = kind.terminals.filter(
      (t) => t.role !== 'mains' && solved.volts[t.id] !== undefined,
    );
    const rows = terminals.map((t) => ({
      label: t.label,
      value: `${formatQuantity(solved.volts[t.id] ?? 0, 'V')} · ${formatQuantity(solved.amps[t.id] ?? 0, 'A')}`,
    }));
    const stimulus = this.view.snapshot()?.stimulus[this.id()];
    const senses = (kind.senses?.quantities ?? []).flatMap((q) => {
      const value = stimulus?.[q];
      const { label, unit } = surroundings[q];
      return value === undefined ? [] : [{ label, value: formatQuantity(value, unit) }];
    });
    const mains = kind.terminals.some((t) => t.role === 'mains');
    const heat = mains ? 'not computed' : formatQuantity(solved.watts, 'W');
    return [...senses, ...rows, { label: 'Heat', value: heat }];
  });
  protected readonly because = computed(() => this.view.snapshot()?.acting[this.id()]?.because);

  protected rename(name: string): void {
    this.session.edit({ type: 'rename-part', id: this.id(), name });
  }

  protected readonly indicates = indicates;

  protected setIndicates(indicates: boolean): void {
    this.session.edit({ type: 'set-indicates', id: this.id(), indicates });
  }

  protected setParam(param: string, value: number): void {
    this.session.edit({ type: 'set-param', id: this.id(), param, value });
  }

  /** What has an arm that it may be fixed to, and what it is said to be fixed to; empty where there is neither. */
  protected readonly arms = computed((): Choice[] => {
    const on = this.part()?.place?.on;
    const others = this.session.design()?.parts.filter((p) => p.id !== this.id()) ?? [];
    const arms = others.filter((p) => kindOf(p).arm || p.id === on);
    const named = arms.map(({ id, name }) => ({ value: id, label: `${id} ${name}` }));
    return arms.length === 0 ? [] : [{ value: '', label: 'nothing' }, ...named];
  });

  protected setPlace(key: keyof Place, value: number | string | undefined): void {
    const { [key]: _, ...rest } = this.part()?.place ?? { x: 0, y: 0, facing: 0 };
    const told = value === undefined ? {} : { [key]: value };
    const place = { ...rest, ...told } as Place;
    this.session.edit({ type: 'place-part', id: this.id(), place });
  }

  protected putOnPlan(): void {
    const { width = 0, depth = 0 } = this.session.design()?.plan ?? {};
    const place = { x: width / 2, y: depth / 2, facing: 0 };
    this.session.edit({ type: 'place-part', id: this.id(), place });
  }

  protected takeApart(): void {
    const design = this.session.design();
    if (design && this.session.edit(takeApart(design, this.id()))) this.selection.clear();
  }

  /** Kinds that could stand in its place with all its wires. */
  protected readonly replacements = computed((): Choice[] => {
    const design = this.session.design();
    const part = this.part();
    if (!design || !part) return [];
    const own = { value: part.kind, label: kindOf(part).label };
    return [own, ...replacements(design, part).map((k) => ({ value: k.kind, label: k.label }))];
  });

  protected replace(kind: string): void {
    this.session.make((design) => replacePart(design, this.id(), kind));
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-part', id: this.id() });
    this.selection.clear();
  }
}
