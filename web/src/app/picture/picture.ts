import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { Design } from '@yurei/core/design';
import { Message } from 'primeng/message';
import { Waiting } from '../common/waiting';
import {
  cardView,
  firstLine,
  foldsOf,
  inset,
  lineStep,
  lineView,
  noFolds,
  pictureGraph,
  wiredAlike,
  type Box,
  type CardView,
  type Point,
  type Shown,
} from '@yurei/core/picture';
import { answerTo } from '../data/answer';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Connecting } from './connecting';
import { PictureLayouter } from './layout';
import { Overview } from './overview';
import { fitOnPaper } from './on-paper';
import { RubberBand } from './rubber';
import { PictureZoom } from './zoom';

/** What may be out of sight at an edge without anything being missed, px: the picture has a margin. */
const slack = 12;

/** The circuit, drawn by the program in stage columns, with the values of the present moment. */
@Component({
  selector: 'yu-picture',
  imports: [Message, Overview, Waiting],
  templateUrl: './picture.html',
  styleUrl: './picture.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Picture {
  private readonly view = inject(BenchView);
  private readonly layouter = inject(PictureLayouter);
  private readonly wiring = inject(Connecting);
  private readonly session = inject(DesignSession);
  private readonly destroyed = inject(DestroyRef);
  protected readonly selection = inject(Selection);

  readonly design = input.required<Design>();
  readonly show = input<Shown>('volts');
  /** Channels wired alike are drawn once. */
  readonly alike = input(false);

  protected readonly inset = inset;
  protected readonly firstLine = firstLine;
  protected readonly lineStep = lineStep;
  protected readonly connecting = this.wiring.from;
  protected readonly layouts = answerTo(
    () => this.graph(),
    (graph) => this.layouter.layOut(graph),
  );
  protected readonly layout = computed(() => this.layouts().found);
  private readonly showFree = signal<ReadonlySet<string>>(new Set());
  /** Changes with the wiring alone, not with values. */
  private readonly wired = computed(() => this.design(), { equal: wiredAlike });
  private readonly folds = computed(() => {
    // Which channels are alike depends on values too.
    const design = this.alike() ? this.design() : this.wired();
    const plain = !this.alike() && !design.groups.some((g) => g.collapsed);
    return plain ? noFolds : foldsOf(design, this.alike());
  });
  private readonly graph = computed(() =>
    pictureGraph(this.wired(), this.showFree(), this.folds()),
  );
  private readonly extent = computed(() => ({
    width: this.layout()?.width ?? 0,
    height: this.layout()?.height ?? 0,
  }));

  /** The drawing, once it stands. */
  drawing(): SVGSVGElement | undefined {
    return this.svg()?.nativeElement;
  }

  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');
  private readonly paper = viewChild<ElementRef<SVGGElement>>('paper');
  private readonly band = viewChild<ElementRef<SVGPathElement>>('band');
  private zoom?: PictureZoom;
  protected rubber?: RubberBand;
  protected readonly seen = signal<Box | undefined>(undefined);
  /** More is drawn than is seen. */
  protected readonly beyond = computed(() => {
    const [seen, { width, height }] = [this.seen(), this.extent()];
    return (
      seen !== undefined &&
      (seen.x > slack ||
        seen.y > slack ||
        seen.x + seen.width < width - slack ||
        seen.y + seen.height < height - slack)
    );
  });

  protected readonly lines = computed(() => {
    const layout = this.layout();
    const snapshot = this.view.snapshot();
    const design = this.design();
    const oscillations = this.view.oscillations();
    return (layout?.lines ?? []).map((line) =>
      lineView(line, { design, snapshot, show: this.show(), oscillations }),
    );
  });

  protected readonly cards = computed((): CardView[] => {
    const layout = this.layout();
    if (!layout) return [];
    const design = this.design();
    const parts = new Map(design.parts.map((p) => [p.id, p]));
    const context = {
      design,
      snapshot: this.view.snapshot(),
      refuse: this.wiring.refusals(),
    };
    return this.graph().cards.flatMap((card) => {
      const placed = layout.cards.get(card.id);
      const part = parts.get(card.part.id);
      return placed && part ? [cardView({ ...card, part }, placed, context)] : [];
    });
  });

  constructor() {
    effect(() => this.attach());
    effect(() => {
      const extent = this.extent();
      if (this.svg()) this.zoom?.refit(extent);
    });
    // What is picked elsewhere, as from the command box, is brought into view.
    effect(() => this.showPicked());
    effect(() => {
      // Marks the moment at which a changed value has been painted, for the benchmark.
      if (!this.lines() || !this.cards()) return;
      requestAnimationFrame(() => setTimeout(() => performance.mark('yurei-drawn')));
    });
  }

  /** Shows the whole circuit. */
  fit(): void {
    this.zoom?.whole(this.extent());
  }

  zoomBy(direction: 1 | -1): void {
    if (direction > 0) this.zoom?.zoomIn();
    else this.zoom?.zoomOut();
  }

  protected moveTo(point: Point): void {
    this.zoom?.centreOn(point);
  }

  protected touch(ref: string): void {
    this.wiring.touch(ref);
  }

  protected click(ref: string): void {
    if (!this.rubber?.swallows()) this.touch(ref);
  }

  protected pick(card: CardView): void {
    if (card.group === undefined) this.selection.pick('part', card.id);
    else this.selection.pick('group', card.group);
  }

  /** With Shift, a part joins or leaves those that are picked together. */
  protected press(card: CardView, event: MouseEvent): void {
    if (event.shiftKey && card.group === undefined) this.selection.toggle(card.id);
    else this.pick(card);
  }

  protected unfold(card: CardView): void {
    const group = this.design().groups.find((g) => g.id === card.group);
    if (group) this.session.edit({ type: 'put-group', group: { ...group, collapsed: false } });
  }

  protected toggleFree(part: string): void {
    const next = new Set(this.showFree());
    if (!next.delete(part)) next.add(part);
    this.showFree.set(next);
  }

  private attach(): void {
    const [svg, paper, band] = [this.svg(), this.paper(), this.band()].map((e) => e?.nativeElement);
    if (!svg || !paper || !band || this.zoom) return;
    this.zoom = new PictureZoom(svg as SVGSVGElement, paper as SVGGElement, (seen) =>
      this.seen.set(seen),
    );
    this.rubber = new RubberBand(band as SVGPathElement, paper as SVGGElement, {
      begin: (ref) => this.wiring.from.set(ref),
      end: (ref) => (ref === undefined ? this.wiring.cancel() : this.wiring.touch(ref)),
    });
    this.zoom.refit(this.extent());
    this.follow(svg as SVGSVGElement);
    this.destroyed.onDestroy(fitOnPaper(svg as SVGSVGElement, paper as SVGGElement));
  }

  /** Fits anew when the paper's size changes; what is picked stays in view. */
  private follow(svg: SVGSVGElement): void {
    const sized = new ResizeObserver(() => {
      // On paper it is as large as that.
      if (svg.hasAttribute('viewBox')) return;
      this.zoom?.refit(this.extent());
      this.showPicked();
    });
    sized.observe(svg);
    this.destroyed.onDestroy(() => sized.disconnect());
  }

  private showPicked(): void {
    const picked = this.selection.picked();
    const place = picked?.type === 'part' ? this.layout()?.cards.get(picked.id) : undefined;
    if (place) this.zoom?.show(place.x, place.y, place.width, place.height);
  }
}
