import { largestBackdrop, type Design } from '@yurei/core/design';
import { demo, openBench, show, type Screen } from '../../testing/workbench-bed';
import { readBackdrop } from './backdrop-file';
import { SiteFields } from './site-fields';
import { SitePlan } from './site-plan';
import { piecesOf } from '@yurei/core/scene';
import { snapped } from './site-snap';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

const loft = (): Design => ({
  ...demo('sail-loft-motion'),
  plan: { width: 8, depth: 5, walls: [] },
});

async function fields(shown: string): Promise<{
  bench: Awaited<ReturnType<typeof openBench>>;
  screen: Screen<SiteFields>;
  plan: () => Design['plan'];
}> {
  const bench = await openBench(loft());
  const screen = await show(SiteFields);
  await screen.press(shown);
  const plan = () => (bench.session.design() as Design).plan;
  return { bench, screen, plan };
}

const file = (name: string, type: string, content: string): File =>
  Object.assign(new File([content], name, { type }), { text: async () => content });

it('a place is at one latitude, which its scenes share', async () => {
  const { bench, screen } = await fields('Ground');
  const latitudes = (): unknown[] =>
    (bench.session.design()?.scenes ?? []).map((s) => s.ambient['latitude'] ?? 50);
  const before = latitudes();
  expect(before.length).toBeGreaterThan(1);
  await screen.type('Latitude', '-33');
  expect(latitudes()).toEqual(before.map(() => -33));
  expect(screen.text()).toContain('south of the equator, in all scenes');
  bench.session.undo();
  expect(latitudes()).toEqual(before);
});

it('a spot may tell its height, and keeps it when it is moved', async () => {
  const { screen, plan } = await fields('Spots');
  await screen.press('Add spot');
  expect(plan().spots?.[0].at).toEqual({ x: 4, y: 2.5 });
  await screen.type('Height of the spot', '4 m');
  await screen.type('East', '1 m');
  expect(plan().spots?.[0].at).toEqual({ x: 1, y: 2.5, z: 4 });
  await screen.type('Height of the spot', '');
  expect(plan().spots?.[0].at.z).toBeUndefined();
});

describe('walls', () => {
  it('are drawn by a typed length and a typed angle, and never off the plan', async () => {
    const { screen, plan } = await fields('Walls');
    await screen.press('Add wall');
    expect(plan().walls).toEqual([{ from: { x: 2, y: 2.5 }, to: { x: 6, y: 2.5 } }]);
    await screen.type('Length', '2 m');
    await screen.type('Direction', '90');
    expect(plan().walls[0].to).toEqual({ x: 2, y: 4.5 });
    await screen.type('Length', '9 m');
    expect(plan().walls[0].to).toEqual({ x: 2, y: 4.5 });
    expect(screen.host.textContent).toMatch(/between 10\smm and 2\.5\sm/);
  });

  it('have doors, windows and gaps; what goes beyond an end is told, and undone', async () => {
    const { bench, screen, plan } = await fields('Walls');
    await screen.press('Add wall');
    await screen.press('Add door to wall 1');
    await screen.press('Add window to wall 1');
    const [door, window] = plan().walls[0].openings ?? [];
    expect(door).toEqual({ kind: 'door', along: 1.55, width: 0.9, bottom: 0, top: 2 });
    expect(window).toMatchObject({ kind: 'window', bottom: 0.9 });
    expect(screen.host.textContent).toContain('Wall 1: Its window and its door overlap.');
    await screen.press('Remove opening 2 of wall 1');
    await screen.type('From the first end', '3.8 m');
    expect(screen.host.textContent).toContain('Wall 1: Its door goes beyond its end.');
    bench.session.undo();
    await screen.settle();
    expect(screen.host.textContent).not.toContain('beyond its end');
  });

  it('tell their height, or that nobody knows it', async () => {
    const { screen, plan } = await fields('Walls');
    await screen.press('Add wall');
    await screen.type('Height of the wall', '1.2 m');
    expect(plan().walls[0].height).toBe(1.2);
    await screen.type('Height of the wall', '');
    expect(plan().walls[0]).not.toHaveProperty('height');
    await screen.type('Height of the wall', 'tall');
    expect(plan().walls[0]).not.toHaveProperty('height');
  });
});

