import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import {
  freshId,
  type Act,
  type Action,
  type Design,
  type Machine,
  type Transition,
} from '@yurei/core/design';
import { sayTransition } from '@yurei/core/logic';
import { CheckField } from '../common/check-field';
import type { Choice } from '../common/choice-field';
import { Hint } from '../common/hint';
import { InlineChoice } from '../common/inline-choice';
import { InlineName } from '../common/inline-name';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { DesignSession } from '../data/design-session';
import { ActsField } from './acts-field';
import { ConditionField } from './condition-field';
import { someCondition } from './new-condition';

const after: Param = { id: 'after', label: 'After', unit: 's', default: 30, min: 0, max: 1e7 };

/** The modes of a chart by name, and the ways between them in the order in which they are looked at. */
@Component({
  selector: 'yu-machine-editor',
  imports: [
    ActsField,
    CheckField,
    ConditionField,
    Hint,
    InlineChoice,
    InlineName,
    InlineValue,
    Press,
  ],
  templateUrl: './machine-editor.html',
  styleUrl: './machine-editor.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MachineEditor {
  readonly machine = input.required<Machine>();
  /** Place of the transition that is being changed. */
  readonly picked = model<number>();
  private readonly session = inject(DesignSession);
  protected readonly after = after;

  protected readonly choices = computed((): Choice[] =>
    this.machine().modes.map((m) => ({ value: m.id, label: m.name })),
  );
  protected readonly fromChoices = computed((): Choice[] => [
    { value: '', label: 'any mode' },
    ...this.choices(),
  ]);
  protected readonly lines = computed(() => {
    const [design, machine] = [this.session.design(), this.machine()];
    return design ? machine.transitions.map((t) => sayTransition(design, machine, t)) : [];
  });

  protected put(change: Partial<Machine>): void {
    this.session.edit({ type: 'put-machine', machine: { ...this.machine(), ...change } });
  }

  protected renameMode(id: string, name: string): void {
    const { modes } = this.machine();
    this.put({ modes: modes.map((m) => (m.id === id ? { ...m, name } : m)) });
  }

  protected addMode(): void {
    const { modes } = this.machine();
    const id = freshId(
      'm',
      modes.map((m) => m.id),
    );
    this.put({ modes: [...modes, { id, name: `Mode ${modes.length + 1}` }] });
  }

  protected removeMode(id: string): void {
    const { modes, transitions } = this.machine();
    this.picked.set(undefined);
    this.put({
      modes: modes.filter((m) => m.id !== id),
      transitions: transitions.filter((t) => t.from !== id && t.to !== id),
    });
  }

  protected change(index: number, change: Partial<Transition>): void {
    this.changeWay(index, (way) => ({ ...way, ...change }));
  }

  private changeWay(index: number, to: (way: Transition) => Transition): void {
    this.put({ transitions: this.machine().transitions.map((t, i) => (i === index ? to(t) : t)) });
  }

  protected setFrom(index: number, from: string): void {
    this.changeWay(index, ({ from: _before, ...rest }) =>
      from && from !== rest.to ? { ...rest, from } : rest,
    );
  }

  protected setTo(index: number, to: string): void {
    this.changeWay(index, ({ from, ...rest }) =>
      from && from !== to ? { ...rest, from, to } : { ...rest, to },
    );
  }

  /** A way has a condition, a time, or both; one of them stays. */
  protected drop(index: number, field: 'when' | 'after'): void {
    this.changeWay(index, (way) => {
      const { when, after: wait, ...rest } = way;
      if (field === 'when' && wait !== undefined) return { ...rest, after: wait };
      return field === 'after' && when ? { ...rest, when } : way;
    });
  }

  protected addWhen(index: number): void {
    const when = someCondition(this.session.design() as Design);
    this.change(index, { when });
  }

  protected setThen(index: number, then: Action[]): void {
    this.change(index, { then: then as Act[] });
  }

  protected addWay(): void {
    const { modes, transitions } = this.machine();
    const [from, to] = modes;
    if (!from || !to) return;
    const when = someCondition(this.session.design() as Design);
    const way: Transition = { from: from.id, to: to.id, when };
    this.put({ transitions: [...transitions, way] });
    this.picked.set(transitions.length);
  }

  protected moveWay(index: number, by: number): void {
    const { transitions } = this.machine();
    const others = transitions.filter((_, i) => i !== index);
    const at = index + by;
    const moved = transitions.slice(index, index + 1);
    this.put({ transitions: [...others.slice(0, at), ...moved, ...others.slice(at)] });
    this.picked.set(index + by);
  }

  protected removeWay(index: number): void {
    this.picked.set(undefined);
    this.put({ transitions: this.machine().transitions.filter((_, i) => i !== index) });
  }

  protected toggle(index: number): void {
    this.picked.set(this.picked() === index ? undefined : index);
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-machine', id: this.machine().id });
  }
}
