import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { conditionKinds, fieldsOf, partsOf, type Condition } from '@yurei/core/condition';
import type { Design } from '@yurei/core/design';
import type { MenuItem } from 'primeng/api';
import { InputText } from 'primeng/inputtext';
import { Menu } from 'primeng/menu';
import { Hint } from '../common/hint';
import { InlineChoice } from '../common/inline-choice';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { DesignSession } from '../data/design-session';
import { tokensOf } from './condition-tokens';
import { someCondition } from './new-condition';

/** One condition as part of a sentence, and in it those that it is made of. */
@Component({
  selector: 'yu-condition',
  imports: [Hint, InlineChoice, InlineValue, InputText, Menu, Press],
  templateUrl: './condition-field.html',
  styleUrl: './condition-field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConditionField {
  readonly condition = input.required<Condition>();
  /** It stands within another one and is set off from it. */
  readonly inner = input(false);
  readonly changed = output<Condition>();
  /** It is taken out of what it stands in. */
  readonly removed = output();

  private readonly session = inject(DesignSession);
  private readonly design = computed(() => this.session.design() as Design);

  protected readonly tokens = computed(() => tokensOf(this.condition(), this.design()));

  protected put(field: string, value: unknown): void {
    this.changed.emit({ ...this.condition(), [field]: value } as Condition);
  }

  /** A mode comes with its chart. */
  protected choosePlain(field: string, value: string): void {
    const [machine, mode] = value.split(' ');
    if (field === 'mode') this.changed.emit({ ...this.condition(), machine, mode } as Condition);
    else this.put(field, value);
  }

  protected putPart(field: string, index: number, part: Condition): void {
    this.put(
      field,
      this.partsIn(field).map((c, i) => (i === index ? part : c)),
    );
  }

  /** The last but one that goes leaves the other standing alone. */
  protected removeOf(field: string, index: number): void {
    const left = this.partsIn(field).filter((_, i) => i !== index);
    const [first, ...others] = left;
    if (first && others.length === 0) this.changed.emit(first);
    else this.put(field, left);
  }

  /** What is about one part goes with it; of two that come in turn the other stays. */
  protected removePart(field: string): void {
    const other = [...fieldsOf(this.condition())].find(
      ([name, { type }]) => type === 'condition' && name !== field,
    );
    if (other) this.changed.emit(other[2] as Condition);
    else this.removed.emit();
  }

  protected addPart(field: string): void {
    this.put(field, [...this.partsIn(field), someCondition(this.design())]);
  }

  protected setTime(field: string, event: Event): void {
    const [h = NaN, m = NaN] = (event.target as HTMLInputElement).value.split(':').map(Number);
    if (Number.isFinite(h) && Number.isFinite(m)) this.put(field, h * 3600 + m * 60);
  }

  /** Something around it, another kind instead, or what it is made of alone. */
  protected readonly changes = computed((): MenuItem[] => {
    const [design, condition] = [this.design(), this.condition()];
    const item = (label: string, command: () => void): MenuItem => ({ label, command });
    const around = conditionKinds.flatMap(({ offer }) =>
      'around' in offer
        ? [
            item(offer.label, () =>
              this.changed.emit(offer.around(condition, someCondition(design))),
            ),
          ]
        : [],
    );
    const instead = conditionKinds.flatMap(({ offer }) =>
      'alone' in offer && offer.alone(design)
        ? [item(offer.label, () => this.instead(offer.alone(design)))]
        : [],
    );
    const less = [
      ...partsOf(condition)
        .slice(0, 1)
        .map((first) => item('only its first part', () => this.changed.emit(first))),
      ...(this.inner() ? [item('take it out', () => this.removed.emit())] : []),
    ];
    return [
      { label: 'Around it', items: around },
      { label: 'Instead of it', items: instead },
      ...(less.length > 0 ? [{ label: 'Less of it', items: less }] : []),
    ];
  });

  private instead(made: Condition | undefined): void {
    if (made) this.changed.emit(made);
  }

  private partsIn(field: string): readonly Condition[] {
    const [, , value] = [...fieldsOf(this.condition())].find(([name]) => name === field) ?? [];
    return value as readonly Condition[];
  }
}
