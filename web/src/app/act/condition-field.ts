import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { partsOf, type Condition, type Design } from '@yurei/core/design';
import { sayTime } from '@yurei/core/logic';
import type { Choice } from '../common/choice-field';
import { InlineChoice } from '../common/inline-choice';
import { InlineValue } from '../common/inline-value';
import { DesignSession } from '../data/design-session';
import { plainKinds, someCondition, wraps } from './new-condition';

const seconds = (label: string, min = 0): Param => ({
  id: 's',
  label,
  unit: 's',
  default: 1,
  min,
  max: 1e7,
});
const number = (label: string, more: Partial<Param> = {}): Param => ({
  id: 'n',
  label,
  unit: '',
  default: 1,
  min: -4294967295,
  max: 4294967295,
  ...more,
});
const choices = (...labels: string[]): Choice[] => labels.map((label) => ({ value: label, label }));

/** One condition as part of a sentence, and in it those that it is made of. */
@Component({
  selector: 'yu-condition',
  imports: [InlineChoice, InlineValue],
  templateUrl: './condition-field.html',
  styleUrls: ['../common/inline.css', './condition-field.css'],
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
  protected readonly params = {
    seconds: seconds('For so long'),
    within: seconds('Within', 0.001),
    long: seconds('Long is', 0.01),
    gap: seconds('Second press within'),
    over: seconds('Over the last', 0.001),
    n: number('How many', { min: 1, max: 64, whole: true }),
    counts: number('Counts'),
    by: number('By so many counts; below 0 it falls'),
    from: number('From, Hz', { min: 0, max: 1e4, unit: 'Hz' }),
    to: number('To, Hz', { min: 0, max: 1e4, unit: 'Hz' }),
    value: number('Count', { whole: true, min: -1e9, max: 1e9 }),
  };
  protected readonly presses = choices('short', 'long', 'double');
  protected readonly compares = choices('above', 'below', 'equal');
  protected readonly countCompares = choices('at least', 'at most', 'exactly');
  protected readonly plain = Object.entries(plainKinds).map(([is, k]) => ({ is, label: k.label }));
  protected readonly wraps = wraps;

  private readonly design = computed(() => this.session.design() as Design);
  private named(list: readonly { id: string; name: string }[]): Choice[] {
    return list.map(({ id, name }) => ({ value: id, label: name || id }));
  }
  protected readonly channels = computed(() => this.named(this.design().channels));
  protected readonly counters = computed(() => this.named(this.design().counters));
  protected readonly sequences = computed(() => this.named(this.design().sequences));
  protected readonly rules = computed(() => choices(...this.design().rules.map((r) => r.id)));
  protected readonly modes = computed(() => {
    const { machines } = this.design();
    return machines.flatMap((m) =>
      m.modes.map((mode): Choice => ({
        value: `${m.id} ${mode.id}`,
        label: machines.length > 1 ? `${m.name}: ${mode.name}` : mode.name,
      })),
    );
  });

  /** The condition with the shape of a kind, for the template. */
  protected like<K extends Condition['is']>(is: K): Extract<Condition, { is: K }> | undefined {
    const condition = this.condition();
    return condition.is === is ? (condition as Extract<Condition, { is: K }>) : undefined;
  }

  /** Several conditions joined by a word. */
  protected readonly several = computed(() => {
    const c = this.condition();
    if (c.is === 'all') return { of: c.of, word: 'and' };
    if (c.is === 'any') return { of: c.of, word: 'or' };
    return c.is === 'at least' ? { of: c.of, word: ',' } : undefined;
  });

  /** One condition with something said of it. */
  protected readonly single = computed(() => {
    const c = this.condition();
    return c.is === 'not' || c.is === 'for' || c.is === 'begins' || c.is === 'ends' ? c : undefined;
  });

  protected put(change: object): void {
    this.changed.emit({ ...this.condition(), ...change } as Condition);
  }

  protected putPart(index: number, part: Condition): void {
    const several = this.several();
    if (several) this.put({ of: several.of.map((c, i) => (i === index ? part : c)) });
  }

  /** The last but one that goes leaves the other standing alone. */
  protected removePart(index: number): void {
    const of = this.several()?.of.filter((_, i) => i !== index) ?? [];
    if (of.length === 1) this.changed.emit(of[0]);
    else this.put({ of });
  }

  protected addPart(): void {
    this.put({ of: [...(this.several()?.of ?? []), someCondition(this.design())] });
  }

  protected setMode(value: string): void {
    const [machine, mode] = value.split(' ');
    this.put({ machine, mode });
  }

  protected time(s: number): string {
    return sayTime(s);
  }

  protected setTime(end: 'from' | 'to', event: Event): void {
    const [h, m] = (event.target as HTMLInputElement).value.split(':').map(Number);
    if (Number.isFinite(h) && Number.isFinite(m)) this.put({ [end]: h * 3600 + m * 60 });
  }

  /** Another kind instead, something around it, or what it is made of alone. */
  protected choose(event: Event): void {
    const field = event.target as HTMLSelectElement;
    const [what, which] = field.value.split(' ');
    field.value = '';
    const condition = this.condition();
    if (what === 'around')
      this.changed.emit(wraps[Number(which)].wrap(condition, someCondition(this.design())));
    else if (what === 'only') this.changed.emit(partsOf(condition)[0]);
    else if (what === 'out') this.removed.emit();
    else {
      const made = plainKinds[which as Condition['is']]?.make(this.design());
      if (made) this.changed.emit(made);
    }
  }

  /** Kinds for which the design has something to name. */
  protected possible(is: string): boolean {
    return plainKinds[is as Condition['is']]?.make(this.design()) !== undefined;
  }

  protected readonly whole = computed(() => partsOf(this.condition()).length > 0);
}
