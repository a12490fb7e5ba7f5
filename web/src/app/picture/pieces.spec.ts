import fc from 'fast-check';
import {
  LabelPlaces,
  freeCorner,
  islands,
  labelBox,
  overlap,
  shrink,
  stack,
  type Card,
  type Line,
} from '@yurei/core/picture';
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
  it('are clear of cards and of each other, and of other lines where that can be', () => {
    fc.assert(
      fc.property(
        fc.array(box, { maxLength: 8 }),
        fc.array(line, { maxLength: 12 }),
        (cards, lines) => {
          const paths = lines.map(({ y, from, length }) => [
            { x: from, y },
            { x: from + length, y },
          ]);
          const places = new LabelPlaces(cards, paths);
          const taken = [...cards];
          for (const [i, { read }] of lines.entries()) {
            const { at, room } = places.place(paths[i], read);
            expect(at === undefined).toBe(room === 0);
            if (!at) continue;
            const own = labelBox(at, read);
            expect(taken.filter((t) => overlap(t, own))).toEqual([]);
            expect(at.x).toBeGreaterThanOrEqual(paths[i][0].x);
            expect(at.x).toBeLessThanOrEqual(paths[i][1].x);
            taken.push(own);
          }
        },
      ),
    );
  });

  const upright = [
    { x: 100, y: 0 },
    { x: 100, y: 90 },
  ];

  it('stand beside a line that has no level stretch', () => {
    const { at } = new LabelPlaces([], [upright]).place(upright, false);
    expect(labelBox(at ?? { x: 0, y: 0 }, false).x).toBeGreaterThanOrEqual(100);
  });

  it('are left out where nothing is free', () => {
    const wall = { x: 0, y: -100, width: 300, height: 400 };
    expect(new LabelPlaces([wall], [upright]).place(upright, false)).toEqual({
      at: undefined,
      room: 0,
    });
  });
});

describe('the free corner', () => {
  const frame = { width: 1000, height: 500 };
  const from = { x: 10, y: 30 };

  it('is clear of all that has a place, whatever stands where', () => {
    const box = fc.record({
      x: fc.integer({ min: 10, max: 800 }),
      y: fc.integer({ min: 30, max: 380 }),
      width: fc.integer({ min: 60, max: 150 }),
      height: fc.integer({ min: 40, max: 110 }),
    });
    const size = fc.record({
      width: fc.integer({ min: 100, max: 700 }),
      height: fc.integer({ min: 60, max: 200 }),
    });
    fc.assert(
      fc.property(
        fc.array(box, { maxLength: 12 }),
        fc.array(size, { minLength: 1, maxLength: 3 }),
        (taken, blocks) => {
          const extent = {
            width: Math.max(0, ...taken.map((b) => b.x + b.width)),
            height: Math.max(0, ...taken.map((b) => b.y + b.height)),
          };
          const { x, y, block } = freeCorner(blocks, taken, extent, frame, from);
          expect(taken.filter((b) => overlap(b, { x, y, ...blocks[block] }))).toEqual([]);
          expect(x).toBeGreaterThanOrEqual(from.x);
          expect(y).toBeGreaterThanOrEqual(from.y);
        },
      ),
    );
  });

  it('takes the hole that makes the picture no larger, in the shape that fits it', () => {
    // Full but for 300 by 200 at the lower right.
    const taken = [
      { x: 0, y: 0, width: 1000, height: 280 },
      { x: 0, y: 280, width: 680, height: 220 },
    ];
    const blocks = [
      { width: 500, height: 90 },
      { width: 250, height: 180 },
    ];
    const found = freeCorner(blocks, taken, frame, frame, from);
    expect(found.block).toBe(1);
    expect(found.x).toBeGreaterThan(680);
    expect(found.y).toBeGreaterThan(280);
    expect(shrink({ width: 500, height: 1000 }, frame)).toBe(2);
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
    [100, 100, 2],
    [400, 300, 5 / 3],
    [1000, 500, 1],
    [1000, 5000, 1],
    [2000, 5000, 1],
  ])('fits %d by %d into 1000 by 500, every letter at its size or larger', (width, height, k) => {
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
    zoom.refit({ width: 600, height: 250 });
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
