import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  model,
  signal,
} from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { summarise, usualVariation, type Night, type Variation } from '@yurei/core/nights';
import { formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { NightsRunner } from '../bench/nights-runner';
import { ChoiceField, type Choice } from '../common/choice-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

type Amount = Exclude<keyof Variation, 'tolerances'>;

const amounts: readonly (Param & { id: Amount })[] = [
  { id: 'temperature', label: 'Air, ±', unit: 'K', default: 10, min: 0, max: 100 },
  { id: 'supply', label: 'Supplies, ±', unit: '%', default: 5, min: 0, max: 50 },
  { id: 'start', label: 'Begins, ±', unit: 's', default: 1, min: 0, max: 1e5 },
  { id: 'strength', label: 'Strength, ±', unit: '%', default: 20, min: 0, max: 99 },
  { id: 'place', label: 'Places, ±', unit: 'm', default: 0.02, min: 0, max: 100 },
];
/** Shares that are typed in per cent. */
const shares: ReadonlySet<Amount> = new Set(['supply', 'strength']);
const countParam: Param = {
  id: 'count',
  label: 'Nights',
  unit: '',
  default: 200,
  min: 1,
  max: 10_000,
  whole: true,
};
const yesNo: Choice[] = [
  { value: 'yes', label: 'within tolerance' },
  { value: 'no', label: 'nominal' },
];

/** How often what was rehearsed is shown, ms. */
const showEvery = 250;
/** More nights than this are summed up only when all are done. */
const mostWhileRunning = 1000;

/** Many nights of the scene: detection with bounds, false triggers, what matters, and the worst by their seeds. */
@Component({
  selector: 'yu-nights-dialog',
  imports: [Button, ChoiceField, Dialog, ValueField],
  templateUrl: './nights-dialog.html',
  styleUrl: './nights-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NightsDialog {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly runner = inject(NightsRunner);
  protected readonly amounts = amounts;
  protected readonly countParam = countParam;
  protected readonly yesNo = yesNo;
  protected readonly vary = signal<Variation>(usualVariation);
  protected readonly count = signal(countParam.default);
  protected readonly running = signal(false);
  protected readonly refused = signal('');
  private readonly nights = signal<readonly Night[]>([]);
  private readonly fresh: Night[] = [];
  private flushing?: ReturnType<typeof setTimeout>;
  private readonly began = signal(0);
  private readonly wanted = signal(0);
  /** The design and scene the nights were rehearsed of. */
  private readonly of = signal<{ design: unknown; scene: string } | undefined>(undefined);

  protected readonly done = computed(() => this.nights().length);
  protected readonly share = computed(() => (this.wanted() > 0 ? this.done() / this.wanted() : 0));
  protected readonly left = computed(() => {
    const share = this.share();
    if (share === 0) return '';
    const seconds = ((performance.now() - this.began()) / 1000 / share) * (1 - share);
    return `about ${formatQuantity(Math.max(1, Math.round(seconds)), 's')} left`;
  });
  /** Whether the design has been changed since. */
  protected readonly stale = computed(
    () => this.done() > 0 && this.of()?.design !== this.session.design(),
  );

  protected readonly summary = computed(() => {
    const scene = this.session.design()?.scenes.find((s) => s.id === this.of()?.scene);
    const few = !this.running() || this.done() <= mostWhileRunning;
    return scene && this.done() > 0 && few ? summarise(this.nights(), scene) : undefined;
  });
  protected readonly rows = computed(() =>
    (this.summary()?.happenings ?? []).map(({ id, name, intent, share, delays }) => ({
      id,
      name,
      told: `${intent === 'wanted' ? 'noticed' : 'fired falsely'} ${percent(share.events / Math.max(1, share.tries))}`,
      bounds: `${share.events} of ${share.tries}, ${percent(share.low)} … ${percent(share.high)}`,
      delay: delays
        ? `after ${formatQuantity(delays.median, 's')}, 95 % within ${formatQuantity(delays.most, 's')}`
        : '',
      bad: intent === 'wanted' ? share.events < share.tries : share.events > 0,
    })),
  );
  protected readonly falses = computed(() => {
    const falses = this.summary()?.falses;
    if (!falses) return '';
    const rate = (perDay: number): string => String(Number(perDay.toPrecision(2)));
    return `${falses.count} false triggers in ${formatQuantity(falses.seconds, 's')} of such scenes: ${rate(falses.perDay)} a day, at most ${rate(falses.atMostPerDay)} (95 % sure).`;
  });
  protected readonly worst = computed(() =>
    (this.summary()?.worst ?? []).map(({ seed, missed, fired, strays }) => ({
      seed,
      what: [
        ...missed.map((name) => `missed “${name}”`),
        ...fired.map((name) => `fired at “${name}”`),
        ...(strays > 0 ? [`fired ${strays} × at nothing`] : []),
      ].join(', '),
      drawn: this.mostDrawn(seed),
    })),
  );

  constructor() {
    effect(() => {
      if (!this.open()) this.runner.cancel();
    });
  }

  protected async run(): Promise<void> {
    const [design, scene] = [this.session.design(), this.view.scene()?.id];
    if (!design || !scene) return;
    this.nights.set([]);
    this.refused.set('');
    this.of.set({ design, scene });
    this.wanted.set(this.count());
    this.began.set(performance.now());
    this.running.set(true);
    const task = { design: { ...design, readings: [] }, scene, vary: this.vary(), first: 1 };
    try {
      await this.runner.run({ ...task, count: this.count() }, (nights) => this.take(nights));
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      this.refused.set(`${reason} What was rehearsed until then is shown.`);
    } finally {
      this.flush();
      this.running.set(false);
    }
  }

  /** Nights are shown some at a time: each brings everything up to date. */
  private take(nights: readonly Night[]): void {
    this.fresh.push(...nights);
    this.flushing ??= setTimeout(() => this.flush(), showEvery);
  }

  private flush(): void {
    clearTimeout(this.flushing);
    this.flushing = undefined;
    const fresh = this.fresh.splice(0);
    this.nights.update((all) => [...all, ...fresh].sort((a, b) => a.seed - b.seed));
  }

  protected cancel(): void {
    this.runner.cancel();
  }

  protected valueOf(id: Amount): number {
    const value = this.vary()[id];
    return shares.has(id) ? Number((100 * value).toPrecision(6)) : value;
  }

  protected set(id: Amount, value: number): void {
    this.vary.update((vary) => ({ ...vary, [id]: shares.has(id) ? value / 100 : value }));
  }

  protected setTolerances(value: string): void {
    this.vary.update((vary) => ({ ...vary, tolerances: value === 'yes' }));
  }

  /** What lay farthest out in a night, of what matters if anything does. */
  private mostDrawn(seed: number): string {
    const drawn = this.nights().find((n) => n.seed === seed)?.drawn ?? {};
    const matters = new Set(this.summary()?.influences.map((i) => i.what));
    const entries = Object.entries(drawn).filter(
      ([name]) => matters.size === 0 || matters.has(name),
    );
    return entries
      .sort(([, a], [, b]) => Math.abs(b) - Math.abs(a))
      .slice(0, 3)
      .map(
        ([name, share]) => `${name} ${share > 0 ? '+' : '−'}${Math.abs(100 * share).toFixed(0)} %`,
      )
      .join(', ')
      .replace(/%$/, '% of its range');
  }
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
