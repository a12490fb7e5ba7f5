import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { levelsOf } from '@yurei/core/logic';
import { formatNominal, formatQuantity, parseQuantity } from '@yurei/core/quantity';
import type { ChartConfiguration } from 'chart.js';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { across, seconds, shortCounts, still, up } from '../common/axis';
import { Chart } from '../common/chart';
import { CheckField } from '../common/check-field';
import { InlineChoice } from '../common/inline-choice';
import type { Inks } from '../common/inks';
import { Press } from '../common/press';
import { BenchBoard } from '../data/bench-board';
import { DesignSession } from '../data/design-session';
import { Capturing } from './capturing';
import { FeelByHand } from './feel-by-hand';

/** Pieces in which a stretch is drawn, each by its lowest and highest reading. */
const pieces = 500;
const spans = [
  { seconds: 20, label: '20 s' },
  { seconds: 120, label: '2 min' },
  { seconds: 3600, label: '1 h' },
] as const;

/** What the channel reads now, and for the stand-in what is let happen. */
@Component({
  selector: 'yu-live-strip',
  imports: [Button, Chart, CheckField, FeelByHand, InlineChoice, InputText, Message, Press],
  templateUrl: './live-strip.html',
  styleUrl: './live-strip.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LiveStrip {
  readonly channel = input.required<Channel>();
  /** Where its baseline stands, counts. */
  readonly from = input<number>();
  readonly full = input.required<number>();
  protected readonly board = inject(BenchBoard);
  protected readonly capturing = inject(Capturing);
  private readonly session = inject(DesignSession);
  protected readonly spans = spans;
  protected readonly span = signal<number>(spans[0].seconds);
  protected readonly picked = signal('');

  protected readonly happening = computed(() => {
    const all = this.capturing.happenings();
    return all.find((h) => h.id === this.picked()) ?? all[0];
  });

  protected readonly choices = computed(() =>
    this.capturing.happenings().map(({ id, name }) => ({ value: id, label: name })),
  );

  protected readonly now = computed(() => {
    this.board.beat();
    return this.board.seriesOf(this.channel())?.last;
  });

  protected readonly label = computed(
    () => `Readings of ${this.channel().name} in the last ${formatQuantity(this.span(), 's')}`,
  );

  protected readonly configure = computed(() => {
    this.board.beat();
    const series = this.board.seriesOf(this.channel());
    const to = series?.lastTime ?? 0;
    const raw = series?.extremes(to - this.span(), to + 1, pieces) ?? [];
    // Times are told backwards from now, so that the axis stands still.
    const points = raw.map(({ x, y }) => ({ x: x - to, y }));
    const levels = levelsOf(this.channel(), this.from());
    const [span, full] = [this.span(), this.full()];
    return (inks: Inks) => stripConfig({ points, span, full, levels }, inks);
  });

  /** Outputs that feed sensors: the board can switch them by hand. */
  protected readonly feeding = computed(() =>
    (this.session.design()?.outputs ?? []).filter((o) => o.feeds),
  );
  private readonly off = signal<ReadonlySet<string>>(new Set());

  protected powered(pin: string): boolean {
    return !this.off().has(pin);
  }

  protected power(pin: string, on: boolean): void {
    this.off.update((off) => new Set(on ? [...off].filter((p) => p !== pin) : [...off, pin]));
    this.board.power(pin, on);
  }

  protected readonly distance = computed(() => {
    const metres = this.capturing.distance();
    return metres === undefined ? '' : formatNominal(metres, 'm');
  });

  /** How far from the sensor, or where the scene has it when the field is left empty. */
  protected setDistance(event: Event): void {
    const field = event.target as HTMLInputElement;
    const typed = parseQuantity(field.value, 'm');
    if (typed.ok && typed.value > 0) this.capturing.distance.set(typed.value);
    else if (field.value.trim() === '') this.capturing.distance.set(undefined);
    field.value = this.distance();
  }

  protected start(): void {
    const happening = this.happening();
    if (happening) this.board.start(this.capturing.placed(happening));
  }
}

interface Strip {
  points: { x: number; y: number }[];
  span: number;
  full: number;
  levels: ReturnType<typeof levelsOf>;
}

function stripConfig(
  { points, span, full, levels }: Strip,
  inks: Inks,
): ChartConfiguration<'line'> {
  const line = (at: number, borderColor: string, borderDash: number[]) => ({
    type: 'line' as const,
    yMin: at,
    yMax: at,
    borderColor,
    borderWidth: 1.2,
    borderDash,
  });
  return {
    type: 'line',
    data: {
      datasets: [
        {
          data: points,
          borderColor: inks.indigo,
          borderWidth: 1.3,
          pointRadius: 0,
          stepped: 'before',
        },
      ],
    },
    options: {
      ...still,
      parsing: false,
      scales: {
        x: {
          type: 'linear',
          min: -span,
          max: 0,
          ...across(inks, { maxTicksLimit: 6, callback: seconds }),
        },
        y: {
          min: 0,
          max: full,
          ...up(inks, { maxTicksLimit: 4, callback: shortCounts }),
        },
      },
      plugins: {
        tooltip: { enabled: false },
        annotation: {
          annotations: Object.fromEntries(
            levels.flatMap((l) => [
              [`${l.side}-on`, line(l.trip, inks.lantern, [])] as const,
              [`${l.side}-off`, line(l.clear, inks.amber, [4, 3])] as const,
            ]),
          ),
        },
      },
    },
  };
}
