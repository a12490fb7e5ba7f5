import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { findKind } from '@yurei/core/catalog';
import {
  criteria,
  noticesFor,
  reasonOf,
  unreadNotices,
  type Criterion,
  type Ranked,
} from '@yurei/core/plan';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { ProgressBar } from 'primeng/progressbar';
import { Slider } from 'primeng/slider';
import { TableModule } from 'primeng/table';
import { CheckField } from '../common/check-field';
import { Fold } from '../common/fold';
import { HelpHint } from '../common/help-hint';
import { Hint } from '../common/hint';
import { DesignSession } from '../data/design-session';
import { Comparison, mostWeight } from './comparison';
import { keyOf } from './key-of';
import { dealtFacts, facts, sayErrors, saySide } from './say-sensor';

/** At most so many stand side by side. */
const mostBeside = 4;

/** Sensors for the brief, the best first by what counts to the maker, some of them side by side. */
@Component({
  selector: 'yu-sensor-comparison',
  imports: [
    Button,
    CheckField,
    Fold,
    FormsModule,
    HelpHint,
    Hint,
    Message,
    ProgressBar,
    Slider,
    TableModule,
  ],
  templateUrl: './sensor-comparison.html',
  styleUrl: './sensor-comparison.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SensorComparison {
  protected readonly comparison = inject(Comparison);
  private readonly session = inject(DesignSession);
  protected readonly criteria = criteria;
  protected readonly mostWeight = mostWeight;
  protected readonly mostBeside = mostBeside;
  protected readonly taking = signal('');
  protected readonly refused = signal('');
  protected readonly taken = signal('');
  private readonly ticked = signal<readonly string[]>([]);

  protected readonly asked = computed(() =>
    (this.session.design()?.brief.needs ?? []).some((n) => n.intent === 'wanted'),
  );
  /** What has to be read before a design is begun. */
  protected readonly unread = computed(() => {
    const brief = this.session.design()?.brief;
    return brief ? unreadNotices(brief) : [];
  });

  protected haveRead(): void {
    const brief = this.session.design()?.brief;
    if (!brief) return;
    const read = noticesFor(brief).map((n) => n.id);
    this.session.edit({ type: 'set-brief', fields: { read } });
  }

  /** What is to be known of the first designs that the brief asks for. */
  protected readonly notes = computed(() => {
    const { controller } = this.session.design()?.brief ?? {};
    return [
      ...(controller === 'without'
        ? [
            'Without a controller a comparator decides: nothing is held, counted or told apart, and what takes a program is not offered.',
          ]
        : []),
    ];
  });
  protected readonly serving = computed(() => {
    const chances = this.comparison.chances();
    return this.comparison.serving().map((ranked, i) => ({
      ...rowOf(ranked, i),
      nights: sayErrors(chances.get(keyOf(ranked))),
    }));
  });
  protected readonly others = computed(() => this.comparison.others().map(rowOf));
  protected readonly untried = computed(() =>
    this.comparison.untried().map((one) => ({
      ...{ key: keyOf(one), label: one.label, price: one.price },
      ages: findKind(one.sensor)?.ages ?? '',
    })),
  );
  protected readonly beside = computed(() =>
    this.ticked().flatMap((key) => this.serving().find((row) => row.key === key) ?? []),
  );
  protected readonly besideRows = computed(() => {
    const all = this.beside();
    const [first] = all;
    return [...dealtFacts(first?.ranked.does?.dealt ?? []), ...facts].map(({ label, say }) => ({
      label,
      cells: all.map(({ ranked, key }) => say(ranked, this.comparison.chances().get(key))),
    }));
  });

  /** What is settled by which sensor is taken: once all were tried. */
  protected readonly sides = computed(() =>
    this.comparison.running()
      ? []
      : this.comparison.sides().map(({ title, sides }) => ({
          title,
          sides: sides.map(({ label, best }) => ({ label, says: saySide(best) })),
        })),
  );

  protected readonly says = computed(() => {
    const [done, wanted] = [this.comparison.done(), this.comparison.wanted()];
    if (wanted === 0)
      return this.comparison.looked()
        ? 'No sensor of the catalogue feels it.'
        : 'Looking for sensors that feel it…';
    const noticing = this.serving().length;
    return `${done} of ${wanted} tried; ${noticing} notice${noticing === 1 ? 's' : ''} all of it.`;
  });

  protected isTicked(key: string): boolean {
    return this.ticked().includes(key);
  }

  protected tick(key: string, on: boolean): void {
    this.ticked.update((all) => (on ? [...all, key] : all.filter((k) => k !== key)));
  }

  protected weightOf(id: Criterion): number {
    return this.comparison.weights()[id];
  }

  /** Puts the first design on the bench. */
  protected async take({ ranked, key }: { ranked: Ranked; key: string }): Promise<void> {
    this.taking.set(key);
    this.refused.set('');
    this.taken.set('');
    const refusal = await this.comparison.take(ranked);
    this.taking.set('');
    this.refused.set(refusal);
    if (!refusal) this.taken.set(ranked.label);
  }
}

const rowOf = (ranked: Ranked, i: number) => ({
  ranked,
  key: keyOf(ranked),
  place: i + 1,
  reason: reasonOf(ranked),
  glyph: findKind(ranked.sensor)?.glyph ?? '',
  marks: criteria.map(({ id, label }) => ({
    label,
    share: ranked.marks[id] ?? 0,
    said: `${label}: ${Math.round(100 * (ranked.marks[id] ?? 0))} of 100`,
  })),
  mark: Math.round(100 * ranked.mark),
});
