import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import type { Design } from '@yurei/core/design';
import { BenchView } from '../data/bench-view';
import { Selection } from '../data/selection';
import { Connecting } from './connecting';
import { pictureGraph } from './graph';
import { PictureLayouter, type PictureLayout } from './layout';
import { cardView, lineView, type Shown } from './views';

/** The circuit, drawn by the program in stage columns, with the values of the present moment. */
@Component({
  selector: 'yu-picture',
  templateUrl: './picture.html',
  styleUrl: './picture.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Picture {
  private readonly view = inject(BenchView);
  private readonly layouter = inject(PictureLayouter);
  private readonly wiring = inject(Connecting);
  protected readonly selection = inject(Selection);

  readonly design = input.required<Design>();
  readonly show = input<Shown>('volts');
  /** Leaves out the lane of supplies, where room is short. */
  readonly compact = input(false);

  protected readonly connecting = this.wiring.from;
  protected readonly layout = signal<PictureLayout | undefined>(undefined);
  protected readonly box = computed(() => {
    const layout = this.layout();
    const height = this.compact() ? layout?.feedsY : layout?.height;
    return `0 0 ${layout?.width ?? 0} ${height ?? 0}`;
  });
  protected readonly empty = computed(() => this.design().parts.length === 0);
  private readonly showFree = signal<ReadonlySet<string>>(new Set());
  private readonly graph = computed(() => pictureGraph(this.design(), this.showFree()));

  protected readonly lines = computed(() => {
    const layout = this.layout();
    const snapshot = this.view.snapshot();
    const design = this.design();
    return (layout?.lines ?? []).map((line) => lineView(line, design, snapshot, this.show()));
  });

  protected readonly cards = computed(() => {
    const layout = this.layout();
    if (!layout) return [];
    const context = {
      design: this.design(),
      snapshot: this.view.snapshot(),
      refuse: this.wiring.refusals(),
      showFree: this.showFree(),
    };
    return this.graph().cards.flatMap((card) => {
      const placed = layout.cards.get(card.part.id);
      return placed ? [cardView(card, placed, context)] : [];
    });
  });

  constructor() {
    effect(() => {
      const graph = this.graph();
      void this.layouter.layOut(graph).then((layout) => {
        if (graph === this.graph()) this.layout.set(layout);
      });
    });
    effect(() => {
      // Marks the moment at which a changed value has been painted, for the benchmark.
      if (!this.lines() || !this.cards()) return;
      requestAnimationFrame(() => setTimeout(() => performance.mark('yurei-drawn')));
    });
  }

  protected touch(ref: string): void {
    this.wiring.touch(ref);
  }

  protected toggleFree(part: string): void {
    const next = new Set(this.showFree());
    if (!next.delete(part)) next.add(part);
    this.showFree.set(next);
  }
}
