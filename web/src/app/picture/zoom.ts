import { select } from 'd3-selection';
import { zoom, zoomIdentity, zoomTransform, type ZoomBehavior } from 'd3-zoom';

/** Smallest and largest scale, and the one up to which the full width is shown even if not the full height. */
const scales = { least: 0.12, most: 4, legible: 0.8 };
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
  private fitted: 'width' | 'whole' | 'no' = 'width';

  constructor(
    private readonly svg: SVGSVGElement,
    private readonly view: SVGGElement,
  ) {
    this.behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([scales.least, scales.most])
      .extent((): [[number, number], [number, number]] => [[0, 0], this.size()])
      .filter((event: Event) => isPaper(event))
      .on('zoom', (event: { transform: { toString(): string }; sourceEvent: unknown }) => {
        if (event.sourceEvent) this.fitted = 'no';
        this.view.setAttribute('transform', event.transform.toString());
      });
    const target = select(this.svg);
    target.call(this.behaviour).on('dblclick.zoom', null);
    target.on('wheel.pan', (event: WheelEvent) => this.pan(event));
  }

  /** Shows everything, or the full width from the top where everything would be too small to read. */
  fit(extent: Extent): void {
    const [width, height] = this.size();
    if (!(width > 0) || !(extent.width > 0)) return;
    const wide = Math.min(width / extent.width, scales.legible);
    const k = Math.max(wide, Math.min(width / extent.width, height / extent.height, 1.25));
    this.fitted = 'width';
    this.centre(extent, k);
  }

  /** Fits again as it was fitted last, unless the maker has chosen what to look at. */
  refit(extent: Extent): void {
    if (this.fitted === 'width') this.fit(extent);
    if (this.fitted === 'whole') this.whole(extent);
  }

  /** Shows everything, however small. */
  whole(extent: Extent): void {
    const [width, height] = this.size();
    if (!(width > 0) || !(extent.width > 0)) return;
    this.fitted = 'whole';
    this.centre(extent, Math.min(width / extent.width, height / extent.height, 1.25));
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
    if (seen || !(w > 0)) return;
    this.fitted = 'no';
    const scale = Math.max(k, 0.8);
    const at = zoomIdentity
      .translate(w / 2 - (x + width / 2) * scale, h / 2 - (y + height / 2) * scale)
      .scale(scale);
    this.set(at);
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
    const by = event.shiftKey ? [event.deltaY, 0] : [event.deltaX, event.deltaY];
    select(this.svg).call(this.behaviour.translateBy, -by[0] / k, -by[1] / k);
  }
}

/** Dragging starts on the paper, not on a card or wire; the wheel zooms with Ctrl. */
function isPaper(event: Event): boolean {
  if (event.type === 'wheel') return (event as WheelEvent).ctrlKey || (event as WheelEvent).metaKey;
  if ('button' in event && event.button !== 0) return false;
  return !(event.target as Element).closest('[role="button"]');
}
