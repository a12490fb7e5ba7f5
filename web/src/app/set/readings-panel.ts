import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Conditions, ReadingSet } from '@yurei/core/design';
import { fileStem, writeReadings } from '@yurei/core/exchange';
import { decimals, formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { formatDateTime } from '../common/date-time';
import { ChoiceField } from '../common/choice-field';
import { download } from '../common/download';
import { Fold } from '../common/fold';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { TextField } from '../common/text-field';
import { DesignSession } from '../data/design-session';
import { JudgeView } from '../data/judge-view';
import { Selection } from '../data/selection';
import { ConditionsFields } from './conditions-fields';
import { intentChoices } from './intents';

const origins: Readonly<Record<ReadingSet['origin'], string>> = {
  'stand-in': 'the stand-in board',
  board: 'a board',
  file: 'a file',
  typed: 'typed values',
};
/** Readings are listed one by one up to so many; of more, the farthest from their mean. */
const mostListed = 60;

/** One reading set: what it is, under what it was taken, and which of its readings count. */
@Component({
  selector: 'yu-readings-panel',
  imports: [
    Button,
    ChoiceField,
    ConditionsFields,
    Fold,
    Hint,
    InputText,
    Press,
    TextField,
    Textarea,
  ],
  templateUrl: './readings-panel.html',
  styleUrls: ['../common/panel.css', './readings-panel.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingsPanel {
  protected readonly decimals = decimals;
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly judging = inject(JudgeView);
  private readonly selection = inject(Selection);
  protected readonly intents = intentChoices;
  protected readonly reason = signal('');

  protected readonly set = computed(() =>
    this.session.design()?.readings.find((r) => r.id === this.id()),
  );
  protected readonly told = computed(() => {
    const set = this.set();
    if (!set) return '';
    const when = formatDateTime(set.taken);
    const over = formatQuantity(set.counts.length * set.every, 's');
    return `${set.counts.length} readings over ${over} from ${origins[set.origin]}, ${when}`;
  });
  protected readonly judged = computed(() =>
    this.judging.current()?.sets.find((s) => s.id === this.id()),
  );

  /** The readings that are listed, in their order. */
  protected readonly listed = computed(() => {
    const set = this.set();
    if (!set) return [];
    const out = new Map(set.excluded.map((x) => [x.at, x.reason]));
    const all = set.counts.map((counts, at) => ({
      at,
      counts,
      out: out.has(at),
      reason: out.get(at) ?? '',
    }));
    if (all.length <= mostListed) return all;
    const mean = this.judged()?.mean ?? set.counts[0] ?? 0;
    return [...all]
      .sort(
        (a, b) =>
          Number(b.out) - Number(a.out) || Math.abs(b.counts - mean) - Math.abs(a.counts - mean),
      )
      .slice(0, mostListed)
      .sort((a, b) => a.at - b.at);
  });

  protected put(change: Partial<ReadingSet>): void {
    const set = this.set();
    if (set) this.session.edit({ type: 'put-readings', set: { ...set, ...change } });
  }

  protected setIntent(value: string): void {
    this.put({ intent: value as ReadingSet['intent'] });
  }

  protected setConditions(conditions: Conditions): void {
    this.put({ conditions });
  }

  protected setNotes(event: Event): void {
    this.put({ notes: (event.target as HTMLTextAreaElement).value.slice(0, 4000) });
  }

  protected setReason(event: Event): void {
    this.reason.set((event.target as HTMLInputElement).value);
  }

  /** Leaves a reading out for the reason that stands in the field, or takes it in again. */
  protected toggle(at: number): void {
    const set = this.set();
    if (!set) return;
    const out = set.excluded.some((x) => x.at === at);
    const reason = this.reason().trim() || 'No reason given';
    this.put({
      excluded: out ? set.excluded.filter((x) => x.at !== at) : [...set.excluded, { at, reason }],
    });
  }

  protected export(): void {
    const set = this.set();
    if (set) download(`${fileStem(set.name)}.csv`, writeReadings([set]), 'text/csv');
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-readings', id: this.id() });
    const channel = this.judging.channel();
    if (channel) this.selection.pick('channel', channel.id);
  }
}
