/** A press that moves this far is a drag, px. */
const slack = 5;

/**
 * A wire pulled from one terminal to another by the pointer. The band is drawn on the element itself, so that
 * nothing else is worked out anew while it moves.
 */
export class RubberBand {
  private start?: { ref: string; x: number; y: number };
  private pulling = false;
  /** The click that follows a drag is none. */
  private dragged = false;

  constructor(
    private readonly band: SVGPathElement,
    private readonly view: SVGGraphicsElement,
    private readonly on: { begin: (ref: string) => void; end: (ref: string | undefined) => void },
  ) {}

  press(event: PointerEvent): void {
    const ref = terminalAt(event.target);
    this.dragged = false;
    this.start =
      ref && event.button === 0 ? { ref, x: event.clientX, y: event.clientY } : undefined;
  }

  move(event: PointerEvent): void {
    const { start } = this;
    if (!start) return;
    if (!this.pulling) {
      if (Math.hypot(event.clientX - start.x, event.clientY - start.y) < slack) return;
      this.pulling = true;
      this.on.begin(start.ref);
    }
    const [from, to] = [this.place(start.x, start.y), this.place(event.clientX, event.clientY)];
    this.band.setAttribute('d', `M${from.x} ${from.y}L${to.x} ${to.y}`);
  }

  release(event: PointerEvent): void {
    const { pulling } = this;
    this.start = undefined;
    this.pulling = false;
    if (!pulling) return;
    this.dragged = true;
    this.band.setAttribute('d', '');
    this.on.end(terminalAt(document.elementFromPoint(event.clientX, event.clientY)));
  }

  /** Whether a click is only the end of a drag. */
  swallows(): boolean {
    const { dragged } = this;
    this.dragged = false;
    return dragged;
  }

  private place(x: number, y: number): { x: number; y: number } {
    const matrix = this.view.getScreenCTM();
    return matrix ? new DOMPoint(x, y).matrixTransform(matrix.inverse()) : { x, y };
  }
}

function terminalAt(target: EventTarget | null): string | undefined {
  const element = (target as Element | null)?.closest('[data-terminal]');
  return element?.getAttribute('data-terminal') ?? undefined;
}
