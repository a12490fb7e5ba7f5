import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { levelsAtRest, levelsOf } from '@yurei/core/logic';
import { formatNominal, formatQuantity } from '@yurei/core/quantity';
import { spreadTrimmer, trimmerSetting } from '@yurei/core/threshold';
import { Button } from 'primeng/button';
import { BenchView } from '../data/bench-view';
import { JudgeView } from '../data/judge-view';
import { SetItDialog, type Helper } from './set-it-dialog';

/** The usual trimmer across the supply, Ω (common practice). */
const track = 10e3;

/** The three ways to bring the threshold to the bench: a number, a trimmer, the lamp. */
@Component({
  selector: 'yu-set-it-cards',
  imports: [Button, SetItDialog],
  templateUrl: './set-it-cards.html',
  styleUrl: './set-it-cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetItCards {
  readonly channel = input.required<Channel>();
  readonly oneCount = input<number>();
  /** Where the baseline stands, counts. */
  readonly from = input<number>();
  private readonly judging = inject(JudgeView);
  private readonly view = inject(BenchView);
  protected readonly helper = signal<Helper | undefined>(undefined);

  protected readonly level = computed(() => {
    const [channel, from] = [this.channel(), this.from()];
    const rest = this.view.snapshot()?.counts[channel.id] ?? 0;
    return (from === undefined ? levelsAtRest(channel, rest) : levelsOf(channel, from))[0];
  });
  /** Volts at which the channel trips and clears; undefined where no converter reads it. */
  protected readonly volts = computed(() => {
    const one = this.oneCount();
    const { trip, clear } = this.level();
    return one === undefined ? undefined : { trip: trip * one, clear: clear * one, one };
  });

  protected readonly software = computed(() => {
    const { hits, misses, filter, baseline } = this.channel();
    const { side, trip, clear } = this.level();
    const off = side === 'above' ? 'below' : 'above';
    return {
      levels: `on ${side} ${round(trip)} · off ${off} ${round(clear)}`,
      rest: [
        `${hits} in a row`,
        misses > 1 ? `${misses} misses to clear` : '',
        filter ? `${filter.by} of ${filter.n}` : '',
        baseline ? `${baseline.kind} baseline` : '',
      ]
        .filter(Boolean)
        .join(', '),
    };
  });

  protected readonly trimmer = computed(() => {
    const volts = this.volts();
    const supply = this.supply();
    if (!volts || supply === undefined) return undefined;
    const middle = (volts.trip + volts.clear) / 2;
    const half = Math.abs(volts.trip - volts.clear) / 2;
    const plain = trimmerSetting(supply, { top: 0, track, bottom: 0 }, middle);
    const spread = spreadTrimmer(supply, track, ...this.span(supply));
    return {
      wiper: `wiper to ${formatQuantity(middle, 'V')} ± ${formatQuantity(half, 'V')}`,
      plain: `${formatNominal(track, 'Ω')} one-turn: ${formatQuantity(plain.perDegree.single, 'V')} per degree`,
      spread: spread
        ? `with ${ohms(spread.top)} above and ${ohms(spread.bottom)} below: ${formatQuantity(plain.perDegree.single / spread.finer, 'V')}`
        : 'its whole span is needed: no end resistors',
    };
  });

  /** What the trimmer must cover: from the quiet to the wanted, or a volt around the line. */
  private span(supply: number): [number, number] {
    const one = this.oneCount() ?? 0;
    const sets = this.judging.current()?.sets ?? [];
    const means = sets.map((s) => s.mean * one);
    const { trip = 0, clear = 0 } = this.volts() ?? {};
    const low = Math.min(trip, clear, ...means);
    const high = Math.max(trip, clear, ...means);
    return means.length > 1
      ? [Math.max(0, low), Math.min(supply, high)]
      : [Math.max(0, low - 0.5), Math.min(supply, high + 0.5)];
  }

  /** The converter's full scale, which is the supply of the board unless it has a reference. */
  private supply(): number | undefined {
    const one = this.oneCount();
    return one === undefined ? undefined : one * this.judging.full();
  }

  /** The wanted reading nearest to the line, and the other one nearest to it: between them the lamp is set. */
  protected readonly lamp = computed(() => {
    const sets = this.judging.current()?.sets ?? [];
    const nearest = (wanted: boolean) =>
      sets.filter((s) => (s.intent === 'wanted') === wanted).sort((a, b) => a.margin - b.margin)[0]
        ?.name;
    return { wanted: nearest(true) ?? 'what is wanted', quiet: nearest(false) ?? 'nothing there' };
  });
}

const round = (counts: number): number => Math.round(counts * 10) / 10;
const ohms = (value: number): string => (value === 0 ? 'nothing' : formatNominal(value, 'Ω'));
