import fc from 'fast-check';
import type { Card, Line } from './graph';
import { islands, stack } from './islands';
import { LabelPlaces } from './label-places';
import { RubberBand } from './rubber';
import { PictureZoom } from './zoom';

const svgNode = <T extends SVGElement>(name: string): T =>
  document.createElementNS('http://www.w3.org/2000/svg', name) as T;

describe('places of labels', () => {
  const box = fc.record({
    x: fc.integer({ min: 0, max: 800 }),
    y: fc.integer({ min: 0, max: 600 }),
    width: fc.integer({ min: 80, max: 150 }),
    height: fc.integer({ min: 40, max: 120 }),
  });
  const line = fc.record({
    y: fc.integer({ min: 0, max: 600 }),
    from: fc.integer({ min: 0, max: 400 }),
    length: fc.integer({ min: 60, max: 500 }),
    read: fc.boolean(),
  });
  const clear = (a: { x: number; y: number; w: number; h: number }, b: typeof a): boolean =>
    a.x >= b.x + b.w || b.x >= a.x + a.w || a.y >= b.y + b.h || b.y >= a.y + a.h;

  it('are clear of cards and of each other wherever one says it has room', () => {
    fc.assert(
      fc.property(
        fc.array(box, { maxLength: 8 }),
        fc.array(line, { maxLength: 12 }),
        (cards, lines) => {
          const places = new LabelPlaces(cards);
          const taken = cards.map((c) => ({ x: c.x, y: c.y, w: c.width, h: c.height }));
          for (const { y, from, length, read } of lines) {
            const { at, room } = places.place(
              [
                { x: from, y },
                { x: from + length, y },
              ],
              read,
            );
            if (room === 0) continue;
            const own = { x: at.x - 27, y: at.y - 13, w: 54, h: read ? 28 : 16 };
            expect(taken.every((t) => clear(t, own))).toBe(true);
            expect(at.x).toBeGreaterThanOrEqual(from);
            expect(at.x).toBeLessThanOrEqual(from + length);
            taken.push(own);
          }
        },
      ),
    );
  });

  it('a line without a level stretch has none, and still a place', () => {
    const places = new LabelPlaces([]);
    const { at, room } = places.place(
      [
        { x: 5, y: 0 },
        { x: 5, y: 90 },
      ],
      false,
    );
    expect(room).toBe(0);
    expect(at.x).toBe(5);
  });
});

describe('islands', () => {
  const card = (id: string): Card =>
    ({ id, tabs: [{ ref: `${id}.a` }, { ref: `${id}.b` }] }) as Card;
  const join = (from: string, to: string): Line =>
    ({ id: `${from}${to}`, from: `${from}.a`, to: `${to}.b` }) as Line;

  it('hold what lines join, in the order in which it came', () => {
    const found = islands(['A', 'B', 'C', 'D'].map(card), [join('A', 'C'), join('D', 'B')]);
    expect(found.map((i) => i.cards.map((c) => c.id))).toEqual([
      ['A', 'C'],
      ['B', 'D'],
    ]);
    expect(found.map((i) => i.lines.length)).toEqual([1, 1]);
  });

  it('are stacked below each other with their lines', () => {
    const island = (id: string) => ({
      id: 'root',
      width: 100,
      height: 50,
      children: [{ id, x: 0, y: 10 }],
      edges: [
        {
          id: `e${id}`,
          sources: [],
          targets: [],
          sections: [
            {
              id: 's',
              startPoint: { x: 0, y: 5 },
              endPoint: { x: 9, y: 5 },
              bendPoints: [{ x: 4, y: 5 }],
            },
          ],
        },
      ],
    });
    const whole = stack([island('A'), island('B')]);
    const [a, b] = whole.children ?? [];
    expect((b.y ?? 0) - (a.y ?? 0)).toBe(90);
    expect(whole.edges?.[1].sections?.[0].bendPoints).toEqual([{ x: 4, y: 95 }]);
    expect(stack([island('A')]).height).toBe(50);
  });
});

