import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { Design, Point } from '@yurei/core/design';
import type { BlindPath, Coverage } from '@yurei/core/plan';
import { formatNominal, manner } from '@yurei/core/quantity';
import { shorten, textWidth, valueWidth } from '@yurei/core/picture';
import { drag, type D3DragEvent } from 'd3-drag';
import { pointer, select } from 'd3-selection';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { placeNames } from './site-labels';
import { Site } from './site';
import { SiteGround } from './site-ground';
import { marksOf } from './site-marks';
import { snapped, snaps } from './site-snap';
import { cellsWhere, dotted, drawn, kept, onPlan, scaleOf, standsOf, waysOf } from './site-drawing';
import { moved, movePoint } from './site-moves';

const width = 860;
const height = 300;
/** Sizes of letters, as plan.css has them. */
const partLetters = 12;
const wayLetters = 12;
/** A name takes so much of the plan at most, or so much where it is narrow, px. */
const longest = { share: 0.8, least: 120 };
/** Beside the plan, for the compass, px. */
const compassRoom = 32;
/** An arrow key moves what is picked by so much, m. */
const nudge = 0.1;
/** Which way each of them goes; y goes up the plan. */
const arrows = new Map([
  ['ArrowLeft', { x: -1, y: 0 }],
  ['ArrowRight', { x: 1, y: 0 }],
  ['ArrowUp', { x: 0, y: 1 }],
  ['ArrowDown', { x: 0, y: -1 }],
]);

const written = (name: string): number => textWidth(name, wayLetters, 'regular');

type Dragged = D3DragEvent<SVGGElement, unknown, unknown>;

