import { demo, openBench, show, type Screen } from '../../testing/workbench-bed';
import type { Design } from '@yurei/core/design';
import { DesignSession } from '../data/design-session';
import { TestBed } from '@angular/core/testing';
import { PlaceView } from './place-view';

const design = () => {
  const found = TestBed.inject(DesignSession).design();
  if (!found) throw new Error('There is no design.');
  return found;
};

describe('the place', () => {
  const placed = async (more: Partial<Design['plan']>): Promise<Screen<PlaceView>> => {
    const loft = demo('sail-loft-motion');
    await openBench({ ...loft, plan: { ...loft.plan, ...more } });
    const screen = await show(PlaceView);
    await screen.until(() => screen.all('.told p-table:first-child tbody td.value').length === 8);
    return screen;
  };
  const areas = (screen: Screen<PlaceView>): number[] =>
    screen
      .all('.told p-table:first-child tbody tr td:nth-child(2)')
      .map((cell) => parseFloat(cell.textContent));

  it('is shaded by where what must be noticed first is noticed, with the areas beside it', async () => {
    const screen = await placed({ guarded: undefined });
    const sum = areas(screen).reduce((a, b) => a + b, 0);
    // 8 by 5 m, to a tenth of a square metre each.
    expect(Math.abs(sum - 40)).toBeLessThan(0.3);
    expect(screen.find('yu-site-plan .shade.once').getAttribute('d')).toMatch(/^M/);
    expect(screen.all('yu-site-plan .sight path')).toEqual([]);
    // The whole loft is one room.
    const [never, surely] = [sum, areas(screen)[0] + areas(screen)[1]];
    expect(screen.text('.told p-table:nth-child(2)')).toContain(
      `Sail loft ${surely.toFixed(1)} m² of ${never.toFixed(1)} m²`,
    );
    expect(screen.text('*')).toContain('Say below what is guarded');
  });

  it('is another for someone who is harder to see', async () => {
    const screen = await placed({});
    const [, walking] = areas(screen);
    await screen.choose('Who or what is there', 'A pet runs by');
    await screen.until(() => areas(screen)[1] < walking);
  });

  it('tells of a way in that nothing notices, and that walls leave none', async () => {
    const entrances = [{ x: 7.5, y: 0 }];
    const guarded = { x: 7.5, y: 4.5 };
    const open = await placed({ entrances, guarded });
    expect(open.text('*')).toMatch(/A blind path: .* from an entrance|Every way in is noticed/);
    expect(open.find('yu-site-plan .blind').getAttribute('points')).toMatch(/^\d/);
  });

  it('has no way in where walls leave none', async () => {
    const walls = [{ from: { x: -1, y: 2.51 }, to: { x: 9, y: 2.51 } }];
    const shut = await placed({ walls, entrances: [{ x: 4, y: 0 }], guarded: { x: 4, y: 4 } });
    expect(shut.text('*')).toContain('Walls leave no way in');
  });

  const eastEnd = { entrances: [{ x: 7.9, y: 0.5 }], guarded: { x: 7.5, y: 4.5 } };
  const kinds = (): string[] => design().parts.map((p) => p.kind);

  it('closes a blind path with one more sensor, wired and obeyed as the first is', async () => {
    const screen = await placed(eastEnd);
    const before = design();
    await screen.press('Close the blind path');
    await screen.until(() => /Every way in is noticed/.test(screen.text('*')));
    expect(kinds().filter((kind) => kind === 'pyroelectric-module')).toHaveLength(2);
    expect(design().channels).toHaveLength(before.channels.length + 1);
    expect(screen.text('yu-place-sensors')).toMatch(/Loft detector 2 stands .* m is noticed\./);
    TestBed.inject(DesignSession).undo();
    expect(design()).toEqual(before);
  });

  it('suggests a place for what is there, as one edit', async () => {
    const screen = await placed(eastEnd);
    const before = design();
    await screen.press('Suggest a place');
    await screen.until(() => /Every way in is noticed/.test(screen.text('*')));
    expect(kinds()).toEqual(before.parts.map((p) => p.kind));
    expect(screen.text('yu-place-sensors')).toMatch(/Loft detector stands/);
    TestBed.inject(DesignSession).undo();
    expect(design()).toEqual(before);
  });

  it('says how many stand in a ring for so far away, and puts them there', async () => {
    const screen = await placed({});
    await screen.until(() => /it takes 3 of Loft detector/.test(screen.text('yu-place-sensors')));
    await screen.press('Make a ring of 3');
    const facings = design().parts.flatMap((p) => p.place?.facing ?? []);
    expect(facings.map((f) => (f + 360) % 360).sort((a, b) => a - b)).toEqual([0, 120, 240]);
    await screen.type('As far away as', '50 m');
    await screen.until(() =>
      /does not notice it 50.0 m away/.test(screen.text('yu-place-sensors')),
    );
    expect(screen.text('yu-place-sensors')).not.toContain('Make a ring');
  });

  it('is silent about ways in of what does not go', async () => {
    const screen = await placed(eastEnd);
    await screen.choose('Who or what is there', 'A flame burns');
    await screen.until(() => !/going some ways/.test(screen.text('*')));
    expect(screen.text('*')).not.toMatch(/blind path|Suggest/);
  });
});