describe('zooming', () => {
  const start = (width: number, height: number) => {
    const svg = svgNode<SVGSVGElement>('svg');
    const view = svgNode<SVGGElement>('g');
    svg.append(view);
    document.body.append(svg);
    svg.getBoundingClientRect = () => ({ width, height, left: 0, top: 0 }) as DOMRect;
    const zoom = new PictureZoom(svg, view);
    const scale = (): number =>
      Number(/scale\(([\d.]+)\)/.exec(view.getAttribute('transform') ?? '')?.[1]);
    const shift = (): number[] =>
      (/translate\(([-\d.]+),([-\d.]+)\)/.exec(view.getAttribute('transform') ?? '') ?? [])
        .slice(1)
        .map(Number);
    return { svg, zoom, scale, shift };
  };

  it.each([
    [400, 300, 1.25],
    [1000, 500, 1],
    [1000, 5000, 0.8],
    [2000, 5000, 0.5],
  ])('fits %d by %d into 1000 by 500, legibly', (width, height, k) => {
    const { zoom, scale } = start(1000, 500);
    zoom.fit({ width, height });
    expect(scale()).toBeCloseTo(k, 6);
  });

  it('shows all of it on demand, however small', () => {
    const { zoom, scale } = start(1000, 500);
    zoom.whole({ width: 1000, height: 2500 });
    expect(scale()).toBeCloseTo(0.2, 6);
  });

  it('fits by itself until the maker looks elsewhere', () => {
    const { zoom, scale } = start(1000, 500);
    zoom.refit({ width: 1000, height: 500 });
    zoom.zoomIn();
    expect(scale()).toBeCloseTo(1.3, 6);
    zoom.refit({ width: 500, height: 250 });
    expect(scale()).toBeCloseTo(1.3, 6);
    zoom.zoomOut();
    expect(scale()).toBeCloseTo(1, 6);
  });

  it('moves with the wheel, and brings a place into view only when it is not', () => {
    const { svg, zoom, shift } = start(1000, 500);
    zoom.fit({ width: 1000, height: 500 });
    svg.dispatchEvent(new WheelEvent('wheel', { deltaX: 10, deltaY: 40, cancelable: true }));
    expect(shift()).toEqual([-10, -40]);
    zoom.show(100, 100, 50, 50);
    expect(shift()).toEqual([-10, -40]);
    zoom.show(3000, 100, 100, 50);
    expect(shift()[0]).toBeCloseTo(500 - 3050, 6);
  });
});

describe('pulling a wire', () => {
  const tab = (ref: string): Element => {
    const node = svgNode('g');
    node.setAttribute('data-terminal', ref);
    document.body.append(node);
    return node;
  };
  const event = (target: Element, x: number, y = 0, button = 0): PointerEvent =>
    ({ target, clientX: x, clientY: y, button }) as unknown as PointerEvent;
  const start = () => {
    const band = svgNode<SVGPathElement>('path');
    const view = svgNode<SVGGraphicsElement>('g');
    view.getScreenCTM = () => null;
    const on = { begin: jest.fn(), end: jest.fn() };
    return { band, on, rubber: new RubberBand(band, view, on) };
  };

  it('begins after a few pixels, is drawn, and ends at the terminal under the pointer', () => {
    const { band, on, rubber } = start();
    const [a, b] = [tab('R1.a'), tab('R2.b')];
    document.elementFromPoint = () => b;
    rubber.press(event(a, 0));
    rubber.move(event(a, 3));
    expect(on.begin).not.toHaveBeenCalled();
    rubber.move(event(a, 20, 5));
    expect(on.begin).toHaveBeenCalledWith('R1.a');
    expect(band.getAttribute('d')).toBe('M0 0L20 5');
    rubber.release(event(b, 20));
    expect(on.end).toHaveBeenCalledWith('R2.b');
    expect(band.getAttribute('d')).toBe('');
    expect([rubber.swallows(), rubber.swallows()]).toEqual([true, false]);
  });

  it('ends nowhere on the paper; a click, another button and the paper begin none', () => {
    const { on, rubber } = start();
    const paper = svgNode('g');
    document.elementFromPoint = () => paper;
    rubber.press(event(tab('R1.a'), 0));
    rubber.move(event(paper, 50));
    rubber.release(event(paper, 50));
    expect(on.end).toHaveBeenCalledWith(undefined);
    for (const [target, button] of [
      [tab('R3.a'), 2],
      [paper, 0],
    ] as const) {
      rubber.press(event(target, 0, 0, button));
      rubber.move(event(paper, 50));
      rubber.release(event(paper, 50));
    }
    rubber.press(event(tab('R4.a'), 0));
    rubber.release(event(paper, 0));
    expect(on.begin).toHaveBeenCalledTimes(1);
    expect(rubber.swallows()).toBe(false);
  });
});