describe('rooms', () => {
  it('have sides of a typed length, and walls around them once', async () => {
    const { screen, plan } = await fields('Rooms');
    await screen.press('Add room');
    const corners = () => plan().rooms?.[0].outline.map(({ x, y }) => [x, y]);
    expect(corners()).toEqual([
      [2, 1.25],
      [6, 1.25],
      [6, 3.75],
      [2, 3.75],
    ]);
    expect(screen.host.textContent).toContain('10.0 m²');
    await screen.type('Length', '3 m');
    expect(corners()?.[1]).toEqual([5, 1.25]);
    await screen.press('Walls around Room 1');
    expect(plan().walls.length).toBe(4);
    expect(screen.find<HTMLButtonElement>('[aria-label="Walls around Room 1"]').disabled).toBe(
      true,
    );
    await screen.press('Add corner to Room 1');
    expect(corners()?.length).toBe(5);
    await screen.press('Remove corner 2 of Room 1');
    expect(corners()?.length).toBe(4);
  });

  it('an outline that crosses itself is named, and drawn as such', async () => {
    const { bench, screen } = await fields('Rooms');
    await screen.press('Add room');
    const plan = bench.session.design()?.plan as Design['plan'];
    const [a, b, c, d] = plan.rooms?.[0].outline ?? [];
    const rooms = [{ name: 'Bow', outline: [a, c, b, d] }];
    bench.session.edit({ type: 'set-plan', plan: { ...plan, rooms } });
    await screen.settle();
    expect(screen.host.textContent).toMatch(/Bow: Its outline crosses itself/);
    expect(screen.host.textContent).toContain('has no area');
    const drawing = await show(SitePlan);
    expect(drawing.all('.room.odd').length).toBe(1);
  });
});

it('trees are added, sized and taken away; north turns the words', async () => {
  const { screen, plan } = await fields('Trees');
  await screen.press('Add tree');
  await screen.type('Radius of the crown', '2 m');
  expect(plan().trees).toEqual([{ at: { x: 4, y: 2.5 }, radius: 2, height: 4 }]);
  expect(screen.host.textContent).toContain('east');
  await screen.press('Ground');
  await screen.type('North, from the top of the plan', '30');
  await screen.press('Trees');
  expect(screen.host.textContent).toContain('to the right');
  await screen.press('Remove tree 1');
  expect(plan().trees).toEqual([]);
});

it('a heater is added as what must not set it off, in the brief and in the scene, moved and taken away', async () => {
  const { bench, screen } = await fields('Trouble');
  const scene = () => bench.session.design()?.scenes[0].happenings ?? [];
  const needs = () => bench.session.design()?.brief.needs ?? [];
  const before = [scene().length, needs().length];
  await screen.press('Add heater');
  expect(needs().at(-1)).toMatchObject({ intent: 'nuisance', kind: 'heater-comes-on' });
  expect(scene().at(-1)).toMatchObject({ need: needs().at(-1)?.id, intent: 'nuisance' });
  expect(scene().at(-1)?.path?.length).toBe(1);
  const field = screen.all('yu-trouble-fields input[aria-label="East"]').at(-1);
  (field as HTMLInputElement).value = '7 m';
  field?.dispatchEvent(new Event('input'));
  field?.dispatchEvent(new Event('change'));
  await screen.settle();
  expect(scene().at(-1)?.path?.[0].x).toBe(7);
  await screen.press('Remove Heater');
  expect([scene().length, needs().length]).toEqual(before);
});

