import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Counter, Notice, Sleep, Told } from '@yurei/core/design';
import { sayNotice } from '@yurei/core/logic';
import { CheckField } from '../common/check-field';
import type { Choice } from '../common/choice-field';
import { InlineChoice } from '../common/inline-choice';
import { InlineName } from '../common/inline-name';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { ConditionField } from './condition-field';
import { someCondition } from './new-condition';
import { OutputLine } from './output-line';

const whole = (id: 'start' | 'least' | 'most', label: string): Param & { id: typeof id } => ({
  id,
  label,
  unit: '',
  default: 0,
  min: -1e9,
  max: 1e9,
  whole: true,
});
const time = (label: string, min = 0): Param => ({
  id: label,
  label,
  unit: 's',
  default: 1,
  min,
  max: 1e7,
});

/** Counters, notices, outputs, sleep and watchdog: a line each. */
@Component({
  selector: 'yu-things',
  imports: [CheckField, ConditionField, InlineChoice, InlineName, InlineValue, OutputLine, Press],
  templateUrl: './things.html',
  styleUrl: './things.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Things {
  protected readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly limits = [
    whole('start', 'begins at'),
    whole('least', 'from'),
    whole('most', 'to'),
  ];
  protected readonly params = {
    heartbeat: time('Every', 0.001),
    gap: time('Not within'),
    every: time('Wakes every', 0.001),
    awake: time('Stays awake for', 0.001),
    watchdog: time('Resets itself after', 0.01),
    by: { ...time('When moved by', 1e-9), unit: '' as const },
  };
  protected readonly design = this.session.design;
  protected readonly now = computed(() => this.view.snapshot()?.decided);

  protected putCounter(counter: Counter, change: Partial<Counter>): void {
    this.session.edit({ type: 'put-counter', counter: { ...counter, ...change } });
  }

  protected setLimit(counter: Counter, limit: 'start' | 'least' | 'most', value: number): void {
    this.putCounter(counter, { [limit]: value });
  }

  protected putNotice(notice: Notice, change: Partial<Notice>): void {
    this.session.edit({ type: 'put-notice', notice: { ...notice, ...change } });
  }

  protected say(notice: Notice): string {
    const design = this.design();
    return design ? sayNotice(design, notice) : '';
  }

  protected tellChoices(): Choice[] {
    const { counters = [], machines = [], channels = [] } = this.design() ?? {};
    return [
      { value: 'condition', label: 'whether …' },
      ...counters.map((c) => ({ value: `counter ${c.id}`, label: c.name || c.id })),
      ...machines.map((m) => ({ value: `mode ${m.id}`, label: `the mode of ${m.name}` })),
      ...channels.map((c) => ({ value: `reading ${c.id}`, label: `the reading of ${c.name}` })),
    ];
  }

  protected tellChoice({ tells }: Notice): string {
    if (tells.tell === 'condition') return 'condition';
    if (tells.tell === 'counter') return `counter ${tells.counter}`;
    return tells.tell === 'mode' ? `mode ${tells.machine}` : `reading ${tells.channel}`;
  }

  protected setTells(notice: Notice, choice: string): void {
    const [tell = '', which = ''] = choice.split(' ');
    const design = this.design();
    if (!design) return;
    const told: Partial<Record<string, Told>> = {
      condition: { tell: 'condition', condition: someCondition(design) },
      counter: { tell: 'counter', counter: which },
      mode: { tell: 'mode', machine: which },
      reading: { tell: 'reading', channel: which, by: 10 },
    };
    const tells = told[tell];
    if (tells) this.putNotice(notice, { tells });
  }

  protected setSleep(sleep: Sleep | undefined): void {
    const watchdog = this.design()?.controller.watchdog;
    this.session.edit({ type: 'set-controller', sleep, watchdog });
  }

  /** Awake for less than it takes to come around again. */
  protected changeSleep(sleep: Sleep, change: Partial<Sleep>): void {
    const next = { ...sleep, ...change };
    this.setSleep({ ...next, awake: Math.min(next.awake, next.every * 0.999) });
  }

  protected keepAwake(sleep: Sleep): void {
    const design = this.design();
    if (design) this.setSleep({ ...sleep, unless: someCondition(design) });
  }

  protected letSleep({ every, awake }: Sleep): void {
    this.setSleep({ every, awake });
  }

  protected setWatchdog(watchdog: number | undefined): void {
    this.session.edit({
      type: 'set-controller',
      sleep: this.design()?.controller.sleep,
      watchdog,
    });
  }
}