/** The place from above: sensors with what they see, and the ways of what happens; all of it can be dragged. */
@Component({
  selector: 'yu-site-plan',
  imports: [SiteGround],
  templateUrl: './site-plan.html',
  styleUrl: './site-plan.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SitePlan {
  /** Where something is noticed, shaded on the ground. */
  readonly coverage = input<Coverage>();
  /** A way that is drawn besides. */
  readonly blind = input<BlindPath>();
  private readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly selection = inject(Selection);
  protected readonly site = inject(Site);
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');

  /** What is being dragged stands where it is, before it is let go. */
  private readonly held = signal<{ key: string; point: Point } | undefined>(undefined);
  private readonly design = computed(() => {
    const [design, held] = [this.session.design(), this.held()];
    return design && held ? moved(design, this.view.scene()?.id, held.key, held.point) : design;
  });
  protected readonly scale = computed(() => scaleOf(this.design() as Design, width, height));
  protected readonly frame = computed(() => {
    const { plan } = this.design() as Design;
    const { k } = this.scale();
    return { width: plan.width * k, height: plan.depth * k, metre: k };
  });
  protected readonly compassRoom = compassRoom;
  protected readonly plan = computed(() => (this.design() as Design).plan);
  protected readonly backdrop = computed(() => {
    const { backdrop } = this.plan();
    if (!backdrop) return undefined;
    const { image, width } = backdrop;
    return { image, width: width * this.scale().k, ...drawn(this.scale(), backdrop) };
  });
  /** The ground by how surely something is noticed on it. */
  protected readonly shades = computed(() => {
    const found = this.coverage();
    if (!found) return [];
    const surely = (i: number): number => found.surely[i] ?? 0;
    const perhaps = (i: number): number => found.perhaps[i] ?? 0;
    const shade = (name: string, is: (i: number) => boolean) => ({
      name,
      path: cellsWhere(found, this.scale(), is),
    });
    return [
      shade('twice', (i) => surely(i) >= 2),
      shade('once', (i) => surely(i) === 1),
      shade('by-the-way', (i) => surely(i) === 0 && perhaps(i) > 0),
    ];
  });
  protected readonly blindLine = computed(() =>
    (this.blind()?.points ?? [])
      .map((p) => drawn(this.scale(), p))
      .map(({ x, y }) => `${x},${y}`)
      .join(' '),
  );
  /** Where one comes in, what is guarded, where sound and radio arrive, and what of the picked thing can be moved. */
  protected readonly marks = computed(() =>
    marksOf(this.plan(), this.site.picked(), this.site.measured()).map(({ at, ...mark }) => ({
      ...mark,
      ...drawn(this.scale(), at),
    })),
  );
  protected readonly stands = computed(() => standsOf(this.design() as Design, this.scale()));
  /** What parts see, by their cones alone: nothing of it where what is noticed is shown instead. */
  protected readonly sights = computed(() => (this.coverage() ? [] : this.stands()));
  protected readonly ways = computed(() => {
    const scene = this.design()?.scenes.find((s) => s.id === this.view.scene()?.id);
    return scene ? waysOf(scene, this.scale(), this.view.time()) : [];
  });
  private readonly wallLines = computed(() =>
    this.plan().walls.map(({ from, to }) => [from, to].map((p) => drawn(this.scale(), p))),
  );
  protected readonly rooms = computed(() =>
    (this.plan().rooms ?? []).map(({ name, outline }, i) => {
      const of = (axis: 'x' | 'y'): number =>
        outline.reduce((sum, p) => sum + p[axis], 0) / outline.length;
      const at = { x: of('x'), y: of('y') };
      return { key: `room ${i}`, name, at: drawn(this.scale(), at) };
    }),
  );
  /** Names stand clear of each other, of parts and of the points of ways. */
  private readonly names = computed(() => {
    const [stands, ways] = [this.stands(), this.ways()];
    const spots = this.marks().filter(({ named }) => named);
    const points = [...stands, ...spots, ...ways.flatMap((w) => w.points)];
    const taken = points.map(({ x, y }) => ({ x: x - 7, y: y - 7, width: 14, height: 14 }));
    return placeNames(
      [
        ...stands.map(({ part, x, y }) => ({
          key: `part ${part.id}`,
          at: { x, y },
          width: valueWidth(part.id, partLetters),
        })),
        ...spots.map(({ key, name, x, y }) => ({
          ...{ key, at: { x, y } },
          width: written(this.short(name)),
        })),
        ...this.rooms().map(({ key, name, at }) => ({
          ...{ key, at, width: written(this.short(name)) },
        })),
        ...ways.flatMap(({ happening, points: [at] }) =>
          at
            ? [{ key: `way ${happening.id}`, at, width: written(this.short(happening.name)) }]
            : [],
        ),
      ],
      [
        ...taken,
        { x: 0, y: this.frame().height - 28, width: this.ruler().pixels + 10, height: 28 },
      ],
      [...ways.map(({ points }) => points), ...this.wallLines()].flatMap(dotted),
      this.frame(),
    );
  });

  /** As much of a name as there is room for. */
  protected short(name: string): string {
    const room = Math.max(longest.least, longest.share * this.frame().width);
    return shorten(name, room, written);
  }

  /** Where a name stands, counted from a point. */
  protected nameAt(key: string, from: Point = { x: 0, y: 0 }): Point {
    const place = this.names().get(key) ?? from;
    return { x: place.x - from.x, y: place.y - from.y };
  }

  /** A bar of a round length. */
  protected readonly ruler = computed(() => {
    const unit = manner().length === 'inch' ? 0.3048 : 1;
    const round = [0.1, 1, 10, 100, 1000].flatMap((n) => [n, 2 * n, 5 * n].map((m) => m * unit));
    const metres = round.find((m) => m * this.scale().k >= 50) ?? unit;
    return { says: formatNominal(metres, 'm'), pixels: metres * this.scale().k };
  });

  constructor() {
    afterRenderEffect(() => {
      this.stands();
      this.ways();
      this.marks();
      const svg = this.svg()?.nativeElement;
      if (svg) this.letDrag(svg);
    });
  }

  private letDrag(svg: SVGSVGElement): void {
    let key = '';
    const behaviour = drag<SVGGElement, unknown>()
      .on('start', (event: Dragged) => {
        const handle = (event.sourceEvent as Event).target as Element;
        key = handle.closest('[data-key]')?.getAttribute('data-key') ?? '';
      })
      .on('drag', (event: Dragged) => {
        const [x, y] = pointer(event.sourceEvent as MouseEvent, svg);
        const at = onPlan(this.scale(), { x, y }, this.plan());
        const point = snaps(key) ? snapped(this.plan(), key, at, this.scale().k) : at;
        if (key.startsWith('scale')) this.move(key, () => point);
        else this.held.set({ key, point });
      })
      .on('end', () => this.letGo());
    select(svg).selectAll<SVGGElement, unknown>('[data-key]').call(behaviour);
  }

  private letGo(): void {
    const held = this.held();
    this.held.set(undefined);
    if (held) this.move(held.key, () => held.point);
  }

  /** Moves what has the key: a part, a point of a way, an entrance, what is guarded. */
  private move(key: string, to: (from: Point) => Point): void {
    const [kind, index] = key.split(' ');
    if (kind === 'scale') {
      this.site.measured.update((m) => m && (index === '0' ? [to(m[0]), m[1]] : [m[0], to(m[1])]));
      return;
    }
    const design = this.session.design();
    const edit = design && movePoint(design, this.view.scene()?.id, key, to);
    if (edit) this.session.edit(edit);
  }

  /** Arrow keys move by a decimetre, comma and point turn a part. */
  protected key(key: string, event: KeyboardEvent): void {
    const by = arrows.get(event.key);
    const { plan } = this.session.design() as Design;
    if (by) {
      event.preventDefault();
      event.stopPropagation();
      this.move(key, (p) => kept({ x: p.x + nudge * by.x, y: p.y + nudge * by.y }, plan));
    }
    const [kind, id = ''] = key.split(' ');
    if (kind === 'part' && (event.key === ',' || event.key === '.'))
      this.turn(id, event.key === ',' ? 5 : -5);
  }

  private turn(id: string, degrees: number): void {
    const place = this.session.design()?.parts.find((p) => p.id === id)?.place;
    if (!place) return;
    const facing = ((((place.facing + degrees) % 360) + 540) % 360) - 180;
    this.session.edit({ type: 'place-part', id, place: { ...place, facing } });
  }
}
