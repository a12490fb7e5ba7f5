import { TestBed } from '@angular/core/testing';
import type { Design, Part, Spot } from '@yurei/core/design';
import { demo, openBench, show, type Screen } from '../../testing/workbench-bed';
import { DesignSession } from '../data/design-session';
import { ReachView } from './reach-view';

const office: Spot = { name: 'Office', at: { x: 110, y: 2 }, background: 40 };
const sounder: Part = {
  ...{ id: 'P9', kind: 'sounder-12v', name: 'Gate sounder', params: { tone: 1000 } },
  place: { x: 10, y: 2, facing: 0 },
};
const design = () => TestBed.inject(DesignSession).design();
const tables = (screen: Screen<ReachView>): string[] =>
  screen.all('section').map((s) => s.textContent.replace(/\s+/g, ' ').trim());

/** The gate's radio at 10 m on a field of 120 m, a sounder beside it. */
async function onField(plan: Partial<Design['plan']>): Promise<Screen<ReachView>> {
  const gate = demo('creek-gate-watch');
  const parts = gate.parts.map((p) =>
    p.kind === 'radio-link' ? { ...p, place: { x: 10, y: 2, facing: 0 } } : p,
  );
  openBench({
    ...gate,
    plan: { ...gate.plan, width: 120, ...plan },
    parts: [...parts, sounder],
  });
  const screen = await show(ReachView);
  await screen.settle();
  return screen;
}

it('without a spot says what one is for', async () => {
  const screen = await onField({});
  expect(tables(screen)[0]).toMatch(/Add a spot: a bed, the neighbour's window/);
});

it('tells what is heard and what arrives by radio at a spot, by hand 56 dB(A) and 55 dB of margin', async () => {
  const [heard, radio] = tables(await onField({ spots: [office] }));
  // 96 dB − 20·lg 100 = 56 dB, and 120 dB − 65.2 dB.
  expect(heard).toMatch(
    /Gate sounder ?Office ?100 m ?56 dB\(A\), 16 dB over what is there: heard over all else/,
  );
  expect(heard).toContain('above the 45 dB(A) of a quiet night');
  expect(radio).toMatch(
    /Office ?100 m ?55 dB of margin after 65 dB lost: arrives; half-way 4\.16 m/,
  );
});

it('takes off what walls take by what they are of', async () => {
  const wall = { from: { x: 50, y: 0 }, to: { x: 50, y: 4 } };
  const screen = await onField({ spots: [office], walls: [wall] });
  expect(tables(screen)[1]).toContain('2.9 dB of it in walls');
  await screen.press('Walls');
  await screen.choose('What wall 1 is of', 'of sheet metal, 1 mm');
  expect(design()?.plan.walls[0].material).toBe('metal');
  expect(tables(screen)[1]).toMatch(/−5 dB of margin .*: does not arrive/);
  await screen.choose('What wall 1 is of', 'of what is not known');
  expect(design()?.plan.walls[0]).toEqual(wall);
});

it('spots are added, named, moved and taken away', async () => {
  const screen = await onField({});
  await screen.press('Add spot');
  expect(design()?.plan.spots).toEqual([{ name: 'Spot 1', at: { x: 60, y: 2 }, background: 30 }]);
  await screen.type('Name of spot 1', 'Bed');
  await screen.type('Heard there besides, A-weighted', '22 dB');
  expect(design()?.plan.spots).toEqual([{ name: 'Bed', at: { x: 60, y: 2 }, background: 22 }]);
  await screen.key(screen.find('[data-key="spot 0"]'), 'ArrowRight');
  expect(design()?.plan.spots?.[0].at.x).toBeCloseTo(60.1, 9);
  await screen.press('Remove Bed');
  expect(design()?.plan.spots).toEqual([]);
});

it('tells when the sun stands in what a sensor sees', async () => {
  openBench(demo('slipway-beam'));
  const screen = await show(ReachView);
  expect(tables(screen)[2]).toMatch(/Beam receiver ?\d+ h a year ?\d+ h in (March|September)/);
});

it('tells how fast one may cross two beams for their order to be told', async () => {
  openBench(demo('loft-stairs'));
  const screen = await show(ReachView);
  expect(tables(screen)[2]).toMatch(
    /Lower beam receiver and Upper beam receiver ?150\smm ?which way one goes up to 15(\.0)?\sm\/s; .* 39(\.0)?\smm/,
  );
});

it('what does not arrive is passed on by another radio on the plan', async () => {
  const wall = { from: { x: 50, y: 0 }, to: { x: 50, y: 4 }, material: 'metal' } as const;
  const design = demo('creek-gate-watch');
  const link = design.parts.find((p) => p.kind === 'radio-link');
  if (!link) throw new RangeError('There is no radio.');
  const relay = { ...link, id: 'T9', name: 'Mast radio', place: { x: 50, y: 300, facing: 0 } };
  openBench({
    ...design,
    plan: {
      ...{
        width: 120,
        depth: 400,
        walls: [wall, { ...wall, from: { x: 51, y: 0 }, to: { x: 51, y: 4 } }],
      },
      spots: [{ name: 'Office', at: { x: 110, y: 2 }, background: 40 }],
    },
    parts: [
      ...design.parts.map((p) => (p === link ? { ...p, place: { x: 10, y: 2, facing: 0 } } : p)),
      relay,
    ],
  });
  const screen = await show(ReachView);
  await screen.settle();
  expect(tables(screen)[1]).toMatch(
    /Radio to the house.*−\d+ dB of margin.*: arrives by Mast radio, 4\d dB of margin on the weakest leg/s,
  );
});

it('tells how many places crossing beams tell apart', async () => {
  const stairs = demo('loft-stairs');
  const across = stairs.parts.map((p) => {
    if (p.id === 'E2') return { ...p, place: { x: 0.6, y: 0, facing: 90 } };
    return p.id === 'B2' ? { ...p, place: { x: 0.6, y: 4, facing: -90 } } : p;
  });
  openBench({ ...stairs, parts: across });
  const screen = await show(ReachView);
  expect(screen.text()).toContain('One place, where both are broken.');
});
