import { emptyBrief, type Design } from '@yurei/core/design';
import { TestBed } from '@angular/core/testing';
import { Title } from '@angular/platform-browser';
import { Router } from '@angular/router';
import { openBench, show, slipwayBeam, type Screen } from '../../testing/workbench-bed';
import { ApiError } from '../data/api';
import { Panes } from '../data/panes';
import { Workbench } from './workbench';

async function open(design = slipwayBeam(), id = 'd1') {
  const bench = await openBench(design);
  const screen = await show(Workbench, { id });
  return { bench, screen };
}
const gauge = (screen: Screen<Workbench>, label: string) =>
  screen.all('.gauge').find((g) => g.textContent?.includes(label))?.textContent ?? '';

it('answers the questions above every step, and says what is not computed', async () => {
  const { screen } = await open();
  await screen.until(() => gauge(screen, 'Notices').includes('1 of 1'));
  expect(screen.all('.gauge')).toHaveLength(5);
  expect(gauge(screen, 'Lasts')).toContain('not computed yet');
  expect(TestBed.inject(Title).getTitle()).toBe('Slipway beam · Yurei');
});

it('counts open findings at the step where they are mended', async () => {
  const design = slipwayBeam();
  design.parts = design.parts.filter((p) => p.id !== 'D1');
  design.wires = design.wires.filter((w) => ![w.from, w.to].some((e) => e.startsWith('D1.')));
  const { bench, screen } = await open(design);
  await screen.until(() => screen.all('nav .badge').length > 0);
  const mine = bench.view
    .findings()
    .filter((f) => f.severity === 'error' || f.severity === 'caution');
  const shown = screen.all('nav .badge').map((b) => Number(b.textContent));
  expect(shown.reduce((a, b) => a + b)).toBe(mine.length);
});

it('renames the design, but never to nothing', async () => {
  const { bench, screen } = await open();
  const title = screen.find<HTMLInputElement>('input.title');
  const type = async (text: string) => {
    title.value = text;
    title.dispatchEvent(new Event('change'));
    await screen.settle();
  };
  await type(' Jetty beam ');
  await screen.until(() => TestBed.inject(Title).getTitle() === 'Jetty beam · Yurei');
  await type('  ');
  expect(title.value).toBe('Jetty beam');
  await screen.until(() => bench.shelf.stored.get('d1')?.design.title === 'Jetty beam');
});

it('says what is wrong with a design that is not on the shelf', async () => {
  const { screen } = await open(slipwayBeam(), 'gone');
  expect(screen.text('[role=alert]')).toMatch(/Not on the shelf It may have been removed/);
  expect(screen.find('main a').getAttribute('href')).toBe('/');
});

it('keeps the work in the browser while the server is away', async () => {
  const { bench, screen } = await open();
  bench.shelf.failure = new ApiError(0, 'The server cannot be reached', '', [], []);
  const title = screen.find<HTMLInputElement>('input.title');
  title.value = 'Offline';
  title.dispatchEvent(new Event('change'));
  await screen.until(() => screen.text('.save').includes('not saved'));
  expect(screen.text('.save')).toContain('Kept in this browser');
  expect(localStorage.getItem('yurei.draft.d1')).toContain('Offline');
});

it('lists its keys', async () => {
  const { screen } = await open();
  await screen.press('Help');
  await screen.until(() => document.querySelectorAll('.keys dt').length > 8);
  await screen.key(document, 'k', { ctrlKey: true });
  await screen.until(() => document.querySelector('input[role=combobox]') !== null);
});

it('leads from an answer to what it stands on, and nowhere from what is not computed', async () => {
  const { screen } = await open();
  await screen.until(() => gauge(screen, 'Notices').includes('1 of 1'));
  const button = (label: string) =>
    screen.all('.gauge').find((g) => g.textContent?.includes(label)) as HTMLButtonElement;
  const to = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  button('Notices').click();
  expect(to).toHaveBeenLastCalledWith(['/design', 'd1', 'rehearse']);
  button('Survives').click();
  expect(to).toHaveBeenLastCalledWith(['/design', 'd1', 'wire']);
  await screen.until(() => screen.all('aside').length === 1);
  button('Lasts').click();
  expect(to).toHaveBeenLastCalledWith(['/design', 'd1', 'rehearse']);
  expect(screen.fixture.debugElement.injector.get(Panes).rehearsal()).toBe('score');
  expect(button('Built right').disabled).toBe(true);
});

const bare = { parts: [], wires: [], channels: [], rules: [], outputs: [], scenes: [] };

it.each<[Partial<Design>, string]>([
  [{ ...bare, brief: emptyBrief }, 'Plan say what for'],
  [{ ...bare, brief: emptyBrief }, 'Wire add a part'],
  [bare, 'Plan take a sensor'],
  [{ channels: [], rules: [] }, 'Set no channel yet'],
  [{ rules: [] }, 'Act no rule yet'],
  [{ scenes: [] }, 'Rehearse no scene yet'],
])('says at the steps what is to be done next', async (without, hint) => {
  const { screen } = await open({ ...slipwayBeam(), ...without });
  await screen.until(() => screen.text('nav').includes(hint));
});
