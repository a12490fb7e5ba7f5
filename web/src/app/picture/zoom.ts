import { select } from 'd3-selection';
import type { Box, Point } from '@yurei/core/picture';
import { zoom, zoomIdentity, zoomTransform, type ZoomBehavior } from 'd3-zoom';

/** Smallest and largest scale; the least at which every letter can be read; the largest to which it is fitted. */
const scales = { least: 0.12, most: 4, legible: 1, fitted: 2 };
const step = 1.3;

/** What is to be shown, in the picture's own units. */
export interface Extent {
  width: number;
  height: number;
}

/**
 * Zooming and panning of the picture: by wheel with Ctrl, pinch, dragging the paper, or keys. Works on the
 * elements themselves, so that nothing else is worked out anew while it moves.
 */
export class PictureZoom {
  private readonly behaviour: ZoomBehavior<SVGSVGElement, unknown>;
  /** How the picture is fitted when its size changes; not at all once the maker has looked elsewhere. */
  private fitted: 'legible' | 'whole' | 'no' = 'legible';

  /** @param moved told what is seen of the picture, in its own units, whenever that changes */
  constructor(
    private readonly svg: SVGSVGElement,
    private readonly view: SVGGElement,
    private readonly moved: (seen: Box) => void = () => undefined,
  ) {
    this.behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([scales.least, scales.most])
      .extent((): [[number, number], [number, number]] => [[0, 0], this.size()])
      .filter((event: Event) => isPaper(event))
      .on('zoom', (event: { transform: { toString(): string }; sourceEvent: unknown }) => {
        if (event.sourceEvent) this.fitted = 'no';
        this.view.setAttribute('transform', event.transform.toString());
        this.moved(this.seen());
      });
    const target = select(this.svg);
    target.call(this.behaviour).on('dblclick.zoom', null);
    target.on('wheel.pan', (event: WheelEvent) => this.pan(event));
  }

  /** Shows everything, as large as it goes; a part of it, from its upper left corner, where all would be too small to read. */
  fit(extent: Extent): void {
    const k = this.wholeScale(extent);
    this.fitted = 'legible';
    if (k !== undefined) this.centre(extent, Math.max(k, scales.legible));
  }

  /** Fits again as it was fitted last, unless the maker has chosen what to look at. */
  refit(extent: Extent): void {
    if (this.fitted === 'legible') this.fit(extent);
    if (this.fitted === 'whole') this.whole(extent);
  }

  /** Shows everything, however small. */
  whole(extent: Extent): void {
    const k = this.wholeScale(extent);
    this.fitted = 'whole';
    if (k !== undefined) this.centre(extent, k);
  }

  private wholeScale({ width, height }: Extent): number | undefined {
    const [w, h] = this.size();
    if (!(w > 0) || !(width > 0)) return undefined;
    return Math.min(w / width, h / height, scales.fitted);
  }

  zoomIn(): void {
    this.fitted = 'no';
    select(this.svg).call(this.behaviour.scaleBy, step);
  }

  zoomOut(): void {
    this.fitted = 'no';
    select(this.svg).call(this.behaviour.scaleBy, 1 / step);
  }

  /** Brings a place into view; nothing moves when it is there already. */
  show(x: number, y: number, width: number, height: number): void {
    const [w, h] = this.size();
    const { k, x: tx, y: ty } = zoomTransform(this.svg);
    const [left, top] = [x * k + tx, y * k + ty];
    const seen = left >= 0 && top >= 0 && left + width * k <= w && top + height * k <= h;
    if (!seen) this.centreOn({ x: x + width / 2, y: y + height / 2 });
  }

  /** Moves a point of the picture to the middle, legibly. */
  centreOn({ x, y }: Point): void {
    const [w, h] = this.size();
    if (!(w > 0)) return;
    const k = Math.max(zoomTransform(this.svg).k, scales.legible);
    this.set(zoomIdentity.translate(w / 2 - x * k, h / 2 - y * k).scale(k));
  }

  /** What is seen now, in the picture's own units. */
  private seen(): Box {
    const [w, h] = this.size();
    const { k, x, y } = zoomTransform(this.svg);
    return { x: -x / k, y: -y / k, width: w / k, height: h / k };
  }

  private centre(extent: Extent, k: number): void {
    const x = Math.max(0, (this.size()[0] - extent.width * k) / 2);
    this.set(zoomIdentity.translate(x, 0).scale(k));
  }

  private set(transform: typeof zoomIdentity): void {
    select(this.svg).call(this.behaviour.transform, transform);
  }

  private size(): [number, number] {
    const { width, height } = this.svg.getBoundingClientRect();
    return [width, height];
  }

  /** A wheel without Ctrl moves the paper. */
  private pan(event: WheelEvent): void {
    if (event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    this.fitted = 'no';
    const { k } = zoomTransform(this.svg);
    const { deltaX, deltaY } = event;
    const [x, y] = event.shiftKey ? ([deltaY, 0] as const) : ([deltaX, deltaY] as const);
    select(this.svg).call(this.behaviour.translateBy, -x / k, -y / k);
  }
}

/** Dragging starts on the paper, not on a card or wire; the wheel zooms with Ctrl. */
function isPaper(event: Event): boolean {
  if (event.type === 'wheel') return (event as WheelEvent).ctrlKey || (event as WheelEvent).metaKey;
  if ('button' in event && event.button !== 0) return false;
  return !(event.target as Element).closest('[role="button"]');
}
