import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { summarise } from '@yurei/core/trials';
import { decimals, formatQuantity, toDigits } from '@yurei/core/quantity';
import { Press } from '../../common/press';
import { percent } from './percent';
import { StudyRun } from './study-run';

/** More nights than this are summed up only when all are done. */
const mostWhileRunning = 1000;

/** Many nights of one case: detection with bounds, false triggers, what matters, and the worst by their seeds. */
@Component({
  selector: 'yu-nights-result',
  imports: [Press],
  template: `
    @for (row of rows(); track row.id) {
      <div class="row" [class.off]="row.bad">
        <b>{{ row.name }}</b>
        <span class="value">{{ row.told }}</span>
        <span class="value soft">{{ row.bounds }}</span>
        <span class="value soft">{{ row.delay }}</span>
      </div>
    }
    @if (summary(); as summary) {
      <p>{{ falses() }}</p>
      @if (summary.troubled > 0) {
        <p class="bad">{{ summary.troubled }} nights could not be rehearsed.</p>
      }
      <h3 class="heading">what matters</h3>
      @for (influence of summary.influences; track $index) {
        <p class="influence">
          <span class="value">{{ decimals(influence.correlation, 2) }}</span> {{ influence.what }},
          for “{{ influence.happening }}”
        </p>
      } @empty {
        <p class="soft">Nothing that varies matters more than chance would.</p>
      }
      @if (summary.influences.length > 0) {
        <p class="soft">Rank correlation: above 0, more of it is worse.</p>
      }
      @if (worst().length > 0) {
        <h3 class="heading">the worst nights</h3>
        @for (night of worst(); track night.seed) {
          <button yuPress="bare" class="night" (click)="run.lookAt(0, night.seed)">
            <span class="value">seed {{ night.seed }}</span> {{ night.what }}
            <span class="soft">{{ night.sampled }}</span>
          </button>
        }
      }
    }
  `,
  styleUrl: './nights-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NightsResult {
  protected readonly decimals = decimals;
  protected readonly run = inject(StudyRun);
  private readonly nights = computed(() => this.run.nights()[0] ?? []);
  protected readonly summary = computed(() => {
    const asked = this.run.asked();
    const few = !this.run.running() || this.nights().length <= mostWhileRunning;
    return asked && this.nights().length > 0 && few
      ? summarise(this.nights(), asked.scene)
      : undefined;
  });
  protected readonly rows = computed(() =>
    (this.summary()?.happenings ?? []).map(({ id, name, intent, share, delays }) => ({
      id,
      name,
      told:
        share.tries > 0
          ? `${intent === 'wanted' ? 'noticed' : 'fired falsely'} ${percent(share.events / share.tries)}`
          : 'not tried',
      bounds:
        share.tries > 0
          ? `${share.events} of ${share.tries}, ${percent(share.low)} … ${percent(share.high)}`
          : 'no sensor feels it',
      delay: delays
        ? `after ${formatQuantity(delays.median, 's')}, 95 % within ${formatQuantity(delays.most, 's')}`
        : '',
      bad: intent === 'wanted' ? share.events < share.tries : share.events > 0,
    })),
  );
  protected readonly falses = computed(() => {
    const falses = this.summary()?.falses;
    if (!falses) return '';
    const rate = (perDay: number): string => toDigits(perDay, 2);
    return `${falses.count} false ${falses.count === 1 ? 'trigger' : 'triggers'} in ${formatQuantity(falses.seconds, 's')} of such scenes: ${rate(falses.perDay)} a day, at most ${rate(falses.atMostPerDay)} (95 % sure).`;
  });
  protected readonly worst = computed(() =>
    (this.summary()?.worst ?? []).map(({ seed, missed, fired, strays }) => ({
      seed,
      what: [
        ...missed.map((name) => `missed “${name}”`),
        ...fired.map((name) => `fired at “${name}”`),
        ...(strays > 0 ? [`fired ${strays} × at nothing`] : []),
      ].join(', '),
      sampled: this.mostSampled(seed),
    })),
  );

  /** What lay farthest out in a night, of what matters if anything does. */
  private mostSampled(seed: number): string {
    const sampled = this.nights().find((n) => n.seed === seed)?.sampled ?? {};
    const matters = new Set(this.summary()?.influences.map((i) => i.what));
    const entries = Object.entries(sampled).filter(
      ([name]) => matters.size === 0 || matters.has(name),
    );
    return entries
      .sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
      .slice(0, 3)
      .map(
        ([name, share]) =>
          `${name} ${share > 0 ? '+' : '−'}${decimals(Math.abs(100 * share), 0)} %`,
      )
      .join(', ')
      .replace(/%$/, '% of its range');
  }
}