describe('on the plan', () => {
  it('what is picked is shown in words, and its ends are moved by the arrow keys', async () => {
    const { bench, screen } = await fields('Ground');
    const plan = bench.session.design()?.plan as Design['plan'];
    const walls = [{ from: { x: 2, y: 1 }, to: { x: 6, y: 1 } }];
    bench.session.edit({ type: 'set-plan', plan: { ...plan, walls } });
    const drawing = await show(SitePlan);
    expect(drawing.all('.mark.end')).toEqual([]);
    await drawing.click('g.wall');
    await screen.settle();
    expect(screen.host.querySelectorAll('yu-wall-fields').length).toBe(1);
    await drawing.key(drawing.find('[data-key="wall 0 to"]'), 'ArrowUp');
    expect(bench.session.design()?.plan.walls[0].to).toEqual({ x: 6, y: 1.1 });
  });

  it('a corner that is dropped near another lies on it, in line with it, or on a whole step', () => {
    const plan = { width: 9, depth: 9, walls: [{ from: { x: 1, y: 1 }, to: { x: 5, y: 1 } }] };
    const drop = (x: number, y: number) => snapped(plan, 'wall 0 to', { x, y }, 50);
    expect(drop(1.1, 1.1)).toEqual({ x: 1, y: 1 });
    expect(drop(7.03, 1.06)).toEqual({ x: 7.05, y: 1 });
    expect(drop(7.03, 4.42)).toEqual({ x: 7.05, y: 4.4 });
    // Of its own end it is not caught.
    expect(drop(5.02, 3.33)).toEqual({ x: 5, y: 3.35 });
  });

  it('a wall is drawn piece by piece, and the pieces are as long as it is', () => {
    const wall = {
      ...{ from: { x: 0, y: 0 }, to: { x: 5, y: 0 } },
      openings: [
        { kind: 'window' as const, along: 3, width: 1, bottom: 1, top: 2 },
        { kind: 'door' as const, along: 0, width: 1, bottom: 0, top: 2 },
      ],
    };
    const pieces = piecesOf(wall, wall.openings).map(({ opening, from, to }) => [
      opening?.kind ?? 'solid',
      from.x,
      to.x,
    ]);
    expect(pieces).toEqual([
      ['door', 0, 1],
      ['solid', 1, 3],
      ['window', 3, 4],
      ['solid', 4, 5],
    ]);
  });
});

describe('a picture under the plan', () => {
  const drawing = (inside: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${inside}</svg>`;
  const text = (image: string): string => atob(image.split(',')[1]);

  it('of an SVG is taken without its scripts, its handlers and what reaches outside', async () => {
    const hostile =
      '<script>alert(1)</script><rect width="4" height="4" onclick="alert(2)"/>' +
      '<image href="http://example.com/x.png"/><a href="javascript:alert(3)"><circle r="2"/></a>' +
      '<foreignObject><iframe src="http://example.com"/></foreignObject>';
    const read = await readBackdrop(file('plan.svg', 'image/svg+xml', drawing(hostile)));
    if (!('image' in read)) throw new Error(read.reason);
    expect(text(read.image)).toMatch(/<svg[^>]*>.*<rect/);
    expect(text(read.image)).not.toMatch(/script|onclick|example\.com|iframe|foreignObject/i);
  });

  it.each([
    ['notes.txt', 'text/plain', 'hello', /no PNG, JPEG or SVG/],
    ['plan.svg', 'image/svg+xml', 'hello', /holds no drawing/],
    [
      'plan.svg',
      'image/svg+xml',
      drawing(`<path d="${'M0 0'.repeat(250_000)}"/>`),
      /stays too large/,
    ],
  ])('of %s (%s) is refused with the reason', async (name, type, content, reason) => {
    const read = await readBackdrop(file(name, type, content));
    expect('reason' in read ? read.reason : '').toMatch(reason);
  });

  it('of 50 MB is refused before it is opened', async () => {
    const huge = file('plan.png', 'image/png', '');
    Object.defineProperty(huge, 'size', { value: 50e6 });
    const read = await readBackdrop(huge);
    expect('reason' in read ? read.reason : '').toMatch(/has 50 MB: up to 20 MB are taken/);
  });

  it('is scaled by a length that is known: what lies under the first mark stays there', async () => {
    const { bench, screen, plan } = await fields('Ground');
    const image = `data:image/svg+xml;base64,${btoa(drawing(''))}`;
    expect(image.length).toBeLessThan(largestBackdrop);
    const before = { image, x: 0, y: 5, width: 8 };
    bench.session.edit({ type: 'set-plan', plan: { ...plan(), backdrop: before } });
    await screen.settle();
    await screen.press('Scale it by a known length');
    // The marks stand at 2 m and 6 m: 4 m apart, and 2 m in truth.
    await screen.type('Length in truth', '2 m');
    expect(plan().backdrop).toEqual({ image, x: 1, y: 3.75, width: 4 });
    await screen.press('Remove picture');
    expect(plan().backdrop).toBeUndefined();
  });
});
