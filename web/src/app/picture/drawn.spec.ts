import { TestBed } from '@angular/core/testing';
import { layoutKey, pictureGraph, type PictureLayout } from '@yurei/core/picture';
import {
  elkInThread,
  openBench,
  showSolved,
  slipwayBeam,
  type Screen,
} from '../../testing/workbench-bed';
import { findLayout, keepLayout } from './kept-layouts';
import { PictureLayouter } from './layout';
import { Picture } from './picture';

describe('the layout of the demo', () => {
  let layout: PictureLayout;
  const graph = pictureGraph(slipwayBeam(), new Set());
  beforeAll(async () => {
    elkInThread();
    layout = await TestBed.runInInjectionContext(() => new PictureLayouter()).layOut(graph);
  });

  it('gives every card a place within the picture, and none over another', () => {
    const cards = [...layout.cards.values()];
    expect(cards).toHaveLength(10);
    for (const a of cards) {
      expect(a.x).toBeGreaterThanOrEqual(0);
      expect(a.x + a.width).toBeLessThanOrEqual(layout.width);
      expect(a.y + a.height).toBeLessThanOrEqual(layout.height);
      for (const b of cards) {
        const apart =
          a.x + a.width <= b.x ||
          b.x + b.width <= a.x ||
          a.y + a.height <= b.y ||
          b.y + b.height <= a.y;
        expect(a === b || apart).toBe(true);
      }
    }
  });

  it('stands the stages from left to right, supplies under their heading', () => {
    const x = (id: string) => layout.cards.get(id)?.x ?? NaN;
    expect(x('B1')).toBeLessThan(x('U1'));
    expect(x('U1')).toBeLessThan(x('Q1'));
    expect(x('Q1')).toBeLessThan(x('P1'));
    expect(layout.columns.map((c) => c.stage)).toEqual([
      'feels',
      'conditions',
      'decides',
      'drives',
      'acts',
    ]);
    const { feeds } = layout;
    expect(layout.cards.get('G1')?.x).toBe(feeds?.x);
    expect(layout.cards.get('G1')?.y).toBeGreaterThan(feeds?.y ?? NaN);
  });

  it('leads every line, square, from one of its terminals to the other', () => {
    const tabs = new Map([...layout.cards.values()].flatMap((c) => c.tabs).map((t) => [t.ref, t]));
    for (const line of layout.lines) {
      const points = [...line.path.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map((m) => [+m[1], +m[2]]);
      const wire = graph.lines.find((l) => l.id === line.id);
      const ends = [points[0], points[points.length - 1]];
      for (const [i, ref] of [wire?.from, wire?.to].entries()) {
        const tab = tabs.get(ref ?? '');
        expect(ends[i]).toEqual([
          expect.closeTo(tab?.x ?? NaN, 3),
          expect.closeTo(tab?.y ?? NaN, 3),
        ]);
      }
      points.slice(1).forEach(([x, y], i) => {
        expect(Math.abs(x - points[i][0]) < 1e-6 || Math.abs(y - points[i][1]) < 1e-6).toBe(true);
      });
    }
  });

  it('is kept while nothing about it changes', () => {
    const layouter = TestBed.runInInjectionContext(() => new PictureLayouter());
    const again = pictureGraph(slipwayBeam(), new Set());
    expect(layouter.layOut(graph)).toBe(layouter.layOut(again));
  });

  it('stands at once on the next visit, and anew where what was kept cannot be read', async () => {
    const key = layoutKey(graph);
    keepLayout(key, { ...layout, width: 1234 });
    expect(await TestBed.runInInjectionContext(() => new PictureLayouter()).layOut(graph)).toEqual({
      ...layout,
      width: 1234,
    });
    expect(findLayout(layoutKey(pictureGraph(slipwayBeam(), new Set(['U1']))))).toBeUndefined();
    for (const broken of ['{', '[{}]', '{"key":1}', '[null]']) {
      localStorage.setItem('yurei.layouts.2', broken);
      expect(findLayout(key)).toBeUndefined();
    }
  });
});

describe('the picture', () => {
  let bench: Awaited<ReturnType<typeof openBench>>;
  let picture: Screen<Picture>;
  beforeEach(async () => {
    bench = await openBench();
    picture = await showSolved(Picture, { design: bench.session.design() });
    await picture.until(() => picture.all('.card').length === 10);
  });
  const terminal = (ref: string) => picture.find<SVGElement>(`[data-terminal="${ref}"]`);

  it('writes volts on wires, and counts where they are read', () => {
    const read = picture.all('.wire').find((w) => w.querySelector('.counts'));
    expect(read?.querySelector('.volts')?.textContent).toMatch(/4\.01.V/);
    expect(read?.querySelector('.counts')?.textContent?.trim()).toBe('822');
    expect(picture.find('[data-terminal="U1.VIN"]').getAttribute('aria-label')).toMatch(/12\.0.V/);
  });

  it('joins two terminals by keyboard, dimming what makes no sense in between', async () => {
    await picture.key(terminal('U1.5V'), 'Enter');
    expect(terminal('E1.k').classList).toContain('dim');
    expect(terminal('E1.k').getAttribute('aria-label')).toMatch(/short the supply/);
    expect(terminal('R2.b').classList).not.toContain('dim');
    await picture.key(terminal('R2.b'), 'Enter');
    expect(bench.session.design()?.wires.at(-1)).toMatchObject({ from: 'U1.5V', to: 'R2.b' });
    expect(bench.connecting.from()).toBe('');
  });

  it('refuses an impossible end even when it is touched', async () => {
    await picture.click('[data-terminal="U1.5V"]');
    await picture.click('[data-terminal="E1.k"]');
    expect(bench.connecting.refusal()).toMatch(/short the supply/);
    expect(bench.session.canUndo()).toBe(false);
    await picture.click('[data-terminal="R1.a"]');
    await picture.click('[data-terminal="R1.a"]');
    expect(bench.connecting.from()).toBe('');
  });

  it('picks a part or a wire, by pointer and by key', async () => {
    await picture.click('[data-part="Q1"] .body');
    expect(bench.selection.is('part', 'Q1')).toBe(true);
    expect(picture.find('[data-part="Q1"]').classList).toContain('picked');
    await picture.key(picture.all('.wire')[0], 'Enter');
    expect(bench.selection.picked()?.type).toBe('wire');
  });

  it('shows the free pins of the controller on demand', async () => {
    expect(picture.all('[data-terminal="U1.A3"]')).toHaveLength(0);
    await picture.click('.more');
    await picture.until(() => picture.all('[data-terminal="U1.A3"]').length === 1);
    expect(picture.text('.more')).toBe('fewer pins');
  });

  it('lights what fires at the moment looked at', async () => {
    const fired = bench.view.rehearsal()?.acting.find((a) => a.part === 'P1' && a.active)?.t ?? NaN;
    bench.view.moveTo(fired + 0.05);
    await picture.until(() => picture.all('[data-part="P1"].acting').length === 1);
    bench.view.moveTo(undefined);
    await picture.until(() => picture.all('.acting').length === 0);
  });

  it('says what a source delivers, and what a part takes', () => {
    expect(picture.text('[data-part="G1"] .live')).toMatch(/^delivers 1\.19.W$/);
    expect(picture.text('[data-part="R3"] .live')).toMatch(/^195.mW$/);
  });
});
