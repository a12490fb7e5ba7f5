import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { freshId, type Action, type Design, type Rule } from '@yurei/core/design';
import { sayRule } from '@yurei/core/logic';
import type { Choice } from '../common/choice-field';
import { InlineChoice } from '../common/inline-choice';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { ActsField } from './acts-field';
import { ConditionField } from './condition-field';
import { someCondition } from './new-condition';

type TimeKey = 'hold' | 'atLeast' | 'atMost' | 'lockOut';

const time = (id: TimeKey, label: string, most = 1e7): Param & { id: TimeKey } => ({
  id,
  label,
  unit: 's',
  default: 1,
  min: 0,
  max: most,
});
const times = [
  time('hold', 'and so much longer', 86400),
  time('atLeast', 'for at least'),
  time('atMost', 'for at most'),
  time('lockOut', 'then not again for'),
];

const endings: readonly Choice[] = [
  { value: 'ceases', label: 'when that ceases' },
  { value: 'once', label: 'after its time, once' },
  { value: 'latch', label: 'by a reset (latched)' },
  { value: 'until', label: 'when …' },
];

/** One rule as a sentence; open, a sentence that can be changed. */
@Component({
  selector: 'yu-rule-card',
  imports: [ActsField, ConditionField, InlineChoice, InlineValue, Press],
  templateUrl: './rule-card.html',
  styleUrl: './rule-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RuleCard {
  readonly rule = input.required<Rule>();
  readonly open = input(false);
  readonly toggled = output();

  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly times = times;
  protected readonly endings = endings;

  protected readonly sentence = computed(() => {
    const design = this.session.design();
    return design ? sayRule(design, this.rule()) : '';
  });
  /** Active at the time cursor. */
  protected readonly active = computed(
    () => this.view.snapshot()?.decided.rules[this.rule().id] ?? false,
  );
  protected readonly place = computed(() => {
    const rules = this.session.design()?.rules ?? [];
    const at = rules.findIndex((r) => r.id === this.rule().id);
    return {
      at,
      before: rules[at - 1]?.id,
      after: rules[at + 2]?.id,
      last: at === rules.length - 1,
    };
  });
  protected readonly ending = computed(() => {
    const { latch, until, once } = this.rule();
    if (until) return 'until';
    if (latch) return 'latch';
    return once ? 'once' : 'ceases';
  });

  protected put(change: Partial<Rule>): void {
    this.session.edit({ type: 'put-rule', rule: { ...this.rule(), ...change } });
  }

  /** Takes a field out of the rule. */
  protected drop(field: 'while' | TimeKey): void {
    const { [field]: _gone, ...rest } = this.rule();
    this.session.edit({ type: 'put-rule', rule: rest as Rule });
  }

  protected setThen(then: Action[]): void {
    this.put({ then });
  }

  protected addWhile(): void {
    this.put({ while: someCondition(this.session.design() as Design) });
  }

  protected addTime(key: TimeKey): void {
    this.setTime(key, key === 'atMost' ? 900 : 1);
  }

  protected setTime(key: TimeKey, value: number): void {
    this.put({ [key]: value });
  }

  /** How it ends: by itself, once after its time, by a reset, or by a condition. */
  protected setEnding(ending: string): void {
    const { until: _until, once: _once, ...rest } = this.rule();
    const rule: Rule = { ...rest, latch: ending === 'latch' || ending === 'until' };
    if (ending === 'once') Object.assign(rule, { once: true, hold: rule.hold || 1 });
    if (ending === 'until') rule.until = someCondition(this.session.design() as Design);
    this.session.edit({ type: 'put-rule', rule });
  }

  protected move(before: string | undefined): void {
    this.session.edit({ type: 'move-rule', id: this.rule().id, before });
  }

  protected duplicate(): void {
    const ids = (this.session.design()?.rules ?? []).map((r) => r.id);
    this.session.edit({ type: 'put-rule', rule: { ...this.rule(), id: freshId('r', ids) } });
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-rule', id: this.rule().id });
  }
}
